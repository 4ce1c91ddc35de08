"""Secrets that are handed out once: made here, and known again by their hash."""

import hashlib
import secrets


def make_token() -> str:
    """A secret nobody can guess: 32 bytes, fit for an address."""
    return secrets.token_urlsafe(32)


def hash_token(token: str) -> bytes:
    """What is stored of a secret: enough to know it again, not enough to use it."""
    return hashlib.sha256(token.encode()).digest()
