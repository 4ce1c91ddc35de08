"""What is set from outside: what the door offers, and at which address it stands."""

from dataclasses import dataclass
from typing import Literal, get_args
from urllib.parse import urlsplit

from mellow_tide.store.people import SignedIn

DoorOffer = Literal["demo", "practices", "invited"]
"""To look round the demo, to open a practice, to join one with an invitation."""

ALL: frozenset[DoorOffer] = frozenset(get_args(DoorOffer))
ELSEWHERE: frozenset[DoorOffer] = frozenset({"invited"})
"""Where not only this machine gets in, nobody but those who were invited, if nothing else is said."""


class NotOffered(Exception):
    """The door does not offer this here."""


class BadSetting(ValueError):
    """A setting that cannot be used, and what would do."""


@dataclass(frozen=True)
class Door:
    """What the door offers; `demo` is the demo's therapist in the demo's practice."""

    demo: SignedIn
    offers: frozenset[DoorOffer] = ALL

    def require(self, offer: DoorOffer) -> None:
        """Raise `NotOffered` where it is none."""
        if offer not in self.offers:
            raise NotOffered


def read_offers(words: str | None, elsewhere: bool = False) -> frozenset[DoorOffer]:
    """The offers in a comma list; as usual where nothing is set, none where the list is empty. Raises `BadSetting`.

    `elsewhere`: whether others than this machine get in.
    """
    if words is None:
        return ELSEWHERE if elsewhere else ALL
    found = [word.strip() for word in words.split(",") if word.strip()]
    for word in found:
        if word not in ALL:
            known = ", ".join(get_args(DoorOffer))
            raise BadSetting(f"TIDE_OPEN does not know “{word}”: leave it empty or use {known}")
    return frozenset(offer for offer in ALL if offer in found)


def read_public_url(words: str) -> str:
    """The public address, without a slash at its end; empty if there is none. Raises `BadSetting`."""
    address = urlsplit(words.strip())
    if not words.strip():
        return ""
    if (
        address.scheme not in ("http", "https")
        or not address.hostname
        or address.path.strip("/")
        or address.query
    ):
        raise BadSetting(f"TIDE_PUBLIC_URL is no address of ours: “{words}”; write https://tide.example")
    return f"{address.scheme}://{address.netloc}"
