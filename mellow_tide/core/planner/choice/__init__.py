"""Which regions are worked, proven best."""
