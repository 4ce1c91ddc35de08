"""The words that a client takes home: the practice's own text with its placeholders filled in."""

import re
import tomllib
from collections.abc import Iterator, Mapping, Sequence
from functools import cache
from importlib import resources
from typing import Annotated

from pydantic import Field

from mellow_tide.core.care.restrictions import Restrictions
from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.flow.brief import ClientFacts
from mellow_tide.core.phrases.book import say
from mellow_tide.core.refusal import FieldProblem

PLACEHOLDERS = ("client", "practice", "regions", "advice", "stretch", "next_visit")

AftercareText = Annotated[str, Field(max_length=4000)]

MOST_REGIONS = 4
"""Regions that are named, those worked longest: more is a list, not a sentence."""

_HOLE = re.compile(r"\{([^{}]*)\}")


class Aftercare(Record):
    """What the text is filled in with. `regions` are ids, the longest worked first; `advice` what was said at the door.

    `next_visit` is a whole sentence, or nothing. `stretch` is the region whose stretch is told; None: none is.
    """

    client: str
    practice: str
    regions: tuple[str, ...]
    advice: tuple[str, ...] = ()
    stretch: str | None = None
    next_visit: str = ""


@cache
def read_stretches() -> Mapping[str, str]:
    """How a client stretches a region alone, by the region's id."""
    text = (resources.files("mellow_tide.core.aftercare") / "stretches.toml").read_text(encoding="utf-8")
    return tomllib.loads(text)


def list_stretches(
    regions: Sequence[str], client: ClientFacts, restrictions: Restrictions
) -> tuple[str, ...]:
    """The regions of those worked whose stretch may be told, in their order.

    None in pregnancy or where a condition asks for a clinician first; none of a region that is not worked on this
    client, not worked deep, or kept off at some place: what the hands spare, the client is not sent to stretch.
    """
    if client.gestation_days is not None or any(reason.level == "refer" for reason in restrictions.reasons):
        return ()
    barred = {one.id for one in (*restrictions.regions, *restrictions.unless_asked)}
    spared = (
        barred | {cap.region for cap in restrictions.caps} | {one.region for one in restrictions.excluded}
    )
    return tuple(id for id in regions if id in read_stretches() and id not in spared)


def check_text(text: str) -> Iterator[FieldProblem]:
    """What is wrong with a practice's text: placeholders that nothing is known of."""
    for name in dict.fromkeys(_HOLE.findall(text)):
        if name not in PLACEHOLDERS:
            known = ", ".join(f"{{{one}}}" for one in PLACEHOLDERS)
            yield FieldProblem("text", "unknown_placeholder", name=name, known=known)


def write_aftercare(text: str, filled: Aftercare, catalogue: Catalogue) -> str:
    """The text with its placeholders filled in; a line on which nothing is left goes, and so do empty paragraphs."""
    how = read_stretches()[filled.stretch] if filled.stretch else ""
    named = [catalogue.regions[id].whole for id in filled.regions[:MOST_REGIONS] if id in catalogue.regions]
    words = {
        "client": filled.client,
        "practice": filled.practice,
        "regions": say("aftercare.regions", names=named) or say("aftercare.whole_body"),
        "advice": "\n".join(filled.advice) or say("aftercare.usual_advice"),
        "stretch": say("aftercare.stretch", how=how) if how else "",
        "next_visit": filled.next_visit,
    }
    made = "\n".join(
        _HOLE.sub(lambda hole: words.get(hole[1], hole[0]), line)
        for line in text.strip().splitlines()
        if not (line.strip() in {f"{{{name}}}" for name in PLACEHOLDERS} and not words[line.strip()[1:-1]])
    )
    return re.sub(r"\n{3,}", "\n\n", made).strip()


@cache
def usual_text() -> str:
    """What is taken home where the practice has no text of its own."""
    # The book would fill its holes in: each is filled with itself, and stands for what a log tells later.
    return say("aftercare.usual_text", **{name: f"{{{name}}}" for name in PLACEHOLDERS}).strip()
