"""Refusals: bad input said so that it can be mended."""

from dataclasses import dataclass


@dataclass(frozen=True)
class FieldProblem:
    """One thing that is wrong: where (`field`, a dotted path), what, and how to mend it."""

    field: str
    what: str
    remedy: str


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
