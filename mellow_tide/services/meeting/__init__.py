"""What is known of a client, and how it comes to be known."""
