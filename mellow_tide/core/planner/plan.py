"""From a brief to a plan: choice, order and minutes, then strokes, with what was left out and why."""

from typing import Literal

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.house import DEFAULTS, House, in_house, on_surface
from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.flow.brief import Brief, ClientFacts, check_brief
from mellow_tide.core.flow.flow import Flow, Step, Stop, Visit
from mellow_tide.core.planner.arc import Place, fit_stop
from mellow_tide.core.planner.choice import Choice, Chooser
from mellow_tide.core.planner.minutes import round_down_and_share
from mellow_tide.core.planner.order import cheapest_order
from mellow_tide.core.planner.question import GRAIN, Absence, Question, pose, touch_on
from mellow_tide.core.refusal import DoesNotFit, FieldProblem
from mellow_tide.core.timing.run_sheet import lay_out
from mellow_tide.core.timing.step_seconds import pass_seconds
from mellow_tide.core.timing.tempo import OwnPace, Tempo, tempo_of


class Give(Record):
    """What a region would lose (seconds, all sides, negative) were another one worked; `gone` if all of it."""

    region: str
    seconds: int
    gone: bool


class LeftOut(Record):
    """A region the plan does not work, and why.

    `wish`: the brief leaves it out. `no_consent`: it needs a yes that is not on record.
    `declined`: the client said no. `excluded`: it is to be left alone. `not_in_school`: the school has no
    place for it. `position_barred`: the client may not lie so that it is reached. `health`: it cannot be worked as
    lightly as it must. `no_time`: the minutes do more good elsewhere; `gives` says what it would cost whom.
    `never_fits`: its least time does not fit beside the musts.
    """

    region: str
    reason: Literal["wish", "no_time", "never_fits"] | Absence
    gives: tuple[Give, ...] = ()


class Proof(Record):
    """Why the plan is best: `value` was reached, and no set that was not priced can pass `bound`."""

    value: float
    bound: float
    sets_priced: int


class Plan(Record):
    """A flow that answers the brief, what it leaves out, and the proof of its choice."""

    flow: Flow
    left_out: tuple[LeftOut, ...]
    proof: Proof


def plan(
    brief: Brief,
    client: ClientFacts,
    catalogue: Catalogue,
    house: House = DEFAULTS,
    pace: OwnPace | None = None,
) -> Plan:
    """The best flow for `brief` and `client`; its run sheet meets the hands-on minutes within 15 s.

    Both sides of a pair get the same strokes. Raises `UnknownReference` or `BadBrief` for a brief that
    cannot be read, `NoSession` for a stop sign, `DoesNotFit` naming field and remedy where no flow meets the minutes.
    """
    check_brief(brief, catalogue)
    catalogue = on_surface(brief.surface, in_house(house, catalogue))
    tempo = tempo_of(client, pace)
    question = pose(brief, client, catalogue, tempo)
    chooser = Chooser(question, catalogue)
    choice = chooser.best()
    if choice is None:
        raise _why_impossible(brief, question, chooser, catalogue)
    minutes = _rounded(question, choice)
    flow = _flow(brief, client, question, choice, minutes, catalogue, tempo)
    return Plan(
        flow=flow,
        left_out=_left_out(brief, question, chooser, choice, minutes, catalogue),
        proof=Proof(value=choice.value, bound=choice.next_bound, sets_priced=choice.sets_priced),
    )


def _rounded(question: Question, choice: Choice) -> dict[str, int]:
    """Seconds per side by region, multiples of 15; what is over goes to the close."""
    shares = [question.shares[id] for id in choice.regions]
    free = question.work_seconds - choice.transition_seconds - choice.close_seconds
    rounded = round_down_and_share(shares, choice.seconds, free, GRAIN)
    return dict(zip(choice.regions, rounded, strict=True))


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
    worked = _fit_regions(brief, client, question, order.visits, minutes, catalogue, tempo)
    stops = [_stop_for(visit, worked, brief, catalogue) for visit in order.visits]
    return _closed(Flow(brief=brief, stops=tuple(stops)), catalogue, tempo)


def _fit_regions(
    brief: Brief,
    client: ClientFacts,
    question: Question,
    visits: tuple[Visit, ...],
    minutes: dict[str, int],
    catalogue: Catalogue,
    tempo: Tempo,
) -> dict[str, Stop]:
    """One stop for each region, to be mirrored; what one misses by the next makes good."""
    worked: dict[str, Stop] = {}
    owed = 0.0
    for visit in visits:
        if visit.role != "work" or visit.region in worked:
            continue
        count = question.shares[visit.region].count
        target = minutes[visit.region] + max(-5, min(5, round(owed / count)))
        touch = touch_on(visit.region, brief, client, question.restrictions, catalogue)
        place = Place(catalogue.regions[visit.region], visit.position, touch, catalogue, tempo)
        stop = fit_stop(place, visit.side, target)
        owed += count * (minutes[visit.region] - place.taken(stop))
        worked[visit.region] = stop
    return worked


