"""Changes of a session that spare the therapist's hands, found by trying each, with what the client would notice."""

from collections import Counter
from collections.abc import Iterator, Sequence
from contextlib import suppress
from itertools import islice
from typing import NamedTuple

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.checks.check import make_case
from mellow_tide.core.checks.engine import run_checks_untried
from mellow_tide.core.flow.brief import Brief
from mellow_tide.core.flow.edits import ChangeStep, Edit, RemoveStep, apply
from mellow_tide.core.flow.flow import Flow
from mellow_tide.core.hands.load import DayLoad, HandLoad, measure_day_load, measure_hand_load
from mellow_tide.core.hands.self_check import SelfCheck
from mellow_tide.core.hands.strain import HAZARDOUS
from mellow_tide.core.phrases.book import say
from mellow_tide.core.planner.alternatives import list_variants
from mellow_tide.core.planner.plan import plan
from mellow_tide.core.planner.strokes.rituals import meet_the_minutes
from mellow_tide.core.refusal import Refused
from mellow_tide.core.setting import Setting

NOTICEABLE = 0.02
"""Least relief worth a change: so much of the day's thumb budget or of the hazardous strain (from experience)."""

KEEPS = {"tool": 1.0, "depth": 0.8, "order": 0.6, "without": 0.5}
"""How much of the hour a change keeps: another tool all, a stroke left out half of it (from experience)."""

TRIED_AT_MOST = 12
"""Strokes of a session that are tried, those that ask most of the hands."""


ORDERS_TRIED = 2


class Easing(Record):
    """A change of a session: what to do, what the client would notice, and what the session asks of the hands then.

    What to do is either `edits` or to plan it anew for `brief`. `keeps`: how much of the
    client's hour it keeps, 0 to 1, by which its relief counts; `seconds`: at the table.
    """

    keeps: float
    words: str
    notice: str
    hands: HandLoad
    seconds: int
    edits: tuple[Edit, ...] = ()
    brief: Brief | None = None


class _Use(NamedTuple):
    stroke: str
    tool: str
    depth: int


def list_easings(flow: Flow, setting: Setting) -> Iterator[Easing]:
    """Every change that lowers what the session asks of the hands and leaves it as safe as it is.

    Tried are easier tools, one level less depth, and leaving a stroke out, where the closing hold takes up what that
    frees; and the session in another order. The order of sessions and the gaps between them change neither index.
    """
    before, faults = make_case(flow, setting).load, _faults(flow, setting)
    for one in (*_edited(flow, setting), *_in_other_orders(flow, setting)):
        sheet = setting.lay_out(one.flow)
        after = measure_hand_load(sheet, setting.catalogue)
        eased = after.thumb_seconds < before.thumb_seconds or after.strain < before.strain
        if eased and _faults(one.flow, setting) <= faults:
            yield Easing(
                keeps=KEEPS[one.kind],
                words=one.words,
                notice=one.notice,
                hands=after,
                seconds=sheet.seconds,
                edits=one.edits,
                brief=one.flow.brief if one.kind == "order" else None,
            )


def relief(before: DayLoad, after: DayLoad) -> float:
    """How much lighter a day is: of its thumb budget and of the hazardous strain, added up. 0 is nothing."""
    thumbs = (before.thumb_seconds - after.thumb_seconds) / max(before.thumb_budget_seconds, 60)
    return thumbs + (before.strain - after.strain) / HAZARDOUS


def load_with(
    day: Sequence[tuple[HandLoad, int]], place: int, easing: Easing, check: SelfCheck | None = None
) -> DayLoad:
    """The load of a day whose session at `place` is changed; sessions and `check` as `measure_day_load` has them."""
    return measure_day_load([*day[:place], (easing.hands, easing.seconds), *day[place + 1 :]], check)


class _Change(NamedTuple):
    kind: str
    words: str
    notice: str
    flow: Flow
    edits: tuple[Edit, ...] = ()


def _edited(flow: Flow, setting: Setting) -> Iterator[_Change]:
    for use in _uses(flow, setting.catalogue)[:TRIED_AT_MOST]:
        for kind, words, notice, edits in _changes(flow, use, setting.catalogue):
            with suppress(Refused):
                changed = meet_the_minutes(apply(flow, edits), setting)
                yield _Change(kind, words, notice, changed, edits)


def _in_other_orders(flow: Flow, setting: Setting) -> Iterator[_Change]:
    """The session planned anew in another school of its kind, or begun in another position."""
    schools, positions, brief = setting.catalogue.schools, setting.catalogue.positions, flow.brief
    alike = (
        one
        for one in list_variants(brief, setting.catalogue)
        if schools[one.school].asks_headache == schools[brief.school].asks_headache
    )
    for other in islice(alike, ORDERS_TRIED):
        first = other.first_position
        name = (
            schools[other.school].name
            if first is None
            else say("easing.first", position=positions[first].name)
        )
        with suppress(Refused):
            made = plan(other, setting).flow
            yield _Change("order", say("easing.order", order=name), say("easing.notice_order"), made)


def _uses(flow: Flow, catalogue: Catalogue) -> list[_Use]:
    """Strokes with tool and depth as they occur in the work, those with the most loading tool and depth first."""
    found = dict.fromkeys(
        _Use(step.stroke, step.tool, step.depth)
        for part in flow.parts
        if part.role == "work"
        for step in part.steps
        if not step.point
    )
    return sorted(found, key=lambda use: (-catalogue.tools[use.tool].load_rank, -use.depth))


def _changes(flow: Flow, use: _Use, catalogue: Catalogue) -> Iterator[tuple[str, str, str, tuple[Edit, ...]]]:
    stroke, tool = catalogue.strokes[use.stroke], catalogue.tools[use.tool]
    places = [
        (part.id, at, len(part.steps))
        for part in flow.parts
        if part.role == "work"
        for at, step in enumerate(part.steps)
        if (step.stroke, step.tool, step.depth) == use and not step.point
    ]
    for other in (catalogue.tools[id] for id in catalogue.planned_strokes[use.stroke].tools):
        if other.load_rank < tool.load_rank:
            words = say("easing.tool", tool=other.name, stroke=stroke.name, instead=tool.name)
            edits = tuple(ChangeStep(part_id=id, step=at, tool=other.id) for id, at, _ in places)
            yield "tool", words, say(f"easing.notice_{other.id}"), edits
    if use.depth > max(2, stroke.depth[0]):
        words = say("easing.depth", stroke=stroke.name, tool=tool.name, depth=use.depth - 1)
        lighter = tuple(ChangeStep(part_id=id, step=at, depth=use.depth - 1) for id, at, _ in places)
        yield "depth", words, say("easing.notice_lighter"), lighter
    # From behind, so that the places before stay what they are; a part keeps a stroke.
    own = Counter(id for id, _, _ in places)
    gone = tuple(RemoveStep(part_id=id, step=at) for id, at, count in reversed(places) if own[id] < count)
    if gone:
        words = say("easing.without", stroke=stroke.name, tool=tool.name)
        yield "without", words, say("easing.notice_without"), gone


def _faults(flow: Flow, setting: Setting) -> tuple[int, int]:
    """How many findings refuse a flow, and how many warn."""
    found = [finding.severity for finding in run_checks_untried(make_case(flow, setting))]
    return found.count("refuse"), found.count("caution")
