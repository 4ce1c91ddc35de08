"""Ten thousand random clients: what their plans keep, and how long they take beside laying them out.

`./tide bench plans` or `--plans`. Not measured with the others, since it takes many minutes.
"""

from collections.abc import Iterator
from multiprocessing import Pool
from random import Random
from time import perf_counter

from benchmarks.figure import Figure, figure
from mellow_tide.core.planner.plan import plan
from mellow_tide.core.refusal import DoesNotFit
from mellow_tide.core.timing.run_sheet import lay_out
from mellow_tide.core.timing.tempo import tempo_of
from tests.core.askings import CATALOGUE, asking, broken, untrue
from tests.settings import setting

CLIENTS = 10_000
EACH = 250

Times = tuple[list[float], list[float]]


def figures() -> Iterator[Figure]:
    """Plan for all; raises with the seeds of those whose plans do not keep what they must. Times in ms."""
    planning: list[float] = []
    laying: list[float] = []
    wrong: list[str] = []
    with Pool() as pool:
        for done, (times, faults) in enumerate(pool.imap_unordered(_some, range(0, CLIENTS, EACH)), 1):
            planning += times[0]
            laying += times[1]
            wrong += faults
            print(f"\r{done * EACH} of {CLIENTS} clients, {len(wrong)} wrong", end="", flush=True)
    print()
    if wrong:
        raise SystemExit("\n".join(wrong))
    yield figure(
        f"plans: {CLIENTS} random clients, {len(planning)} of them with a plan",
        planning,
        "laying it out",
        laying,
    )


def _some(first: int) -> tuple[Times, list[str]]:
    planning, laying, wrong = [], [], []
    for seed in range(first, first + EACH):
        random = Random(seed)
        brief, client, house = asked = asking(random)
        wrong += [f"client {seed}: {fault}" for fault in (*broken(*asked), *untrue(random, *asked))]
        began = perf_counter()
        try:
            flow = plan(brief, setting(client, CATALOGUE, house)).flow
        except DoesNotFit:
            continue
        planned = perf_counter()
        lay_out(flow, CATALOGUE, tempo_of(client))
        planning.append(1000 * (planned - began))
        laying.append(1000 * (perf_counter() - planned))
    return (planning, laying), wrong
