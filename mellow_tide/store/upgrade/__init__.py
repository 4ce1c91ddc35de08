"""What is done to a database of an earlier version before it is served."""
