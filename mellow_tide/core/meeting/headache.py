"""A headache: where, since when, how. Three answers lead to the routine, every other one to no session."""

import tomllib
from functools import cache
from importlib import resources
from typing import Literal

from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.flow.brief import ClientFacts

USUAL, WARNING = "headache_usual", "headache_warning"
BY_GRAVITY = (USUAL, WARNING, "head_injury", "sudden_headache")
"""The conditions that answers lead to, the gravest last."""


class Headache(Record):
    """What was answered about a headache, by the values of `headache.toml`."""

    where: Literal["back", "front", "one_side", "elsewhere"]
    since: Literal["known", "sudden", "blow", "new", "pregnancy"]
    how: Literal["dull", "speech", "fever", "neck", "otherwise"]


class HeadacheOption(Record):
    """One answer: its value, how it reads, and the condition that it means."""

    value: str
    reads: str
    means: str


class HeadacheQuestion(Record):
    """A question of the three."""

    id: Literal["where", "since", "how"]
    asks: str
    options: tuple[HeadacheOption, ...]


@cache
def read_headache_questions() -> tuple[HeadacheQuestion, ...]:
    """The three questions, in order."""
    text = (resources.files("mellow_tide.core.meeting") / "headache.toml").read_text(encoding="utf-8")
    return tuple(HeadacheQuestion.model_validate(entry) for entry in tomllib.loads(text)["questions"])


def judge_headache(headache: Headache, facts: ClientFacts) -> str:
    """The id of the condition that a headache is: the gravest that an answer means.

    In a pregnancy, or within six weeks of a birth, no headache is the usual one. Common practice.
    """
    means = {
        option.means
        for question in read_headache_questions()
        for option in question.options
        if option.value == getattr(headache, question.id)
    }
    if facts.gestation_days is not None or "birth_within_six_weeks" in facts.conditions:
        means.add(WARNING)
    return max(means, key=BY_GRAVITY.index)
