"""A run: the append-only events of working a flow, and the state they fold to."""
