"""The therapist's own pace: taken against planned by stroke, shrunk toward the usual until there is evidence."""

from collections import defaultdict
from collections.abc import Iterable, Mapping
from math import exp, log

from mellow_tide.core.catalogue.records import Record, Stroke
from mellow_tide.core.learning.heard import PaceSample

PSEUDO = 5
"""How many samples the family counts for against a stroke's own, and the usual pace against the family's."""

IN_REGION = 8
"""Samples of a stroke in one region from which it has a pace of its own there."""

TRUSTED = (0.5, 2.0)
"""Factors outside are shown, and not used until they are confirmed."""


class Factor(Record):
    """Seconds taken over seconds planned for `key`, a stroke or `stroke/region`; `samples` it rests on."""

    key: str
    factor: float
    samples: int
    trusted: bool


def learn_factors(samples: Iterable[PaceSample], strokes: Mapping[str, Stroke]) -> tuple[Factor, ...]:
    """The factor of every stroke with a sample, and of strokes in regions with enough of them, by key.

    The logarithm of taken over planned is taken as normal; interrupted samples, and those that took no time, are left
    out. A stroke's mean is drawn toward its family's as if that were `PSEUDO` samples, the family's toward 0 likewise.
    """
    by_family, by_stroke, by_place = defaultdict(list), defaultdict(list), defaultdict(list)
    for sample in samples:
        if sample.interrupted or sample.taken <= 0 or sample.planned <= 0 or sample.stroke not in strokes:
            continue
        off = log(sample.taken / sample.planned)
        by_family[strokes[sample.stroke].family].append(off)
        by_stroke[sample.stroke].append(off)
        by_place[sample.stroke, sample.region].append(off)
    found = {}
    for stroke, offs in by_stroke.items():
        family = _drawn(by_family[strokes[stroke].family], 0.0)
        found[stroke] = (_drawn(offs, family), len(offs))
    for (stroke, region), offs in by_place.items():
        if len(offs) >= IN_REGION:
            found[f"{stroke}/{region}"] = (_drawn(offs, found[stroke][0]), len(offs))
    return tuple(
        Factor(
            key=key, factor=round(exp(mean), 3), samples=count, trusted=TRUSTED[0] <= exp(mean) <= TRUSTED[1]
        )
        for key, (mean, count) in sorted(found.items())
    )


def _drawn(offs: list[float], toward: float) -> float:
    return (sum(offs) + PSEUDO * toward) / (len(offs) + PSEUDO)
