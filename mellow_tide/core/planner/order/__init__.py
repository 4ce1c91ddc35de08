"""The cheapest order of parts."""
