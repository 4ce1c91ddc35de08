"""What is wrong with what somebody gave, where the core does not refuse it."""

from mellow_tide.core.refusal import Refused


class BadEntry(Refused):
    """Something in an account, a practice or a setting that cannot be used."""

    code = "bad-entry"
