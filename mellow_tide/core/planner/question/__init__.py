"""What is asked of the planner, and what cannot be."""
