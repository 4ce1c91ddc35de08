"""From a brief to a plan: choice, order and minutes, then strokes, with what was left out and why."""

from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.flow.brief import Brief
from mellow_tide.core.flow.flow import Flow, Step
from mellow_tide.core.planner.choice.choice import Deadline, no_deadline
from mellow_tide.core.planner.choice.chosen import Chosen, choose
from mellow_tide.core.planner.choice.left_out import LeftOut, explain_left_out
from mellow_tide.core.planner.labour import plan_labour
from mellow_tide.core.planner.order.order import find_cheapest_order
from mellow_tide.core.planner.question.asked import Asked
from mellow_tide.core.planner.strokes.fill import fill_flow
from mellow_tide.core.planner.strokes.questions import settle_questions
from mellow_tide.core.setting import Setting


class Proof(Record):
    """Why the plan is best: `value` was reached, and no set that was not priced can pass `bound`.

    Only where a deadline came first is `bound` above `value`: so much better might another set be.
    """

    value: float
    bound: float
    sets_priced: int


class Plan(Record):
    """A flow that answers the brief, what it leaves out, and the proof of its choice; a labour is not chosen so.

    `by_hand` are the regions whose strokes or minutes were set by hand since it was planned; `order_by_hand`: whether
    the order of its parts was.
    """

    flow: Flow
    left_out: tuple[LeftOut, ...]
    proof: Proof | None
    by_hand: tuple[str, ...] = ()
    order_by_hand: bool = False

    @property
    def touched(self) -> bool:
        """Whether anything in it was set by hand."""
        return bool(self.by_hand) or self.order_by_hand


def plan(
    brief: Brief,
    setting: Setting,
    deadline: Deadline = no_deadline,
) -> Plan:
    """The best flow for `brief` and `client`; its run sheet meets the hands-on minutes within 15 s.

    Both sides of a pair get the same strokes. Once `deadline()` is true the best set so far is taken. Raises
    `UnknownReference` or `BadBrief` for a brief that cannot be read, `NoSession` for a stop sign, `PlaceMissing` for a
    condition of unknown place, `DoesNotFit` naming field and remedy where no flow meets the minutes.
    """
    asked = Asked.of(brief, setting)
    if asked.kind.open_ended:
        return Plan(flow=plan_labour(asked), left_out=(), proof=None)
    chosen = choose(asked, deadline)
    order = find_cheapest_order(frozenset(chosen.choice.regions), chosen.question.way, asked.catalogue)
    return make_plan(asked, chosen, fill_flow(asked, chosen.question, order, chosen.minutes, {}))


def make_plan(asked: Asked, chosen: Chosen, flow: Flow) -> Plan:
    """The plan of a flow that was made for what was chosen, with its questions where they help."""
    choice = chosen.choice
    return Plan(
        flow=settle_questions(flow, asked.catalogue, asked.tempo),
        left_out=explain_left_out(asked, chosen),
        proof=Proof(value=choice.value, bound=choice.next_bound, sets_priced=choice.sets_priced),
    )


def mark_by_hand(before: Plan, flow: Flow) -> Plan:
    """The plan with `flow` made of its own by hand: the regions whose parts differ now were set by hand."""
    regions = dict.fromkeys(part.region for part in flow.parts if part.role == "work")
    changed = [id for id in regions if _worked(before.flow, id) != _worked(flow, id)]
    by_hand = tuple(id for id in regions if id in changed or id in before.by_hand)
    order = before.order_by_hand or _order(before.flow, flow) != _order(flow, before.flow)
    return before.model_copy(update={"flow": flow, "by_hand": by_hand, "order_by_hand": order})


def _order(flow: Flow, other: Flow) -> list[tuple[str, str]]:
    """The parts that both flows have, in the order of `flow`, with their positions."""
    both = {part.id for part in other.parts}
    return [(part.id, part.position) for part in flow.parts if part.id in both]


def _worked(flow: Flow, region: str) -> list[tuple[str, tuple[Step, ...]]]:
    return [(s.side, s.steps) for s in flow.parts if s.role == "work" and s.region == region]
