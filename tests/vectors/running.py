"""Sessions under way, and what the table's side makes of them."""

from dataclasses import asdict
from datetime import UTC, datetime, timedelta
from random import Random

from mellow_tide.core.flow.brief import Brief
from mellow_tide.core.planner.plan import plan
from mellow_tide.core.planner.table.replan_table import make_replan_table
from mellow_tide.core.run.state import Addition, RunState, Skip
from mellow_tide.core.tableside import labour, progress, schedule
from mellow_tide.core.tableside.bending import bend
from mellow_tide.core.tableside.past import pass_left_out
from mellow_tide.core.timing.run_sheet import lay_out
from mellow_tide.core.timing.ways import find_ways
from tests.core.flows import CLIENT
from tests.settings import CATALOGUE, setting

READ = (
    "part",
    "part_id",
    "address",
    "role",
    "region",
    "side",
    "kind",
    "slot",
    "seconds",
    "working",
    "about",
    "about_side",
)
"""What the table's side reads of an entry."""

BRIEFS = {
    "short whole": Brief(booked_minutes=30, focus=("foot",)),
    "labour": Brief(kind="labour_support", school="between_and_during", booked_minutes=60),
}
BEGAN = datetime(2026, 5, 4, 9, 0, tzinfo=UTC)


def vectors():
    """By name: the sheet, the tables and the ways of a session, and what is so in several states of its run."""
    return {name: _session(brief, Random(name)) for name, brief in BRIEFS.items()}


def _session(brief, random):
    flow = plan(brief, setting(CLIENT)).flow
    sheet = lay_out(flow, CATALOGUE)
    tables = make_replan_table(flow, (), setting(CLIENT))
    ways = find_ways(flow, CATALOGUE)
    return {
        "sheet": {
            "seconds": sheet.seconds,
            "hands_on_seconds": sheet.hands_on_seconds,
            "open_ended": sheet.open_ended,
            "entries": [{key: asdict(entry)[key] for key in READ} for entry in sheet.entries],
        },
        "tables": tables.model_dump(mode="json"),
        "ways": [way.model_dump(mode="json") for way in ways],
        "cases": [_case(sheet, tables, ways, random) for _ in range(16)],
    }


def _case(sheet, tables, ways, random):
    now = BEGAN + timedelta(seconds=random.randrange(30, 2400))
    run = _state(sheet, random, now)
    total, keep = random.randrange(300, 2400), random.choice(((), ("foot",), ("back",)))
    bent = bend(tables, sheet, run, (total, now.timestamp()), keep)
    if bent and bent.seconds and random.random() < 0.5:
        run = run.model_copy(update={"allotted": bent.seconds, "total": total})
        bent = bend(tables, sheet, run, (total - 120, now.timestamp()), keep)
        total -= 120
    starts_at = BEGAN - timedelta(seconds=random.randrange(0, 1500))
    at = now.timestamp()
    on = schedule.find_neighbour(sheet, run, 1)
    return {
        "run": run.model_dump(mode="json"),
        "now": now.isoformat(),
        "starts_at": starts_at.isoformat(),
        "first_touch_seconds": 360,
        "total": total,
        "keep": keep,
        "expected": {
            "seconds": [seconds for _, seconds in schedule.schedule(sheet, run)],
            "on": on,
            "back": schedule.find_neighbour(sheet, run, -1),
            "leaves": schedule.leaves(sheet, run.entry, on),
            "owed": [entry.address for entry in schedule.find_owed(sheet, run)],
            "elapsed": progress.elapsed(run, at),
            "behind": progress.behind(run, sheet, at),
            "still_needed": progress.still_needed(run, sheet, at),
            "seconds_left": progress.seconds_left(run, sheet, at),
            "water_level": progress.water_level(run, sheet, at),
            "progress": progress.progress(run, sheet),
            "begun_late": progress.begun_late(run, sheet, starts_at.timestamp() + 360, at),
            "past": [(entry.kind, entry.seconds) for entry in pass_left_out(sheet, run.allotted, ways)],
            "bent": bent and bent.model_dump(mode="json"),
            "during": labour.find_during(sheet, run),
            "round_start": labour.find_round_start(sheet),
            "round_over": labour.is_round_over(sheet, run),
        },
    }


def _state(sheet, random, now):
    """A run in which anything may have been: time taken, a pause, strokes skipped, a region beside the plan."""
    at = random.randrange(len(sheet.entries))
    before = [sheet.entries[i] for i in range(at + 1)]
    last_at = now - timedelta(seconds=random.choice((0, 5, 40)))
    skipped = [
        Skip(part_id=entry.part_id, entries=(entry.address,), reason=random.choice(("", "ticklish")))
        for entry in random.sample(sheet.entries, 2)
    ]
    added = Addition(part_id="more-hand", region="hand", side="left", seconds=120, entry=at)
    beside = random.random() < 0.25
    return RunState(
        begun_at=BEGAN,
        last_at=last_at,
        paused_at=last_at if random.random() < 0.25 else None,
        paused=random.choice((0, 0, 25.5)),
        entry=at,
        taken={entry.part_id: random.randrange(20, 300) for entry in before},
        skipped=skipped if random.random() < 0.5 else (),
        added=(added,) if beside else (),
        adding="more-hand" if beside else None,
    )
