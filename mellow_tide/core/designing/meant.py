"""Which region, zone and stroke a few letters could name."""

import re
from collections.abc import Iterator
from dataclasses import dataclass

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.records import Region, Stroke


@dataclass(frozen=True)
class Meant:
    """A region, a zone of it and a stroke, as far as the words name them."""

    region: Region | None
    zone: str | None
    stroke: Stroke | None


def read_meanings(
    words: tuple[str, ...], selected: str | None, everywhere: bool, catalogue: Catalogue
) -> list[Meant]:
    """All that the words could mean, the likeliest first: every word begins a name of what is meant.

    A stroke alone is meant for the `selected` region, where it may stand there; without one, for none, unless
    `everywhere` could be meant.
    """
    found: list[tuple[bool, int, int, int, Meant]] = []
    for meant in _candidates(words, selected, everywhere, catalogue):
        names = [
            _names(meant.region.id, meant.region.name, meant.region.short, meant.region.whole)
            if meant.region
            else (),
            _names(meant.zone) if meant.zone else (),
            _names(meant.stroke.id, meant.stroke.name, meant.stroke.family) if meant.stroke else (),
        ]
        if meant.zone:
            # A zone names its region too.
            names[0] = ()
        fits = [_fit(words, one) for one in names]
        covered = all(any(one[i] for one in fits) for i in range(len(words)))
        needed = all(any(one) for one, what in zip(fits, names, strict=True) if what)
        if words and covered and needed:
            score = sum(sum(one) for one in fits)
            misfit = bool(meant.region and meant.stroke and meant.region.id not in meant.stroke.regions)
            found.append((misfit, -score, sum(map(bool, names)), len(found), meant))
    return [meant for *_, meant in sorted(found, key=lambda one: one[:4])]


def _candidates(
    words: tuple[str, ...], selected: str | None, everywhere: bool, catalogue: Catalogue
) -> Iterator[Meant]:
    strokes = [s for s in catalogue.strokes.values() if any(_fit(words, _names(s.id, s.name, s.family)))]
    for region in catalogue.regions.values():
        zones = [zone for zone in region.zones if any(_fit(words, _names(zone)))]
        named = any(_fit(words, _names(region.id, region.name, region.short, region.whole)))
        for zone in (*((None,) if named else ()), *zones):
            yield Meant(region, zone, None)
            yield from (Meant(region, zone, stroke) for stroke in strokes)
    for stroke in strokes:
        if everywhere or selected in stroke.regions:
            yield Meant(None, None, stroke)


def _names(*phrases: str) -> tuple[str, ...]:
    words = (word for phrase in phrases for word in re.split(r"[^a-z]+", phrase.lower()))
    return tuple(dict.fromkeys(word for word in words if word not in ("", "of", "the", "on")))


def _fit(words: tuple[str, ...], names: tuple[str, ...]) -> tuple[int, ...]:
    """For each word 2 if it is a name, 1 if it begins one, 0 else."""
    return tuple(2 if word in names else int(any(name.startswith(word) for name in names)) for word in words)
