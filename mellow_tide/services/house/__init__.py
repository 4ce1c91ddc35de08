"""How a practice works, and what it has still to set."""
