"""Which regions, in what order, how long each: proven best for the brief, with reasons."""
