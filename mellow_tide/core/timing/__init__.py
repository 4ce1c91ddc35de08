"""Seconds: how long strokes and transitions take, and a flow laid out on the clock."""
