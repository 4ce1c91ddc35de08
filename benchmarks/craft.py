"""What plans are like, beside what practitioners do by the clock: over random clients and briefs of each kind.

The figures to reach are common practice, found by laying plans beside hours of practitioners. No figure here is a time.
"""

from collections.abc import Callable, Iterable, Iterator, Sequence
from dataclasses import dataclass
from itertools import pairwise, takewhile
from random import Random
from statistics import median, quantiles

from benchmarks.figure import Figure
from mellow_tide.core.flow.brief import Brief, ClientFacts
from mellow_tide.core.flow.flow import Flow, Part
from mellow_tide.core.planner.plan import plan
from mellow_tide.core.refusal import DoesNotFit
from mellow_tide.core.timing.run_sheet import Entry, RunSheet
from tests.settings import CATALOGUE, setting

CLIENTS = 200
"""Random clients and briefs of each kind."""

SEED = 20_301

AGREED = frozenset(CATALOGUE.consents) - {"abdomen"}

STRONG_HERE = ("back", "shoulders", "hips", "thigh_back", "thigh_front", "lower_leg_back")
"""Where a firm wish means depth 4."""

WORKED_OVER = ("thigh_back", "thigh_front", "lower_leg_back", "lower_leg_front", "arm")
THUMBS = ("thumb", "reinforced_thumb")


@dataclass(frozen=True)
class Planned:
    """A plan that was made, and what for."""

    brief: Brief
    flow: Flow
    sheet: RunSheet

    @property
    def strokes(self) -> list[Entry]:
        """The strokes by the clock."""
        return [entry for entry in self.sheet.entries if entry.kind == "stroke"]

    @property
    def work(self) -> list[Part]:
        """The parts between the first contact and the close."""
        return [part for part in self.flow.parts if part.role == "work"]

    def share(self, wanted: Callable[[Entry], bool], among: Callable[[Entry], bool] = bool) -> float:
        """Percent of the stroke time, or of the strokes `among` which it is asked, that is `wanted`."""
        here = [entry for entry in self.strokes if among(entry)]
        return 100 * _seconds(e for e in here if wanted(e)) / max(1, _seconds(here))


@dataclass(frozen=True)
class Kind:
    """A kind of session with its minutes, and what percent of it may lie between strokes."""

    name: str
    kind: str
    minutes: int
    between: float
    area: str | None = None


KINDS = (
    Kind("full body 60", "full_body", 60, 16),
    Kind("full body 75", "full_body", 75, 14),
    Kind("full body 90", "full_body", 90, 12),
    Kind("full body 120", "full_body", 120, 9),
    Kind("side-lying 60", "side_lying", 60, 17),
    Kind("prenatal 60", "prenatal", 60, 17),
    Kind("back and neck 30", "focus", 30, 10, "back_and_neck"),
    Kind("chair 15", "chair", 15, 6),
)


