"""Small machines of the room: the simulated ones, each a program of its own, and how they are spoken to."""
