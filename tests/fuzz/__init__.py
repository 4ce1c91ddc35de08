"""Whatever the described interface allows, and what it does not, sent to a real server until time is over."""
