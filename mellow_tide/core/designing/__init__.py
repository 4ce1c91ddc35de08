"""Changing a flow by hand: what may go where, what a change would break, and what a few typed letters mean."""
