"""What is set from outside: what the door offers, and at which address it stands."""

from urllib.parse import urlsplit

OFFERS = ("demo",)
"""The demo practice may be entered by anybody who knows its sign-in, which is no secret."""


class BadSetting(ValueError):
    """A setting that cannot be used, and what would do."""


def read_offers(words: str | None) -> frozenset[str]:
    """The offers in a comma list; all where nothing is set, none where the list is empty. Raises `BadSetting`."""
    if words is None:
        return frozenset(OFFERS)
    found = {word.strip() for word in words.split(",") if word.strip()}
    unknown = sorted(found - set(OFFERS))
    if unknown:
        raise BadSetting(f"TIDE_OPEN does not know “{unknown[0]}”: leave it empty or use {', '.join(OFFERS)}")
    return frozenset(found)


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
