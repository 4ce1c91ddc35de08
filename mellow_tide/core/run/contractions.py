"""Contractions as they were timed: length, spacing, and when the usual advice is to call."""

from collections.abc import Sequence
from itertools import pairwise

from pydantic import AwareDatetime

from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.run.events import ContractionBegan, ContractionEnded

APART = 300
"""Seconds from one beginning to the next, at most, at which contractions are close together (common practice)."""

LASTING = 60
"""Seconds that each then lasts, at least."""

FOR = 3600
"""Seconds for which it goes on so until the usual advice is to call."""


class Contraction(Record):
    """One contraction; `ended_at` is None while it goes on."""

    began_at: AwareDatetime
    ended_at: AwareDatetime | None = None


class Timing(Record):
    """Whole seconds: `length` of the last that has passed, `spacing` from the one before to the last beginning.

    Both are None while they are not known. `call`: close together, long, and so for an hour.
    """

    length: int | None
    spacing: int | None
    call: bool


def add_press_of_contraction(
    before: tuple[Contraction, ...], event: ContractionBegan | ContractionEnded
) -> tuple[Contraction, ...]:
    """The contractions after one more press. One that goes on does not begin again, and none ends twice."""
    open_one = bool(before) and before[-1].ended_at is None
    if isinstance(event, ContractionBegan):
        return before if open_one else (*before, Contraction(began_at=event.at))
    if not open_one:
        return before
    return (*before[:-1], before[-1].model_copy(update={"ended_at": event.at}))


def time_contractions(contractions: Sequence[Contraction]) -> Timing:
    """What the contractions so far amount to.

    The usual advice is common practice, five minutes apart, one minute long, for one hour; the care team's own
    goes before it. The means over the last hour are held against it, so that one short or late one hides no pattern.
    """
    passed = [(one.ended_at - one.began_at).total_seconds() for one in contractions if one.ended_at]
    apart = [(after.began_at - before.began_at).total_seconds() for before, after in pairwise(contractions)]
    return Timing(
        length=round(passed[-1]) if passed else None,
        spacing=round(apart[-1]) if apart else None,
        call=_call(contractions),
    )


def _call(contractions: Sequence[Contraction]) -> bool:
    """Whether over the last hour of a series at least as long the means reach the usual advice."""
    if not contractions:
        return False
    last = contractions[-1].began_at
    hour = [one for one in contractions if (last - one.began_at).total_seconds() <= FOR]
    lengths = [(one.ended_at - one.began_at).total_seconds() for one in hour if one.ended_at]
    spread = (last - hour[0].began_at).total_seconds()
    if len(hour) < 2 or not lengths or spread + APART < FOR:
        return False
    return spread / (len(hour) - 1) <= APART and sum(lengths) / len(lengths) >= LASTING
