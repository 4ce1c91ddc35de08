"""Mellow Tide: plans, guides and remembers relaxation massage sessions."""