def _stop_for(visit: Visit, worked: dict[str, Stop], brief: Brief, catalogue: Catalogue) -> Stop:
    if visit.role == "work":
        id = visit.region if visit.side == "mid" else f"{visit.region}-{visit.side}"
        steps = worked[visit.region].steps
    else:
        id = visit.role
        steps = _ritual_steps(visit, brief, catalogue)
    return Stop(
        id=id,
        role=visit.role,
        region=visit.region,
        side=visit.side,
        position=visit.position,
        window=visit.window,
        medium=visit.medium,
        steps=steps,
    )


def _ritual_steps(visit: Visit, brief: Brief, catalogue: Catalogue) -> tuple[Step, ...]:
    slot: Literal["open", "close"] = "open" if visit.role == "open" else "close"
    ritual = catalogue.openings[visit.position] if slot == "open" else catalogue.closings[brief.close_with]
    steps = []
    for planned in ritual.strokes:
        stroke = catalogue.strokes[planned.stroke]
        steps.append(
            Step(
                stroke=stroke.id,
                slot=slot,
                tool=stroke.tools[0],
                depth=stroke.depth[0],
                passes=planned.passes or stroke.slots[slot][1],
            )
        )
    return tuple(steps)


def meet_the_minutes(
    flow: Flow,
    client: ClientFacts,
    catalogue: Catalogue,
    house: House = DEFAULTS,
    pace: OwnPace | None = None,
) -> Flow:
    """The flow with its last hold longer or shorter by whole breaths, so that the session adds up.

    The hold keeps at least three breaths, and no more than the stroke's most; a flow without a close stays.
    """
    return _closed(flow, in_house(house, catalogue), tempo_of(client, pace))


def _closed(flow: Flow, catalogue: Catalogue, tempo: Tempo) -> Flow:
    close = flow.stops[-1]
    last = close.steps[-1]
    stroke, region = catalogue.strokes[last.stroke], catalogue.regions[close.region]
    if close.role != "close" or "close" not in stroke.slots:
        return flow
    missing = -lay_out(flow, catalogue, tempo).over
    one = pass_seconds(stroke, region, last.depth, catalogue.pace, tempo)
    least, _, most = stroke.slots["close"]
    passes = min(most, max(least, last.passes + round(missing / one)))
    steps = (*close.steps[:-1], last.model_copy(update={"passes": passes}))
    return flow.model_copy(update={"stops": (*flow.stops[:-1], close.model_copy(update={"steps": steps}))})


def _left_out(
    brief: Brief,
    question: Question,
    chooser: Chooser,
    choice: Choice,
    minutes: dict[str, int],
    catalogue: Catalogue,
) -> tuple[LeftOut, ...]:
    found = [LeftOut(region=id, reason="wish") for id in brief.leave_out]
    found += [LeftOut(region=id, reason=why) for id, why in question.absent.items()]
    for id in question.shares:
        if id in choice.regions:
            continue
        forced = chooser.best(also=id)
        if forced is None:
            found.append(LeftOut(region=id, reason="never_fits"))
        else:
            found.append(LeftOut(region=id, reason="no_time", gives=_gives(question, minutes, forced)))
    place = {id: i for i, id in enumerate(catalogue.regions)}
    return tuple(sorted(found, key=lambda left: place[left.region]))


def _gives(question: Question, minutes: dict[str, int], forced: Choice) -> tuple[Give, ...]:
    """Who gives at least a grain, the greatest giver first."""
    then = _rounded(question, forced)
    gives = []
    for id, seconds in minutes.items():
        change = question.shares[id].count * (then.get(id, 0) - seconds)
        if change <= -GRAIN:
            gives.append(Give(region=id, seconds=change, gone=id not in then))
    return tuple(sorted(gives, key=lambda give: give.seconds))


def _why_impossible(brief: Brief, question: Question, chooser: Chooser, catalogue: Catalogue) -> DoesNotFit:
    before_after = catalogue.kinds[brief.kind].before_after_minutes(brief.first_visit)
    must = tuple(sorted(question.must))
    most = -(-chooser.most_seconds() // 60) + before_after
    if brief.booked_minutes > most - 1:
        what = f"these regions cannot fill {brief.booked_minutes} minutes"
        return DoesNotFit(
            FieldProblem("leave_out", what, f"leave out fewer regions, or book about {most - 1} minutes")
        )
    if not must:
        what = f"{brief.booked_minutes} minutes are too few for any region of this session"
        return DoesNotFit(FieldProblem("booked_minutes", what, "book more minutes"))
    needed = -(-chooser.least_seconds(must) // 60) + before_after
    names = ", ".join(catalogue.regions[id].whole for id in must)
    return DoesNotFit(
        FieldProblem(
            "focus", f"{names} need at least {needed} booked minutes", "take a region out of the focus"
        ),
        FieldProblem(
            "booked_minutes", f"{brief.booked_minutes} minutes are too few", f"book {needed} minutes or more"
        ),
    )
