"""Small simulated stand-ins for what stands beside a table, so that everything can be tried without it."""