def figures() -> Iterator[Figure]:
    """Measure this area. What is promised is a share, a count, or how many of the plans are so."""
    made = {kind.name: list(make_plans(kind)) for kind in KINDS}
    for kind in KINDS:
        shares = [_between(one) for one in made[kind.name]]
        yield _at_most(f"{kind.name}: between strokes", shares, "%", kind.between)
    whole = [one for kind in KINDS[:4] for one in made[kind.name]]
    firm = [one for one in whole if one.brief.pressure == "firm"]
    hours, longer = made["full body 60"], [one for kind in KINDS[1:4] for one in made[kind.name]]
    for regions, name in ((("arm", "hand"), "arms and hands"), (("foot",), "feet")):
        have = [100.0 * _has(one, regions) for one in whole if not set(regions) & set(one.brief.leave_out)]
        yield _mean_at_least(f"full body: plans with {name}", have, "%", 100)
    belly = [100.0 * _has(one, ("abdomen",)) for one in _with_belly()]
    yield _mean_at_most("full body: a belly that nobody wished", belly, "%", 0)
    bare = [100.0 * _is_bare(part) for one in whole for part in one.work if part.region in WORKED_OVER]
    yield _mean_at_most("legs and arms without kneading or specific work", bare, "%", 0)
    effleurage = [
        one.share(lambda e: CATALOGUE.strokes[e.stroke or ""].family == "effleurage") for one in whole
    ]
    yield _at_most("full body: effleurage of stroke time", effleurage, "%", 42)
    yield _at_most("full body: depth 1 of stroke time", [one.share(_is_lightest) for one in whole], "%", 8)
    chair = [one.share(_is_lightest) for one in made["chair 15"]]
    yield _at_most("chair: depth 1 of stroke time", chair, "%", 12)
    pressed = [
        one.share(lambda e: CATALOGUE.strokes[e.stroke or ""].family == "compression")
        for one in made["chair 15"]
        if not CATALOGUE.schools[one.brief.school].asks_headache
    ]
    yield _at_least("chair, not for a headache: compression of stroke time", pressed, "%", 25)
    thumbs = [one.share(lambda e: e.tool in THUMBS) for one in whole]
    yield _at_least("full body: thumbs of stroke time", thumbs, "%", 4)
    strong = [
        one.share(lambda e: (e.depth or 0) >= 4, lambda e: e.region in STRONG_HERE and e.role == "work")
        for one in firm
    ]
    yield _at_least("firm wish: depth 4 where it may be", strong, "%", 30)
    for plans, name, most in (
        ([one for one in hours if one.brief.pressure == "medium"], "60 minutes, medium", 6),
        ([one for one in hours if one.brief.pressure == "firm"], "60 minutes, firm", 7),
        (made["full body 90"], "90 minutes", 8),
    ):
        yield _at_most(f"{name}: questions about pressure", [_questions(one) for one in plans], "times", most)
    yield _at_most(
        "full body: the same stroke twice running", [_twice_running(one) for one in whole], "times", 0
    )
    yield _at_least("full body 60: different strokes", [_different(one) for one in hours], "strokes", 28)
    yield _at_least(
        "full body 75 and more: different strokes", [_different(one) for one in longer], "strokes", 32
    )
    table = [one for kind in KINDS[:6] for one in made[kind.name]]
    begun = [100.0 * (60 <= seconds <= 180) for one in table for seconds in _dry_seconds(one)]
    yield _mean_at_least("an hour and more: backs with 60 to 180 s before their oil", begun, "%", 100)
    late = [_asked_late(one) for kind in KINDS for one in made[kind.name]]
    yield _at_most("questions in the last five minutes", late, "times", 0)
    yield _mean_at_most("strokes in no plan, besides those by wish", [_unused(made.values())], "strokes", 6)


def make_plans(kind: Kind, clients: int = CLIENTS) -> Iterator[Planned]:
    """Plans for random clients who agree to all but the belly, and whom nothing forbids anything."""
    random = Random(f"{SEED} {kind.name}")
    for _ in range(clients):
        yield from _planned(_brief(random, kind), _client(random, AGREED))


def _with_belly() -> Iterator[Planned]:
    """Full bodies of clients who say yes to the belly, too, but do not wish it."""
    random = Random(f"{SEED} belly")
    for _ in range(CLIENTS):
        brief = _brief(random, random.choice(KINDS[:4]))
        if "abdomen" not in brief.focus:
            yield from _planned(brief, _client(random, AGREED | {"abdomen"}))


def _planned(brief: Brief, client: ClientFacts) -> Iterator[Planned]:
    here = setting(client, CATALOGUE)
    try:
        flow = plan(brief, here).flow
    except DoesNotFit:
        return
    yield Planned(brief, flow, here.lay_out(flow))


