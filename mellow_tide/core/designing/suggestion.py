"""One thing that a few typed letters could mean."""

from collections.abc import Iterable
from typing import Self

from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.designing.trial import Trial
from mellow_tide.core.flow.edits import Edit


class NewLength(Record):
    """A part and the whole seconds that it is to take."""

    part_id: str
    seconds: int


class SuggestedBrief(Record):
    """What changes in the brief; what is None stays."""

    booked_minutes: int | None = None
    focus: tuple[str, ...] | None = None
    leave_out: tuple[str, ...] | None = None
    with_strokes: tuple[str, ...] | None = None
    without_strokes: tuple[str, ...] | None = None


class Suggestion(Record):
    """What would be done, in words, and by what: edits, a part's new length, or another brief; exactly one of them.

    `why_not` says why it cannot be, or is empty; `warns` what it should not be done without knowing.
    """

    says: str
    why_not: str = ""
    warns: str = ""
    edits: tuple[Edit, ...] = ()
    reshape: NewLength | None = None
    brief: SuggestedBrief | None = None

    @classmethod
    def of_edits(cls, says: str, trial: Trial, edits: Iterable[Edit]) -> Self:
        """The suggestion of edits, tried."""
        made = tuple(edits)
        tried = trial.of_edits(made)
        return cls(says=says, why_not=tried.why_not, warns=tried.warns, edits=made)
