"""The job itself: pure data and pure functions, with no clock, network, SQL or web code."""
