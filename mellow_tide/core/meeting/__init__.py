"""Meeting the client: what is known of them, how it came to be known, the intake, and the question of the day."""
