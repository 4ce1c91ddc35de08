"""How long one step takes."""

from mellow_tide.core.catalogue.records import Pace, Region, Stroke

REFERENCE_HEIGHT_CM = 170
"""Height for which the catalogue's glide lengths are given."""


def pass_seconds(stroke: Stroke, region: Region, depth: int, height_cm: int, pace: Pace) -> float:
    """Seconds of one pass of `stroke` on `region` at `depth` (1 to 5).

    A glide goes there and back along the region, at the speed of its depth (cm/s) times the stroke's
    own pace; lengths scale with `height_cm` over 170. Counts are common practice.
    """
    length = region.glide_cm * height_cm / REFERENCE_HEIGHT_CM
    passing = stroke.passing
    match passing.kind:
        case "glide":
            return 2 * length / (pace.glide_cm_per_second[depth] * passing.pace)
        case "per_20cm":
            return passing.seconds * length / 20
        case "spots":
            return passing.seconds * max(1, round(length / 10))
        case "breaths":
            return pace.breath
        case "seconds":
            return passing.seconds


def step_seconds(stroke: Stroke, region: Region, depth: int, passes: int, height_cm: int, pace: Pace) -> int:
    """Whole seconds of `passes` passes, at least 1."""
    return max(1, round(passes * pass_seconds(stroke, region, depth, height_cm, pace)))
