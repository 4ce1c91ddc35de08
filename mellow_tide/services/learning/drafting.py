"""The next plan of a client, drafted from the last one and what the visits have taught, each change with its reason."""

from collections.abc import Iterator
from dataclasses import dataclass
from datetime import date
from uuid import UUID

from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.evaluation.evaluate import Evaluation, evaluate
from mellow_tide.core.flow.brief import MOST_POINTS, Brief, Place
from mellow_tide.core.flow.flow import Flow
from mellow_tide.core.learning.start import StartDepth
from mellow_tide.core.meeting.record import ClientRecord
from mellow_tide.core.planner.difference import compare_flows
from mellow_tide.core.planner.plan import Plan
from mellow_tide.core.refusal import Refused
from mellow_tide.core.run.log import left_for_later
from mellow_tide.core.run.points import SorePoint
from mellow_tide.core.setting import Setting
from mellow_tide.services.designing.planning import plan_in_time
from mellow_tide.services.designing.standing import Adjustment
from mellow_tide.services.desk import Desk
from mellow_tide.services.learning.learnt import Learnt, read_learnt
from mellow_tide.services.session_view import make_view
from mellow_tide.store.errors import NotThere
from mellow_tide.store.meeting.clients import find_client
from mellow_tide.store.sessions import SessionRow, find_session, list_events


class DraftReason(Record):
    """Why a region changes: another depth (1 to 5) since `start` says so, or more time for `points` that were left.

    Depths are the deepest planned, None where it was, or is, not worked.
    """

    region: str
    depth_before: int | None
    depth_after: int | None
    start: StartDepth | None
    points: tuple[SorePoint, ...] = ()


class Drafted(Record):
    """The draft beside the last plan as it would stand today, and the reasons for what changes."""

    last: Evaluation
    draft: Adjustment
    reasons: tuple[DraftReason, ...]


@dataclass(frozen=True)
class NextVisit:
    """What the next session of a client is planned from.

    `record` has the wishes as they were learnt, also from a log that is not signed yet; `last` is the last session that
    ended, `points` what it left for later.
    """

    record: ClientRecord
    day: date
    known: Learnt
    last: SessionRow | None = None
    points: tuple[SorePoint, ...] = ()

    @property
    def places(self) -> tuple[Place, ...]:
        """Where the points are that were left, as many as a session may be planned with."""
        found = (Place(region=p.region, side=p.side, zone=p.zone) for p in self.points)
        return tuple(dict.fromkeys(found))[:MOST_POINTS]


def read_next_visit(desk: Desk, client_id: UUID) -> NextVisit:
    """What a client's next session is planned from. Raises `NotThere`."""
    known = read_learnt(desk, client_id)
    with desk.reading() as t:
        client = find_client(t, client_id)
        record = _with_learnt(client.record, known)
        if not known.visits:
            return NextVisit(record, client.day, known)
        row = find_session(t, known.visits[-1].session_id)
        run = make_view(desk, row, list_events(t, row.session_id)).run
    return NextVisit(record, client.day, known, row, tuple(filter(left_for_later, run.points)))


def draft_plan(desk: Desk, client_id: UUID) -> Drafted:
    """The next plan of a client. Raises `NotThere`, also before the first visit, and the core's refusals."""
    ahead = read_next_visit(desk, client_id)
    if ahead.last is None:
        raise NotThere("visit")
    before = ahead.last.plan
    setting = Setting.of(ahead.record.facts(ahead.day), desk.catalogue, ahead.last.pace)
    made = plan_with_points(before.flow.brief, ahead.places, setting)
    return Drafted(
        last=evaluate(before.flow, setting),
        draft=Adjustment(
            plan=made,
            evaluation=evaluate(made.flow, setting),
            difference=compare_flows(before.flow, made.flow, before.by_hand, setting),
        ),
        reasons=tuple(_reasons(before.flow, made.flow, ahead.known, ahead.points)),
    )


def _with_learnt(record: ClientRecord, known: Learnt) -> ClientRecord:
    """The record with what was learnt; an estimate stands even before its log is signed."""
    wishes = {wish.region: wish for wish in record.wishes}
    for start in known.starts:
        if start.answers:
            wishes[start.region] = start.as_wish
    return record.model_copy(update={"wishes": tuple(wishes.values())})


def plan_with_points(brief: Brief, points: tuple[Place, ...], setting: Setting) -> Plan:
    """Minutes for the points that were left, if that can be planned; else the brief without any.

    Raises the core's refusals.
    """
    bare = brief.model_copy(update={"points": ()})
    wanted = tuple(point for point in points if point.region not in brief.leave_out)
    if wanted:
        try:
            return plan_in_time(bare.model_copy(update={"points": wanted}), setting)
        except Refused:
            # The last brief can always be asked for again.
            pass
    return plan_in_time(bare, setting)


def _reasons(before: Flow, made: Flow, known: Learnt, points: tuple[SorePoint, ...]) -> Iterator[DraftReason]:
    starts = {start.region: start for start in known.starts}
    old, new = _deepest(before), _deepest(made)
    for region in dict.fromkeys((*new, *old)):
        sore = tuple(point for point in points if point.region == region)
        changed = old.get(region) != new.get(region) and region in starts
        if changed or sore:
            yield DraftReason(
                region=region,
                depth_before=old.get(region),
                depth_after=new.get(region),
                start=starts.get(region) if changed else None,
                points=sore,
            )


def _deepest(flow: Flow) -> dict[str, int]:
    """The deepest step by worked region."""
    found: dict[str, int] = {}
    for part in flow.parts:
        if part.role == "work":
            found[part.region] = max(found.get(part.region, 1), *(step.depth for step in part.steps))
    return found
