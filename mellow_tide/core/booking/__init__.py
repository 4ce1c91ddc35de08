"""When a therapist works, and what of a day does not go with it."""
