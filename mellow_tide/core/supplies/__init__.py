"""What a session uses up: lubricant, linen, and when the oil goes on again."""
