"""Refusals: bad input said so that it can be mended."""

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Self

from mellow_tide.core.phrases.book import say


@dataclass(frozen=True, init=False)
class FieldProblem:
    """One thing that is wrong: where (`field`, a dotted path), and which of the book's problems, with its data."""

    field: str
    code: str
    data: Mapping[str, object]

    def __init__(self, field: str, code: str, **data: object) -> None:
        object.__setattr__(self, "field", field)
        object.__setattr__(self, "code", code)
        object.__setattr__(self, "data", data)

    @property
    def what(self) -> str:
        """What is wrong, in words."""
        return say(f"problems.{self.code}.what", **self.data)

    @property
    def remedy(self) -> str:
        """How to mend it, in words."""
        return say(f"problems.{self.code}.remedy", **self.data)

    @property
    def sentence(self) -> str:
        """Both, as one sentence."""
        return f"{self.what[0].upper()}{self.what[1:]}: {self.remedy}."


@dataclass(frozen=True)
class Offer:
    """A change of the brief that would do: what it is in words, and the fields that change with their new values."""

    says: str
    change: Mapping[str, object]


class Refused(Exception):
    """Input the core will not take. `problems` is never empty; nothing has been changed.

    `code` is a stable id; what it is called stands in the book of phrases.
    """

    code = "refused"

    def __init__(self, *problems: FieldProblem) -> None:
        super().__init__("; ".join(f"{p.field}: {p.what}" for p in problems))
        self.problems = problems

    @property
    def title(self) -> str:
        """What was refused, in one plain sentence."""
        return say(f"refusals.{self.code}.title")


class UnknownReference(Refused):
    """An id that the catalogue does not know."""

    code = "unknown-reference"


class BadBrief(Refused):
    """A brief that contradicts itself."""

    code = "bad-brief"


class BadFlow(Refused):
    """A flow that no hands could follow: unreachable region, passes out of range."""

    code = "bad-flow"


class NoSession(Refused):
    """A stop sign: nothing is planned; the client is referred."""

    code = "no-session"


class PlaceMissing(Refused):
    """A condition is somewhere, and nobody has told where: nothing is planned before that."""

    code = "place-missing"


class DoesNotFit(Refused):
    """A brief or flow whose minutes cannot be met."""

    code = "does-not-fit"

    def __init__(self, *problems: FieldProblem, offers: tuple[Offer, ...] = ()) -> None:
        super().__init__(*problems)
        self.offers = offers

    def offering(self, offers: tuple[Offer, ...]) -> Self:
        """The same refusal with the smallest changes that would do."""
        return type(self)(*self.problems, offers=offers)
