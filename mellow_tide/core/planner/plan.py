"""From a brief to a plan: choice, order and minutes, then strokes, with what was left out and why."""

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.house import DEFAULTS, House, in_house, on_surface
from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.flow.brief import Brief, ClientFacts, check_brief
from mellow_tide.core.flow.flow import Flow, Step, Stop, Visit
from mellow_tide.core.planner.arc import Arc, after, fit_arc
from mellow_tide.core.planner.choice import Choice, Chooser, Deadline, no_deadline
from mellow_tide.core.planner.impossible import why_impossible
from mellow_tide.core.planner.labour import labour_flow
from mellow_tide.core.planner.left_out import LeftOut, left_out, rounded
from mellow_tide.core.planner.order import cheapest_order
from mellow_tide.core.planner.place import place_at
from mellow_tide.core.planner.question import FOCUS_FACTOR, GRAIN, Question, pose, touch_on
from mellow_tide.core.planner.rituals import closed, ritual_steps
from mellow_tide.core.timing.run_sheet import stop_seconds
from mellow_tide.core.timing.tempo import OwnPace, Tempo, tempo_of

FOCUS_TRIES = 14
"""How often the weight of a focus may grow until it gets its neutral share of the work."""


class Proof(Record):
    """Why the plan is best: `value` was reached, and no set that was not priced can pass `bound`.

    Only where a deadline came first is `bound` above `value`: so much better might another set be.
    """

    value: float
    bound: float
    sets_priced: int


class Plan(Record):
    """A flow that answers the brief, what it leaves out, and the proof of its choice; a labour is not chosen so."""

    flow: Flow
    left_out: tuple[LeftOut, ...]
    proof: Proof | None


def plan(
    brief: Brief,
    client: ClientFacts,
    catalogue: Catalogue,
    house: House = DEFAULTS,
    pace: OwnPace | None = None,
    deadline: Deadline = no_deadline,
) -> Plan:
    """The best flow for `brief` and `client`; its run sheet meets the hands-on minutes within 15 s.

    Both sides of a pair get the same strokes. Once `deadline()` is true the best set so far is taken. Raises
    `UnknownReference` or `BadBrief` for a brief that cannot be read, `NoSession` for a stop sign, `DoesNotFit` naming
    field and remedy where no flow meets the minutes.
    """
    check_brief(brief, catalogue)
    catalogue = on_surface(brief.surface, in_house(house, catalogue))
    tempo = tempo_of(client, pace)
    if catalogue.kinds[brief.kind].open_ended:
        return Plan(flow=labour_flow(brief, client, catalogue), left_out=(), proof=None)
    question, chooser, choice, minutes = _chosen(brief, client, catalogue, tempo, deadline)
    flow = _flow(brief, client, question, choice, minutes, catalogue, tempo)
    return Plan(
        flow=flow,
        left_out=left_out(brief, question, chooser, choice, minutes, catalogue),
        proof=Proof(value=choice.value, bound=choice.next_bound, sets_priced=choice.sets_priced),
    )


Chosen = tuple[Question, Chooser, Choice, dict[str, int]]


def _chosen(
    brief: Brief, client: ClientFacts, catalogue: Catalogue, tempo: Tempo, deadline: Deadline
) -> Chosen:
    """The best choice in which no focus falls short of its neutral share; each focus weighs more until that is so."""
    factors, tried = dict.fromkeys(brief.focus, FOCUS_FACTOR), 0
    while True:
        question = pose(brief, client, catalogue, tempo, factors)
        chooser = Chooser(question, catalogue)
        choice = chooser.best(deadline=deadline)
        if choice is None:
            raise why_impossible(brief, question, chooser, catalogue)
        minutes = rounded(question, choice)
        short = _short(brief, question, minutes, catalogue)
        tried += 1
        if tried == FOCUS_TRIES or not short or deadline():
            return question, chooser, choice, minutes
        factors |= {id: factors[id] * max(1.03, lacking**1.3) for id, lacking in short.items()}


def _short(
    brief: Brief, question: Question, minutes: dict[str, int], catalogue: Catalogue
) -> dict[str, float]:
    """The focus regions that get less, for their size, than what was not asked for.

    Each with how many times what it has that would be; half a grain on each side is not missed.
    """
    weights = catalogue.schools[brief.school].weights
    worked = {id: question.shares[id].count * seconds for id, seconds in minutes.items()}
    size = {
        id: catalogue.regions[id].share * catalogue.regions[id].side_count * weights.get(id, 1.0)
        for id in minutes
    }
    others = [id for id in minutes if id not in brief.focus]
    if not others:
        return {}
    part = sum(worked[id] for id in others) / sum(size[id] for id in others)
    spared = {id: GRAIN * question.shares[id].count / 2 for id in minutes}
    return {
        id: part * size[id] / worked[id]
        for id in brief.focus
        if worked[id] + spared[id] < part * size[id] and minutes[id] <= question.shares[id].most - GRAIN
    }


def _flow(
    brief: Brief,
    client: ClientFacts,
    question: Question,
    choice: Choice,
    minutes: dict[str, int],
    catalogue: Catalogue,
    tempo: Tempo,
) -> Flow:
    order = cheapest_order(frozenset(choice.regions), question.way, catalogue)
    worked, seconds = _fit_regions(brief, client, question, order.visits, minutes, catalogue, tempo)
    stops = [_stop_for(visit, worked, brief, catalogue) for visit in order.visits]
    taken = order.seconds + seconds + stop_seconds(stops[-1], catalogue, tempo)
    return closed(Flow(brief=brief, stops=tuple(stops)), question.hands_on - taken, catalogue, tempo)


def _fit_regions(
    brief: Brief,
    client: ClientFacts,
    question: Question,
    visits: tuple[Visit, ...],
    minutes: dict[str, int],
    catalogue: Catalogue,
    tempo: Tempo,
) -> tuple[dict[str, tuple[Step, ...]], int]:
    """The steps for each region, to be mirrored, and their seconds; what one misses by the next makes good.

    What the stop before did is not done again first, and what it strained rests.
    """
    worked: dict[str, tuple[Step, ...]] = {}
    owed, taken = 0.0, 0
    before: Arc | None = None
    for visit in visits:
        if visit.role != "work" or visit.region in worked:
            continue
        count = question.shares[visit.region].count
        target = minutes[visit.region] + max(-5, min(5, round(owed / count)))
        touch = after(before, touch_on(visit.region, brief, client, question.restrictions, catalogue))
        place = place_at(visit.region, visit.position, touch, catalogue, tempo)
        before = fit_arc(place, target)
        owed += count * (minutes[visit.region] - before.seconds)
        worked[visit.region] = before.steps(place)
        taken += count * before.seconds
    return worked, taken


def _stop_for(visit: Visit, worked: dict[str, tuple[Step, ...]], brief: Brief, catalogue: Catalogue) -> Stop:
    if visit.role == "work":
        id = visit.region if visit.side == "mid" else f"{visit.region}-{visit.side}"
        steps = worked[visit.region]
    else:
        id = visit.role
        steps = ritual_steps(visit, brief, catalogue)
    return Stop.at(visit, id, steps)
