"""Planning, first and again, beside laying the plan out on the clock; and beside CP-SAT on the same question.

First: nothing is known of the school yet, its table of orders is made anew; strokes are kept from other plans. Again: a
minute more, the table at hand. On a new server: nothing at all is kept.
"""

import sys
from collections.abc import Callable, Iterator
from dataclasses import dataclass, field

from benchmarks.figure import Figure, Taken, figure, milliseconds
from benchmarks.long_flow import CLIENT
from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.house.house import DEFAULTS
from mellow_tide.core.flow.brief import Brief, ClientFacts
from mellow_tide.core.planner.adjust import adjust
from mellow_tide.core.planner.choice.choice import no_deadline
from mellow_tide.core.planner.choice.chosen import choose
from mellow_tide.core.planner.order import order, order_table
from mellow_tide.core.planner.plan import plan
from mellow_tide.core.planner.question.asked import Asked
from mellow_tide.core.planner.question.question import pose_question
from mellow_tide.core.planner.table.replan_table import make_replan_table
from mellow_tide.core.timing.run_sheet import lay_out
from mellow_tide.core.timing.transitions import approach
from tests.external.discretised import model_of, solved_by_cp_sat
from tests.settings import CATALOGUE, setting

PRESSURES = ("light", "medium", "firm")
SOLVER_SECONDS, SOLVER_WORKERS = 60, 8
LEAST_RATIO, MEDIAN_RATIO = 10, 50
"""How many times CP-SAT's seconds a plan is promised to be faster, on every question and at the median."""


@dataclass(frozen=True)
class Kind:
    """A kind of session with the promised 95th percentiles of its first plan and of planning again, in ms.

    `solved` are the places of the briefs that CP-SAT is given too.
    """

    name: str
    first: float
    again: float
    briefs: list[Brief]
    client: ClientFacts = CLIENT
    solved: tuple[int, ...] = field(default=(0, 4))


def _briefs(minutes: tuple[int, ...], focuses: tuple[tuple[str, ...], ...], **fields: str) -> list[Brief]:
    return [
        Brief.model_validate({"booked_minutes": m, "focus": focus, "pressure": pressure, **fields})
        for m in minutes
        for focus in focuses
        for pressure in PRESSURES
    ]


PREGNANT = CLIENT.model_copy(update={"gestation_days": 190})
FOCUSES = ((), ("neck",), ("hips", "foot"), ("back",))
CHAIR = {"kind": "chair", "school": "chair_downwards", "close_with": "seated"}

KINDS = [
    Kind("chair", 15, 10, _briefs((10, 15, 20, 30), ((), ("neck",)), **CHAIR)),
    Kind(
        "side-lying",
        50,
        50 / 3,
        _briefs((60, 75, 90), ((), ("back",), ("hips",)), kind="side_lying", school="side_by_side"),
    ),
    Kind(
        "prenatal, two turns",
        250,
        250 / 3,
        _briefs((45, 60, 75), ((), ("back",), ("hips",)), kind="prenatal", school="left_side_first"),
        PREGNANT,
    ),
    Kind("full body, 90 min, back outwards", 200, 200 / 3, _briefs((90,), FOCUSES)),
    Kind("full body, 90 min, feet upwards", 200, 200 / 3, _briefs((90,), FOCUSES, school="feet_upwards")),
    Kind("full body, 90 min, head downwards", 200, 200 / 3, _briefs((90,), FOCUSES, school="head_downwards")),
    Kind("full body, 60 min", 200, 200 / 3, _briefs((60,), FOCUSES), solved=()),
    Kind("full body, 120 min", 200, 200 / 3, _briefs((120,), FOCUSES), solved=()),
]


def figures() -> Iterator[Figure]:
    """Measure this area; all times in ms."""
    catalogue = CATALOGUE
    solved: list[float] = []
    for kind in KINDS:
        flow = plan(kind.briefs[0], setting(kind.client, catalogue)).flow
        layout = milliseconds(lambda flow=flow: lay_out(flow, catalogue), 50)
        new, first, again = [], [], []
        for brief in kind.briefs:
            new += _planning(brief, kind, _forget_all)
        for brief in kind.briefs:
            first += _planning(brief, kind, _forget)
            other = brief.model_copy(update={"booked_minutes": brief.booked_minutes + 1})
            again += _planning(other, kind)
        yield figure(f"planner: {kind.name}, first plan", first, "laying it out", layout, target=kind.first)
        yield figure(f"planner: {kind.name}, again", again, "laying it out", layout, target=kind.again)
        yield figure(f"planner: {kind.name}, on a new server", new, "laying it out", layout)
        for place in kind.solved:
            ours, theirs = _beside_cp_sat(kind, kind.briefs[place], catalogue)
            solved.append(theirs / ours)
            name = f"planner: {kind.name}, {kind.briefs[place].booked_minutes} min, CP-SAT"
            yield figure(name, [theirs, theirs], "ours, first", [ours], least_ratio=LEAST_RATIO)
    yield figure("planner: CP-SAT, all questions", solved, "ours, first", [1.0], least_ratio=MEDIAN_RATIO)
    yield from _of_one_plan(catalogue)


def _planning(brief: Brief, kind: Kind, before: Callable[[], None] = lambda: None) -> list[Taken]:
    before()
    return milliseconds(lambda: plan(brief, setting(kind.client, CATALOGUE)), 1)


def _forget() -> None:
    order.find_cheapest_order.cache_clear()
    order_table.make_order_table.cache_clear()
    approach.cache_clear()


def _forget_all() -> None:
    """Empty everything that the planner keeps from one question to the next."""
    _forget()
    for name, module in list(sys.modules.items()):
        if name.startswith("mellow_tide.core.planner."):
            for kept in vars(module).values():
                if hasattr(kept, "cache_clear"):
                    kept.cache_clear()


def _beside_cp_sat(kind: Kind, brief: Brief, catalogue: Catalogue) -> tuple[float, float]:
    """Ms that we and CP-SAT take for the same question, from posing it to a proven set, order and minutes.

    Laying strokes, which CP-SAT is not asked for, is left out on our side too.
    """
    asked = Asked.of(brief, setting(kind.client, catalogue, DEFAULTS, None))

    def theirs() -> None:
        solved_by_cp_sat(model_of(pose_question(asked), catalogue), SOLVER_SECONDS, SOLVER_WORKERS)

    def ours() -> None:
        chosen = choose(asked, no_deadline)
        order.find_cheapest_order(frozenset(chosen.choice.regions), chosen.question.way, asked.catalogue)

    _forget()
    return milliseconds(ours, 1)[0], milliseconds(theirs, 1)[0]


def _of_one_plan(catalogue: Catalogue) -> Iterator[Figure]:
    """What else is made of a plan: the closest one for other minutes, and the tables for the table's side."""
    brief = Brief(booked_minutes=75, focus=("back",))
    present = plan(brief, setting(CLIENT, catalogue))
    shorter = brief.model_copy(update={"booked_minutes": 63})
    planned = milliseconds(lambda: plan(shorter, setting(CLIENT, catalogue)), 20)
    fitted = milliseconds(lambda: adjust(present, shorter, setting(CLIENT, catalogue)), 20)
    yield figure("planner: fit 75 minutes to 63", fitted, "planning them anew", planned)
    tables = milliseconds(lambda: make_replan_table(present.flow, (), setting(CLIENT, catalogue)), 5)
    yield figure("planner: tables for the table's side, 75 min", tables, "planning it", planned)
