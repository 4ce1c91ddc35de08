"""Refusals: bad input said so that it can be mended."""

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Self


@dataclass(frozen=True)
class FieldProblem:
    """One thing that is wrong: where (`field`, a dotted path), what, and how to mend it."""

    field: str
    what: str
    remedy: str


@dataclass(frozen=True)
class Offer:
    """A change of the brief that would do: what it is in words, and the fields that change with their new values."""

    says: str
    change: Mapping[str, object]


class Refused(Exception):
    """Input the core will not take. `problems` is never empty; nothing has been changed.

    `code` is a stable id, `title` one plain sentence.
    """

    code = "refused"
    title = "This cannot be done as it stands."

    def __init__(self, *problems: FieldProblem) -> None:
        super().__init__("; ".join(f"{p.field}: {p.what}" for p in problems))
        self.problems = problems


class UnknownReference(Refused):
    """An id that the catalogue does not know."""

    code = "unknown-reference"
    title = "Something named here is not in the catalogue."


class BadBrief(Refused):
    """A brief that contradicts itself."""

    code = "bad-brief"
    title = "The brief contradicts itself."


class BadFlow(Refused):
    """A flow that no hands could follow: unreachable region, passes out of range."""

    code = "bad-flow"
    title = "The flow cannot be worked as it stands."


class NoSession(Refused):
    """A stop sign: nothing is planned; the client is referred."""

    code = "no-session"
    title = "There is no session today."


class DoesNotFit(Refused):
    """A brief or flow whose minutes cannot be met."""

    code = "does-not-fit"
    title = "This does not fit the booked minutes."

    def __init__(self, *problems: FieldProblem, offers: tuple[Offer, ...] = ()) -> None:
        super().__init__(*problems)
        self.offers = offers

    def offering(self, offers: tuple[Offer, ...]) -> Self:
        """The same refusal with the smallest changes that would do."""
        return type(self)(*self.problems, offers=offers)
