"""What a practice does with each field of a client's record: how it is merged, reviewed, printed, and named."""

from collections.abc import Iterator
from dataclasses import dataclass
from typing import Literal

from pydantic import BaseModel

from mellow_tide.core.phrases.manner import Measure

Group = Literal["who", "health", "own"]
MergeRule = Literal["first", "join", "rule"]


@dataclass(frozen=True, slots=True)
class FieldRule:
    """Stands in the annotation of a field of `ClientRecord`.

    `label`: its heading on the client’s own paper, under `group`; what is grouped `own` is printed by its own rule.
    `merge`: of two entries, `first` keeps what the kept one knows, `join` writes both with `between` between them, and
    `rule` is a rule of its own in `merging`. `bears_on_plan`: a change may change what a plan should be.
    `asked`: the answer of an intake is kept as it is; `about` heads it there, `means` says what it means for a session,
    and `grave` asks the therapist to ask. `measure`: a number of cm or kg, told as the practice measures.
    """

    label: str = ""
    group: Group = "who"
    merge: MergeRule = "first"
    between: str = "; "
    bears_on_plan: bool = False
    asked: bool = False
    about: str = ""
    means: str = ""
    grave: bool = False
    measure: Measure | None = None


def name_field(record: type[BaseModel], field: str) -> str:
    """What a field is called in a sentence: what its rule says, or else its own name."""
    rules = dict(read_field_rules(record))
    return (rules[field].about if field in rules else "") or field.replace("_", " ")


def read_field_rules(record: type[BaseModel]) -> Iterator[tuple[str, FieldRule]]:
    """Every field that has one, in the record's order."""
    for field, info in record.model_fields.items():
        for one in info.metadata:
            if isinstance(one, FieldRule):
                yield field, one
