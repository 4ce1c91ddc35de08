"""The planning question as one integer programme, for other solvers: which regions, in what order, how long.

Minutes lie on a grid of 15 s per side, the close on one of 1 s. The order is a path through states: a state is a row of
a block and a scene, a step works a subset of the row's regions. The cheapest way through a row is found here by trying
all of its orders.
"""

from dataclasses import dataclass, field
from functools import cache
from itertools import combinations, permutations

from mellow_tide.core.planner.order.legs import list_legs, set_up_ritual
from mellow_tide.core.planner.order.way import homes
from mellow_tide.core.planner.question.question import CLOSE, GRAIN
from mellow_tide.core.timing.scene import opening_scene
from mellow_tide.core.timing.transitions import approach


@dataclass
class Step:
    """From a state to another, working `regions` of block `block`, in so many seconds."""

    start: object
    end: object
    block: int
    regions: tuple[str, ...]
    seconds: int


@dataclass
class Model:
    """`steps` of the path from `source` to `sink`; per region the grid of (seconds of all sides, value)."""

    steps: list[Step] = field(default_factory=list)
    grids: dict[str, list[tuple[int, float]]] = field(default_factory=dict)
    must: frozenset[str] = frozenset()
    homes: dict[str, tuple[tuple[int, ...], ...]] = field(default_factory=dict)
    hands_on: int = 0
    source: object = "source"
    sink: object = "sink"


def model_of(question, catalogue):
    shares = {**question.shares, CLOSE: question.close}
    grids = {
        id: [
            (int(s.count * t), s.value(t))
            for t in range(int(s.least), int(s.most) + 1, 1 if id == CLOSE else GRAIN)
        ]
        for id, s in shares.items()
    }
    known = {id: homes(question.way, catalogue)[id] for id in question.shares}
    return Model(_steps(question, known, catalogue), grids, question.must, known, question.hands_on)


def _steps(question, known, catalogue):
    way = question.way
    blocks = way.blocks(catalogue)
    clothed = way.clothed(catalogue)

    @cache
    def walked(scene, visits):
        seconds = 0
        for visit in visits:
            changes, scene = approach(scene, visit, catalogue)
            seconds += sum(transition.seconds for transition, _ in changes)
        return seconds, scene

    @cache
    def through_row(scene, regions, position):
        """To each scene the row can end in: the fewest seconds, by trying every order of its legs."""
        ends = {}
        for order in permutations(list_legs(regions, position, clothed, catalogue)):
            seconds, end = walked(scene, tuple(visit for leg in order for visit in leg))
            ends[end] = min(seconds, ends.get(end, seconds))
        return ends

    steps, rows = [], [(b, row) for b, block in enumerate(blocks) for row in block.rows]
    # A state is the place of the next row, and the scene; before anything is worked there is no scene yet.
    waiting, seen = [(0, None)], {(0, None)}
    while waiting:
        at, scene = state = waiting.pop()
        if at == len(rows):
            if scene is not None:
                closing = set_up_ritual("close", catalogue.closings[way.closing], scene.position, catalogue)
                steps.append(Step(state, "sink", -1, (), walked(scene, (closing,))[0]))
            continue
        b, row = rows[at]
        position = blocks[b].position
        here = [id for id in row if id in known and any(b in home for home in known[id])]
        found = []
        for size in range(len(here) + 1):
            for regions in combinations(here, size):
                if not regions:
                    found.append(((at + 1, scene), (), 0))
                    continue
                begun, opened = scene, 0
                if scene is None:
                    opening = set_up_ritual("open", catalogue.openings[position], position, catalogue)
                    begun, opened = opening_scene(opening, catalogue), way.opening(b)
                for end, seconds in through_row(begun, regions, position).items():
                    found.append(((at + 1, end), regions, seconds + opened))
        for end, regions, seconds in found:
            steps.append(Step(state, end, b, regions, seconds))
            if end not in seen:
                seen.add(end)
                waiting.append(end)
    steps.append(Step("source", (0, None), -1, (), 0))
    return steps


