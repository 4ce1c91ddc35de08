"""How long one step takes."""

from functools import lru_cache
from typing import NamedTuple

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.records import Region, Stroke
from mellow_tide.core.flow.flow import Step
from mellow_tide.core.timing.tempo import Tempo

REFERENCE_HEIGHT_CM = 170
"""Height for which the catalogue's glide lengths are given."""


class Ground(NamedTuple):
    """Where a stroke works, the whole region if it has no zone, how deep (1 to 5), and over which further regions."""

    region: Region
    zone: str | None
    depth: int
    over: tuple[Region, ...] = ()


def pass_seconds(stroke: Stroke, ground: Ground, catalogue: Catalogue, tempo: Tempo) -> float:
    """Seconds of one pass of `stroke` on its ground.

    A glide goes there and back along its regions, at the speed of its depth (cm/s) times the stroke's own pace; one
    without a zone is lighter over the fragile places in its way, and as fast there as that depth is. Lengths scale
    with the client's height over 170 cm. A breath is the client's own. All but a breath scales with the therapist's
    factor. Counts are common practice.
    """
    passing = stroke.passing
    if passing.kind == "breaths":
        return 60 / tempo.breaths_per_minute
    factor = tempo.factor(stroke.id, ground.region.id)
    if passing.kind == "seconds":
        return passing.seconds * factor
    length = glide_cm(ground.region, tempo)
    if passing.kind == "glide":
        one_way = sum(
            _one_way(ground._replace(region=region), catalogue, tempo)
            for region in (ground.region, *ground.over)
        )
        return 2 * one_way / passing.pace * factor
    if passing.kind == "per_20cm":
        return passing.seconds * length / 20 * factor
    return passing.seconds * max(1, round(length / 10)) * factor


def glide_cm(region: Region, tempo: Tempo) -> float:
    """Length in cm of one way along the region."""
    return region.glide_cm * tempo.height_cm / REFERENCE_HEIGHT_CM


def _one_way(ground: Ground, catalogue: Catalogue, tempo: Tempo) -> float:
    """Seconds of one way along the region, each stretch at the speed of its depth."""
    region, zone, depth, _ = ground
    speed = catalogue.clock.glide_cm_per_second
    seconds = glide_cm(region, tempo) / speed[depth]
    for place in () if zone else catalogue.passed_lightly(region.id, depth):
        over = place.passed_cm.get(region.id, 0) * tempo.height_cm / REFERENCE_HEIGHT_CM
        seconds += over / speed[place.most_depth] - over / speed[depth]
    return seconds


def whole(seconds: float) -> int:
    """Whole seconds on the clock, at least 1."""
    return max(1, round(seconds))


def step_seconds(step: Step, stroke: Stroke, region: Region, catalogue: Catalogue, tempo: Tempo) -> int:
    """Whole seconds of a step: its own if it names them, else those of its passes."""
    if step.seconds is not None:
        return step.seconds
    place = region.id, step.zone, step.depth, step.over
    return whole(step.passes * _known_pass_seconds(stroke.id, place, catalogue, tempo))


@lru_cache(maxsize=10_000)
def _known_pass_seconds(
    stroke: str, place: tuple[str, str | None, int, tuple[str, ...]], catalogue: Catalogue, tempo: Tempo
) -> float:
    """Seconds of one pass, kept: the same strokes are laid on the clock over and over."""
    region, zone, depth, over = place
    ground = Ground(catalogue.regions[region], zone, depth, tuple(catalogue.regions[id] for id in over))
    return pass_seconds(catalogue.strokes[stroke], ground, catalogue, tempo)
