"""The Revised Strain Index and its composite and cumulative forms, and static holds.

Source: Garg, Moore & Kapellusch 2017, Ergonomics 60:912 (from memory): RSI = IM * EM * DM * PM * HM; above 10 is
hazardous. Static holds: Rohmert 1960 (from memory).
"""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from math import exp, log

HAZARDOUS = 10.0
"""Revised Strain Index above which a task is hazardous to hand and wrist."""


@dataclass(frozen=True, slots=True)
class Task:
    """One repeated effort of a hand.

    `intensity` 0 to 1 (Borg CR10 over 10), `per_minute` > 0 efforts, `seconds` > 0 an effort lasts, `flexion`
    of the wrist in degrees, -90 to 90 (negative: extension), `hours` > 0 a day.
    """

    intensity: float
    per_minute: float
    seconds: float
    flexion: float
    hours: float

    def __post_init__(self) -> None:
        if not 0 <= self.intensity <= 1:
            raise ValueError("task: 0 <= intensity <= 1")
        if self.per_minute <= 0 or self.seconds <= 0 or self.hours <= 0:
            raise ValueError("task: per_minute, seconds and hours > 0")
        if not -90 <= self.flexion <= 90:
            raise ValueError("task: -90 <= flexion <= 90")


def intensity_multiplier(i: float) -> float:
    """IM of an intensity from 0 to 1."""
    if i <= 0.4:
        return 30 * i**3 - 15.6 * i**2 + 13 * i + 0.4
    return 36 * i**3 - 33.3 * i**2 + 24.77 * i - 1.86


def frequency_multiplier(per_minute: float) -> float:
    """EM of efforts a minute."""
    return 0.10 + 0.25 * per_minute if per_minute <= 90 else 0.00334 * per_minute**1.96


def duration_multiplier(seconds: float) -> float:
    """DM of the seconds one effort lasts."""
    return 0.45 + 0.31 * seconds if seconds <= 60 else 19.17 * log(seconds) - 59.44


def posture_multiplier(flexion: float) -> float:
    """PM of the wrist's flexion in degrees; negative is extension, free up to 30 degrees."""
    if flexion >= 0:
        return 1.2 * exp(0.009 * flexion) - 0.2
    return 1.0 if flexion >= -30 else 1 + 0.00028 * (-flexion - 30) ** 2


def hours_multiplier(hours: float) -> float:
    """HM of the hours a day."""
    return 0.20 if hours <= 0.05 else 0.042 * hours + 0.090 * log(hours) + 0.477


def revised_strain_index(task: Task) -> float:
    """RSI of one task; above `HAZARDOUS` is hazardous."""
    return _frequency_free(task) * frequency_multiplier(task.per_minute) * hours_multiplier(task.hours)


def composite_strain_index(tasks: Sequence[Task], hours: float) -> float:
    """COSI of several tasks worked in turn over `hours` (> 0): each adds the growth of EM at the summed efforts.

    One task alone has its own RSI; no task has 0.
    """
    at = sorted((replace(task, hours=hours) for task in tasks), key=revised_strain_index, reverse=True)
    total, efforts = 0.0, 0.0
    for task in at:
        grown = frequency_multiplier(efforts + task.per_minute)
        total += _frequency_free(task) * (grown - (frequency_multiplier(efforts) if efforts else 0.0))
        efforts += task.per_minute
    return total * hours_multiplier(hours)


def cumulative_strain_index(sessions: Sequence[tuple[float, float]]) -> float:
    """CUSI of a day of sessions, each (index per unit HM, hours): each further one adds by the growth of HM.

    The index per unit HM is a session's COSI over `hours_multiplier` of its hours. One session alone has its COSI.
    """
    total, hours = 0.0, 0.0
    for index, worked in sorted(sessions, key=lambda s: s[0] * hours_multiplier(s[1]), reverse=True):
        grown = hours_multiplier(hours + worked)
        total += index * (grown - (hours_multiplier(hours) if hours else 0.0))
        hours += worked
    return total


def longest_hold(fraction: float) -> float:
    """Seconds a static effort can be held at `fraction` of maximal force (0.15 < fraction <= 1)."""
    if not 0.15 < fraction <= 1:
        raise ValueError("fraction: 0.15 < fraction <= 1")
    return -90 + 126 / fraction - 36 / fraction**2 + 6 / fraction**3


def _frequency_free(task: Task) -> float:
    return (
        intensity_multiplier(task.intensity)
        * duration_multiplier(task.seconds)
        * posture_multiplier(task.flexion)
    )
