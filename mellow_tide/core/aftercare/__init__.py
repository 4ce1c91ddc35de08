"""What a client may take home after a session: a few plain words, never a promise and nothing of the private notes."""
