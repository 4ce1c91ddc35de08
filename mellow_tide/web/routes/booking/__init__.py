"""What is booked and blocked."""
