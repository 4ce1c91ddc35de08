"""What a client's visits have taught, corrections to it, and where that puts the next plan."""

from dataclasses import dataclass
from functools import cached_property
from typing import Annotated
from uuid import UUID

from pydantic import AwareDatetime, StringConstraints

from mellow_tide.core.care.restrict import restrict
from mellow_tide.core.catalogue.catalogue import Catalogue, ShippedCatalogue, check_known
from mellow_tide.core.catalogue.house.in_house import in_house
from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.flow.brief import PressureWord, Wish
from mellow_tide.core.learning.evidence import Answer, SetByHand
from mellow_tide.core.learning.heard import read_answers
from mellow_tide.core.learning.pressure import CENTRES, PressureModel
from mellow_tide.core.learning.start import StartDepth, choose_start, still_stands
from mellow_tide.core.meeting.record import ClientRecord
from mellow_tide.core.refusal import UnknownReference
from mellow_tide.core.run.events import order_events
from mellow_tide.services.desk import Desk
from mellow_tide.services.meeting.evidence import Told, tell
from mellow_tide.services.running.sore_points import PointsOfVisit, group_points
from mellow_tide.store.database import Transaction
from mellow_tide.store.errors import NotThere
from mellow_tide.store.learning import TaughtRow, VisitMarked, list_visits, mark_visit
from mellow_tide.store.meeting.clients import ClientRow, find_client, list_point_events
from mellow_tide.store.meeting.evidence import ChangeRow, list_changes

Why = Annotated[str, StringConstraints(strip_whitespace=True, min_length=1, max_length=400)]


class VisitTaught(Record):
    """A visit with the word it was planned by and what was said at it.

    It `counts` unless the therapist left it out, with `reason`, `by` and `at`.
    """

    session_id: UUID
    starts_at: AwareDatetime
    answers: tuple[Answer, ...]
    pressure: PressureWord
    counts: bool
    reason: str = ""
    by: str = ""
    at: AwareDatetime | None = None


class HandSet(Record):
    """A wish that was set by hand, or came with an intake: when, by whom, and why if that was said."""

    region: str
    depth: float
    at: AwareDatetime
    by: str
    reason: str


class Learnt(Record):
    """What is known of a client's wishes at their next visit, number `visit`, and what it rests on."""

    client_id: UUID
    visit: int
    starts: tuple[StartDepth, ...]
    visits: tuple[VisitTaught, ...]
    by_hand: tuple[HandSet, ...]
    sore: tuple[PointsOfVisit, ...]


@dataclass(frozen=True)
class _Evidence:
    """Everything a client's estimate rests on."""

    client: ClientRow
    visits: tuple[VisitTaught, ...]
    by_hand: tuple[HandSet, ...]

    @property
    def counted(self) -> tuple[VisitTaught, ...]:
        return tuple(visit for visit in self.visits if visit.counts)

    @cached_property
    def all(self) -> list[Answer | SetByHand]:
        found: list[Answer | SetByHand] = [answer for visit in self.counted for answer in visit.answers]
        for wish in self.by_hand:
            before = sum(visit.starts_at < wish.at for visit in self.counted)
            found.append(SetByHand(visit=max(1, before), region=wish.region, depth=wish.depth))
        return found

    def starts(self, catalogue: Catalogue) -> tuple[StartDepth, ...]:
        """Every region that something is known of, at the next visit."""
        answers = [one for one in self.all if isinstance(one, Answer)]
        model = PressureModel(self.all, self.expected)
        here = restrict(self.client.record.facts(self.client.day), catalogue)
        upcoming = len(self.counted) + 1
        regions = [id for id in catalogue.regions if any(one.region == id for one in self.all)]
        return tuple(
            choose_start(id, model.at(id, upcoming), answers, here.cap(id), self._stands(id))
            for id in regions
        )

    @property
    def expected(self) -> float:
        """Where the client's centre was expected before anything was said: by the word of their first plan."""
        return CENTRES[self.counted[0].pressure if self.counted else ""]

    def _stands(self, region: str) -> float | None:
        """The depth that was last set by hand on a region, unless what was said since contradicts it."""
        wish = next((one for one in reversed(self.by_hand) if one.region == region), None)
        if wish is None:
            return None
        later = (
            answer
            for visit in self.counted
            if visit.starts_at >= wish.at
            for answer in visit.answers
            if answer.region == region
        )
        return wish.depth if still_stands(wish.depth, later) else None


