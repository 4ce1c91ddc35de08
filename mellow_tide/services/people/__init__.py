"""Who comes in, and who works here."""
