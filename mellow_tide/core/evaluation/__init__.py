"""Everything a screen may ask about a flow, from one call."""