def read_learnt(desk: Desk, client_id: UUID) -> Learnt:
    """What a client's visits have taught. Raises `NotThere`."""
    with desk.reading() as t:
        evidence = _evidence(t, desk, client_id)
        pointed = list_point_events(t, client_id)
    return Learnt(
        client_id=client_id,
        visit=len(evidence.counted) + 1,
        starts=evidence.starts(desk.catalogue),
        visits=evidence.visits,
        by_hand=evidence.by_hand,
        sore=group_points(pointed),
    )


def leave_out_visit(desk: Desk, client_id: UUID, session_id: UUID, left_out: bool, reason: Why) -> Learnt:
    """That visit was unusual: it does not count, or counts again. Raises `NotThere`."""
    with desk.writing() as t:
        visits = list_visits(t, client_id)
        if session_id not in {visit.session_id for visit in visits}:
            raise NotThere("visit")
        mark_visit(t, session_id, VisitMarked(left_out, reason, desk.name(t)))
        tell_learnt(t, desk, client_id)
    return read_learnt(desk, client_id)


def set_wish(desk: Desk, client_id: UUID, wish: Wish, reason: Why) -> Learnt:
    """Set a wish by hand: it stands as evidence beside what was said. Raises `NotThere`, `UnknownReference`."""
    region = wish.region
    problem = check_known(desk.catalogue.regions, region, "region", "region")
    if problem:
        raise UnknownReference(problem)

    def with_wish(record: ClientRecord) -> ClientRecord:
        others = [one for one in record.wishes if one.region != region]
        return record.model_copy(update={"wishes": (*others, wish)})

    def without_wish(record: ClientRecord) -> ClientRecord:
        return record.model_copy(update={"wishes": tuple(w for w in record.wishes if w.region != region)})

    with desk.writing() as t:
        # Said anew even where it is what stands already: that too is evidence.
        tell(t, desk, client_id, without_wish, Told("learnt"))
        tell(t, desk, client_id, with_wish, Told("by_hand", reason=reason))
        tell_learnt(t, desk, client_id)
    return read_learnt(desk, client_id)


def tell_learnt(t: Transaction, desk: Desk, client_id: UUID) -> None:
    """Let the client's wishes be where the next visit starts: learnt where something was said, else as set by hand.

    The transaction must see practice and person. What changes is evidence, and news to plans that stand.
    """
    evidence = _evidence(t, desk, client_id)
    wishes = {wish.region: wish.depth for wish in evidence.by_hand}
    for start in evidence.starts(desk.catalogue):
        if start.answers:
            wishes[start.region] = start.depth
    made = tuple(Wish(region=region, depth=depth) for region, depth in wishes.items())
    tell(t, desk, client_id, lambda record: record.model_copy(update={"wishes": made}), Told("learnt"))


def _evidence(t: Transaction, desk: Desk, client_id: UUID) -> _Evidence:
    client = find_client(t, client_id)
    rows = list_visits(t, client_id)
    changed = list_changes(t, client_id)
    visits, number = [], 0
    for row in rows:
        number += not row.left_out
        visits.append(_taught(row, max(1, number), desk.shipped))
    return _Evidence(client, tuple(visits), _by_hand(changed))


def _taught(row: TaughtRow, number: int, shipped: ShippedCatalogue) -> VisitTaught:
    ceiling = row.specific_ceiling
    if ceiling is None:
        ceiling = in_house(row.run.house, shipped).choice("strength").ceilings["specific"]
    answers = read_answers(number, order_events(row.events), lambda: row.run.sheet, ceiling)
    return VisitTaught(
        session_id=row.session_id,
        starts_at=row.starts_at,
        answers=answers,
        pressure=row.pressure,
        counts=not row.left_out,
        reason=row.reason or "",
        by=row.person_name or "",
        at=row.marked_at,
    )


def _by_hand(changed: list[ChangeRow]) -> tuple[HandSet, ...]:
    """Every wish that a person set or an intake brought and nobody took back since, the first first."""
    found: list[HandSet] = []
    for change in reversed(changed):
        if change.field != "wishes" or change.source == "learnt":
            continue
        if change.after is None:
            found = [one for one in found if one.region != change.item]
        else:
            found.append(
                HandSet(
                    region=change.item,
                    depth=change.after,
                    at=change.changed_at,
                    by=change.person_name,
                    reason=change.reason,
                )
            )
    return tuple(found)
