"""The day: what is booked, and booking, moving, cancelling, repeating it."""
