"""What a client answers who is asked what is new today and where to keep away from, and what that does."""

import re
from collections.abc import Iterable
from typing import Annotated

from pydantic import Field

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.records import Ids, Record, Region
from mellow_tide.core.flow.brief import ClientFacts, Excluded, Side, merge_places
from mellow_tide.core.meeting.changes import place_key
from mellow_tide.core.meeting.headache import Headache, judge_headache
from mellow_tide.core.meeting.record import KeptOff, PlacesOfConditions


class DayAnswer(Record):
    """What the client answered before the session; nothing new is an answer too.

    `headache` is what was answered of one, if there is one: the condition that it is goes with it.
    """

    note: Annotated[str, Field(max_length=400)] = ""
    conditions: Ids = frozenset()
    condition_places: PlacesOfConditions = ()
    excluded: KeptOff = ()
    headache: Headache | None = None


def add_day_answer(facts: ClientFacts, answer: DayAnswer) -> ClientFacts:
    """What is known of the client, with what is so today."""
    headache = {judge_headache(answer.headache, facts)} if answer.headache else set()
    return add_excluded(facts, answer.excluded).model_copy(
        update={
            "conditions": facts.conditions | answer.conditions | headache,
            "condition_places": merge_places(facts.condition_places, answer.condition_places),
        }
    )


def add_excluded(facts: ClientFacts, places: Iterable[Excluded]) -> ClientFacts:
    """What is known of the client, with places to keep off today that were not known before."""
    known = {place_key(place) for place in facts.excluded}
    today = (place for place in places if place_key(place) not in known)
    return facts.model_copy(update={"excluded": (*facts.excluded, *today)})


def hear_places(note: str, catalogue: Catalogue) -> tuple[Excluded, ...]:
    """The places that a note names, to be confirmed: a zone goes before its region, and the side word before it counts.

    "The left big toe has a plaster" names the toes of the left foot.
    """
    found: dict[str, Excluded] = {}
    for clause in re.split(r"[.,;]|\band\b", note.lower()):
        words = re.findall(r"[a-z]+", clause)
        side: Side = "left" if "left" in words else "right" if "right" in words else "both"
        for region in catalogue.regions.values():
            for zone in _named(region, words):
                own: Side = "mid" if region.sides == "mid" else side
                place = Excluded(region=region.id, side=own, zone=zone, because=note.strip()[:120])
                found.setdefault(place_key(place), place)
    return tuple(found.values())


def _named(region: Region, words: list[str]) -> list[str | None]:
    """The zones that the words name; the whole region if they name it alone."""
    # Where a zone is called as its region is, the region is meant.
    zones: list[str | None] = [
        zone for zone in region.zones if zone != region.name and _says(words, zone.split("_"))
    ]
    if zones:
        # "Between the toes" is not the toes, nor the toes what is between them.
        longest = max(len((zone or "").split("_")) for zone in zones)
        return [zone for zone in zones if len((zone or "").split("_")) == longest]
    named = (region.name, region.short, region.whole)
    return [None] if any(_says(words, name.split()) for name in named) else []


def _says(words: list[str], name: list[str]) -> bool:
    telling = [part for part in name if part not in ("of", "the")]
    return all(any(_same(word, part) for word in words) for part in telling)


def _same(word: str, part: str) -> bool:
    return word == part or word + "s" == part or word == part + "s"
