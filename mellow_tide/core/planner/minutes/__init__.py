"""How the minutes are shared out, and what a set of regions gains by them."""