def solved_by_cp_sat(model, seconds, workers=8):
    """Value and regions of the best plan that CP-SAT finds, and whether it has proven it."""
    from ortools.sat.python import cp_model

    m = cp_model.CpModel()
    taken = [m.new_bool_var(f"step {i}") for i in range(len(model.steps))]
    states = {s.start for s in model.steps} | {s.end for s in model.steps}
    for state in states - {model.source, model.sink}:
        goes_in = [v for v, s in zip(taken, model.steps, strict=True) if s.end == state]
        goes_out = [v for v, s in zip(taken, model.steps, strict=True) if s.start == state]
        m.add(sum(goes_in) == sum(goes_out))
    m.add(sum(v for v, s in zip(taken, model.steps, strict=True) if s.start == model.source) == 1)
    m.add(sum(v for v, s in zip(taken, model.steps, strict=True) if s.end == model.sink) == 1)
    worked, terms, used = {}, [], []
    for id, grid in model.grids.items():
        chosen = [m.new_bool_var(f"{id} {t}") for t, _ in grid]
        worked[id] = sum(chosen)
        m.add(worked[id] == 1) if id in (*model.must, CLOSE) else m.add_at_most_one(chosen)
        terms += [round(1e6 * value) * v for v, (_, value) in zip(chosen, grid, strict=True)]
        used += [t * v for v, (t, _) in zip(chosen, grid, strict=True)]
    for id, options in model.homes.items():
        at_home = [m.new_bool_var(f"{id} at {home}") for home in options]
        m.add(sum(at_home) == worked[id])
        for b in {b for home in options for b in home}:
            here = [v for v, s in zip(taken, model.steps, strict=True) if s.block == b and id in s.regions]
            m.add(sum(here) == sum(v for v, home in zip(at_home, options, strict=True) if b in home))
    between = [s.seconds * v for v, s in zip(taken, model.steps, strict=True)]
    m.add(sum(used) + sum(between) == model.hands_on)
    m.maximize(sum(terms))
    solver = cp_model.CpSolver()
    solver.parameters.max_time_in_seconds = seconds
    solver.parameters.num_workers = workers
    status = solver.solve(m)
    regions = {id for id, v in worked.items() if solver.value(v) and id != CLOSE}
    return solver.objective_value / 1e6, regions, status == cp_model.OPTIMAL


def solved_by_highs(model, seconds):
    """Value of the best plan that HiGHS finds, and whether it has proven it."""
    import highspy

    h = highspy.Highs()
    h.setOptionValue("output_flag", False)
    h.setOptionValue("time_limit", float(seconds))
    taken = [h.addBinary() for _ in model.steps]
    ins, outs = {}, {}
    for v, s in zip(taken, model.steps, strict=True):
        outs.setdefault(s.start, []).append(v)
        ins.setdefault(s.end, []).append(v)
    for state in (ins.keys() | outs.keys()) - {model.source, model.sink}:
        h.addConstr(h.qsum(ins.get(state, [])) == h.qsum(outs.get(state, [])))
    h.addConstr(h.qsum(outs[model.source]) == 1)
    h.addConstr(h.qsum(ins[model.sink]) == 1)
    worked, used, value = {}, [], []
    for id, grid in model.grids.items():
        chosen = [h.addBinary() for _ in grid]
        worked[id] = chosen
        if id in (*model.must, CLOSE):
            h.addConstr(h.qsum(chosen) == 1)
        else:
            h.addConstr(h.qsum(chosen) <= 1)
        used += [t * v for v, (t, _) in zip(chosen, grid, strict=True)]
        value += [w * v for v, (_, w) in zip(chosen, grid, strict=True)]
    for id, options in model.homes.items():
        at_home = [h.addBinary() for _ in options]
        h.addConstr(h.qsum(at_home) == h.qsum(worked[id]))
        for b in {b for home in options for b in home}:
            here = [v for v, s in zip(taken, model.steps, strict=True) if s.block == b and id in s.regions]
            there = [v for v, home in zip(at_home, options, strict=True) if b in home]
            h.addConstr(h.qsum(here) == h.qsum(there))
    between = [s.seconds * v for v, s in zip(taken, model.steps, strict=True)]
    h.addConstr(h.qsum(used) + h.qsum(between) == model.hands_on)
    h.maximize(h.qsum(value))
    proven = h.getModelStatus() == highspy.HighsModelStatus.kOptimal
    return h.getInfo().objective_function_value, proven
