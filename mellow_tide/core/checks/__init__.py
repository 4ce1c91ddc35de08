"""What may follow what, how long, how deep, how alike on both sides: one check one file."""
