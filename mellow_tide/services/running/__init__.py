"""The hour at the table and its log."""
