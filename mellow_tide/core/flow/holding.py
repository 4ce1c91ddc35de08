"""How a sore point is held: no more than three times in a session, each with its number (common practice)."""

MOST_HOLDS = 3

NUMBER_SECONDS = 4
"""Seconds to ask for the number."""
