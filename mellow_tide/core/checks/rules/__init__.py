"""The checks, one a file."""
