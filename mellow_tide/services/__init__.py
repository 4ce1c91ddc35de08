"""Use cases and their transactions: load, compute, store."""
