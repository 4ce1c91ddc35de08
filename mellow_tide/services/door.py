"""What the door offers: the words of the setting TIDE_OPEN."""

OFFERS = ("demo",)
"""The demo practice may be entered by anybody who knows its sign-in, which is no secret."""


class UnknownOffer(ValueError):
    """A word that the door does not know."""


def read_offers(words: str | None) -> frozenset[str]:
    """The offers in a comma list; all where nothing is set, none where the list is empty. Raises `UnknownOffer`."""
    if words is None:
        return frozenset(OFFERS)
    found = {word.strip() for word in words.split(",") if word.strip()}
    unknown = sorted(found - set(OFFERS))
    if unknown:
        raise UnknownOffer(
            f"TIDE_OPEN does not know “{unknown[0]}”: leave it empty or use {', '.join(OFFERS)}"
        )
    return frozenset(found)
