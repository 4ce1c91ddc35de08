"""Plans: made, changed, kept, started from."""
