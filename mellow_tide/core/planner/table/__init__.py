"""What the table needs to go on without a planner."""
