"""What a flow is: the brief it answers, its stops and steps, and whether hands could follow it."""
