"""What a flow is: the brief it answers, its parts and steps, and whether hands could follow it."""