def _brief(random: Random, kind: Kind) -> Brief:
    schools = [school for school in CATALOGUE.schools.values() if school.kind == kind.kind]
    school = random.choice(sorted(schools, key=lambda one: one.id))
    regions = sorted({id for block in school.blocks for id in block.regions()} - {"abdomen"})
    return Brief(
        kind=kind.kind,
        school=school.id,
        area=kind.area,
        booked_minutes=kind.minutes,
        focus=tuple(random.sample(regions, random.choice((0, 0, 1)))) if kind.area is None else (),
        close_with="seated" if kind.kind == "chair" else random.choice(("head", "feet", "whole")),
        pressure=random.choice(("medium", "medium", "firm")) if kind.kind != "prenatal" else "medium",
    )


def _client(random: Random, consents: frozenset[str]) -> ClientFacts:
    return ClientFacts(
        consents=consents, height_cm=random.randint(155, 195), breaths_per_minute=random.randint(10, 16)
    )


def _seconds(entries: Iterable[Entry]) -> int:
    return sum(entry.seconds for entry in entries)


def _between(one: Planned) -> float:
    return 100 * (1 - _seconds(one.strokes) / one.sheet.seconds)


def _has(one: Planned, regions: Sequence[str]) -> bool:
    return set(regions) <= {part.region for part in one.work}


def _is_bare(part: Part) -> bool:
    return not any(step.slot in ("knead", "specific") for step in part.steps)


def _is_lightest(entry: Entry) -> bool:
    return entry.depth == 1


def _questions(one: Planned) -> int:
    return sum(entry.asks or entry.kind == "check_in" for entry in one.sheet.entries)


def _dry_seconds(one: Planned) -> Iterator[int]:
    """By part of the back, the seconds of dry work that it begins with, an opening right before it included."""
    worked = [entry for entry in one.strokes if entry.stroke != "resting_hold"]
    for begins, entry in enumerate(worked):
        if entry.role == "work" and entry.region == "back" and worked[begins - 1].part != entry.part:
            before = takewhile(lambda e: e.role == "open" and e.region == "back", reversed(worked[:begins]))
            dry = takewhile(lambda e: e.slot == "dry", worked[begins:])
            yield _seconds(before) + _seconds(dry)


def _asked_late(one: Planned) -> int:
    asking = [entry for entry in one.sheet.entries if entry.asks or entry.kind == "check_in"]
    return sum(entry.start > one.sheet.seconds - 300 for entry in asking)


def _twice_running(one: Planned) -> int:
    """How often the next stroke is the same with the same tool at the same depth."""
    return sum(
        (a.stroke, a.tool, a.depth, a.zone, a.part) == (b.stroke, b.tool, b.depth, b.zone, b.part)
        for a, b in pairwise(one.strokes)
    )


def _different(one: Planned) -> int:
    return len({entry.stroke for entry in one.strokes})


def _unused(made: Iterable[list[Planned]]) -> int:
    used = {entry.stroke for plans in made for one in plans for entry in one.strokes}
    wanted = {one.id for one in CATALOGUE.strokes.values() if one.use != "wish" and one.family != "labour"}
    return len(wanted - used)


def _figure(
    name: str, values: Sequence[float], unit: str, to_reach: float, value: float, holds: bool
) -> Figure:
    p95 = quantiles(values, n=20)[-1] if len(values) > 2 else max(values)
    ratio = value / to_reach if to_reach else value
    return Figure(name, value, p95, unit, "what to reach", ratio, to_reach, None, holds)


def _at_most(name: str, values: Sequence[float], unit: str, most: float) -> Figure:
    return _figure(name, values, unit, most, median(values), median(values) <= most)


def _at_least(name: str, values: Sequence[float], unit: str, least: float) -> Figure:
    return _figure(name, values, unit, least, median(values), median(values) >= least)


def _mean_at_most(name: str, values: Sequence[float], unit: str, most: float) -> Figure:
    mean = sum(values) / len(values)
    return _figure(name, values, unit, most, mean, mean <= most)


def _mean_at_least(name: str, values: Sequence[float], unit: str, least: float) -> Figure:
    mean = sum(values) / len(values)
    return _figure(name, values, unit, least, mean, mean >= least)
