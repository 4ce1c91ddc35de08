"""How long one step takes."""

from mellow_tide.core.catalogue.records import Region, Stroke
from mellow_tide.core.catalogue.rules import ClockNumbers
from mellow_tide.core.flow.flow import Step
from mellow_tide.core.timing.tempo import Tempo

REFERENCE_HEIGHT_CM = 170
"""Height for which the catalogue's glide lengths are given."""


def pass_seconds(stroke: Stroke, region: Region, depth: int, clock: ClockNumbers, tempo: Tempo) -> float:
    """Seconds of one pass of `stroke` on `region` at `depth` (1 to 5).

    A glide goes there and back along the region, at the speed of its depth (cm/s) times the stroke's own pace;
    lengths scale with the client's height over 170 cm. A breath is the client's own. All but a breath scales with the
    therapist's factor. Counts are common practice.
    """
    passing = stroke.passing
    if passing.kind == "breaths":
        return 60 / tempo.breaths_per_minute
    factor = tempo.factor(stroke.id, region.id)
    if passing.kind == "seconds":
        return passing.seconds * factor
    length = glide_cm(region, tempo)
    if passing.kind == "glide":
        return 2 * length / (clock.glide_cm_per_second[depth] * passing.pace) * factor
    if passing.kind == "per_20cm":
        return passing.seconds * length / 20 * factor
    return passing.seconds * max(1, round(length / 10)) * factor


def glide_cm(region: Region, tempo: Tempo) -> float:
    """Length in cm of one way along the region."""
    return region.glide_cm * tempo.height_cm / REFERENCE_HEIGHT_CM


def whole(seconds: float) -> int:
    """Whole seconds on the clock, at least 1."""
    return max(1, round(seconds))


def step_seconds(step: Step, stroke: Stroke, region: Region, clock: ClockNumbers, tempo: Tempo) -> int:
    """Whole seconds of a step: its own if it names them, else those of its passes."""
    if step.seconds is not None:
        return step.seconds
    return whole(step.passes * pass_seconds(stroke, region, step.depth, clock, tempo))
