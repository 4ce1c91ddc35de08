"""The first Strain Index, in steps instead of curves.

Source: Moore & Garg 1995, American Industrial Hygiene Association Journal 56:443 (from memory):
SI = IE * DE * EM * HWP * SW * DD. Up to 3 a job is probably safe, from 7 on probably hazardous.
"""

from collections.abc import Sequence
from dataclasses import dataclass

PROBABLY_SAFE = 3.0
PROBABLY_HAZARDOUS = 7.0

RatingSteps = Sequence[tuple[float, float]]
"""Lower bounds in order, each with the multiplier from there on."""

# Borg CR10 over 10: light below 3, somewhat hard 3, hard 4 to 5, very hard 6 to 7, near maximal from 8 on.
INTENSITY: RatingSteps = ((0, 1), (0.3, 3), (0.4, 6), (0.6, 9), (0.8, 13))
DURATION: RatingSteps = ((0, 0.5), (0.10, 1), (0.30, 1.5), (0.50, 2), (0.80, 3))
EFFORTS: RatingSteps = ((0, 0.5), (4, 1), (9, 1.5), (15, 2), (20, 3))
# Degrees of the wrist: very good and good, fair, bad, very bad; as published for bending in and for bending back.
FLEXION: RatingSteps = ((0, 1), (16, 1.5), (31, 2), (51, 3))
EXTENSION: RatingSteps = ((0, 1), (26, 1.5), (41, 2), (56, 3))
SPEED = 1.0
"""Massage is slow work: very slow, slow and fair all count 1."""
HOURS: RatingSteps = ((0, 0.25), (1, 0.5), (2, 0.75), (4, 1), (8, 1.5))


@dataclass(frozen=True, slots=True)
class Job:
    """A job: effort 0 to 1, the share of time in exertion 0 to 1, efforts a minute, degrees of wrist flexion
    (extension negative), hours a day.
    """

    intensity: float
    exertion_share: float
    per_minute: float
    flexion: float
    hours: float


def step_of(value: float, steps: RatingSteps) -> float:
    """The multiplier of the last step whose lower bound `value` reaches."""
    return [multiplier for bound, multiplier in steps if value >= bound][-1]


def posture_of(flexion: float) -> float:
    """The multiplier of the wrist's flexion in degrees, negative for extension."""
    return step_of(abs(flexion), FLEXION if flexion >= 0 else EXTENSION)


def strain_index_1995(job: Job) -> float:
    """SI of a job at slow or fair speed."""
    return (
        step_of(job.intensity, INTENSITY)
        * step_of(job.exertion_share, DURATION)
        * step_of(job.per_minute, EFFORTS)
        * posture_of(job.flexion)
        * SPEED
        * step_of(job.hours, HOURS)
    )
