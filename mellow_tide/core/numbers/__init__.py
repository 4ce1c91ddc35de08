"""What the sessions of some months add up to: minutes by region, how often the depth was right, the hands by week."""
