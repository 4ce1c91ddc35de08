"""The questions of an intake, read once: in the client's words, each with the reason why it is asked."""

import tomllib
from functools import cache
from importlib import resources
from typing import Literal

from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.catalogue.rules import Heading
from mellow_tide.core.meeting.answers import Answers

QuestionKind = Literal[
    "line", "words", "year", "height", "date", "choice", "conditions", "places", "depths", "consents"
]


class AnswerOption(Record):
    """One answer to choose, and how it reads."""

    value: str
    reads: str


class Row(Record):
    """Regions that a client names as one, and how."""

    reads: str
    regions: tuple[str, ...]


class IntakeQuestion(Record):
    """A question: which answer it fills, how it is asked, and why. `heading` groups conditions;
    `rows` are what is asked one by one.

    `if_pregnant`: asked only of somebody who is.
    """

    field: str
    kind: QuestionKind
    asks: str
    why: str
    heading: Heading | None = None
    options: tuple[AnswerOption, ...] = ()
    rows: tuple[Row, ...] = ()
    if_pregnant: bool = False


class IntakeSection(Record):
    """A few questions that stand on one page of the form."""

    id: str
    title: str
    says: str = ""
    questions: tuple[IntakeQuestion, ...]


@cache
def read_sections() -> tuple[IntakeSection, ...]:
    """All sections, in order. Raises ValueError for a question that no answer belongs to."""
    text = (resources.files("mellow_tide.core.meeting") / "intake.toml").read_text(encoding="utf-8")
    sections = tuple(IntakeSection.model_validate(entry) for entry in tomllib.loads(text)["sections"])
    strays = [
        q.field for section in sections for q in section.questions if q.field not in Answers.model_fields
    ]
    if strays:
        raise ValueError(f"intake.toml: no answer is called {', '.join(strays)}")
    return sections
