"""The run sheet: a flow laid out on the clock, every second a stroke or a named transition."""

from dataclasses import dataclass
from functools import cached_property
from hashlib import sha256
from typing import Annotated, Literal

from pydantic import Field

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.house.in_house import in_session
from mellow_tide.core.catalogue.records import Depth, Id, Record, Slot, TableHeight
from mellow_tide.core.flow.brief import Brief, Side
from mellow_tide.core.flow.flow import Flow, Part, Role, Step
from mellow_tide.core.timing.scene import HandState, StandingPlace, Transition, TransitionKind
from mellow_tide.core.timing.tempo import USUAL, Tempo
from mellow_tide.core.timing.timed import Timed, go_through

TOLERATED = 15
"""Seconds by which a session may miss its hands-on minutes."""


Address = Annotated[str, Field(min_length=1, max_length=160)]
"""Which entry of a run sheet; see `Entry`."""


@dataclass(frozen=True, slots=True)
class Entry:
    """One stroke or transition on the clock; `start` and `seconds` are whole seconds from the first touch.

    `part` and `step` index the flow; a transition has no step and belongs to the part it leads to. `address` names
    the entry within its sheet: `neck/2` is the third stroke of the neck, `neck/2/oil` the oiling before it,
    `neck/walk` what leads there, `neck/stool-2` the second time something is done with the stool on the way.
    The scene (position, place, window, hands, table) is the one during the entry. `working` is working the part, its
    oiling and asking included; getting there is not. `over` are further regions that a long stroke runs over.
    `eases_over` names the fragile places that a stroke without a zone passes more lightly; `support`: one
    hand holds the head; `asks`: while it is worked the client is asked about the pressure.
    """

    kind: Literal["stroke"] | TransitionKind
    address: Address
    start: Annotated[int, Field(ge=0, le=86_400)]
    seconds: Annotated[int, Field(ge=0, le=86_400)]
    part: Annotated[int, Field(ge=0, le=1000)]
    part_id: Id
    role: Role
    region: Id
    side: Side
    position: Id
    place: StandingPlace
    window: Id
    window_side: Side
    hands: HandState
    height: TableHeight
    seated: bool
    also_open: Id
    working: bool
    about: Id = ""
    about_side: Side = "mid"
    step: Annotated[int, Field(ge=0, le=1000)] | None = None
    stroke: Id | None = None
    slot: Slot | None = None
    tool: Id | None = None
    zone: Id | None = None
    depth: Depth | None = None
    passes: Annotated[int, Field(ge=1, le=1000)] | None = None
    over: Annotated[tuple[Id, ...], Field(max_length=6)] = ()
    eases_over: Annotated[tuple[Id, ...], Field(max_length=40)] = ()
    support: bool = False
    asks: bool = False


class RunSheet(Record):
    """Entries without gaps or overlaps from 0 to `seconds`; `hands_on_seconds` is what the booking leaves.

    An `open_ended` session has no minutes to meet.
    """

    entries: Annotated[tuple[Entry, ...], Field(max_length=6000)]
    seconds: Annotated[int, Field(ge=0, le=86_400)]
    hands_on_seconds: Annotated[int, Field(ge=-86_400, le=86_400)]
    open_ended: bool = False

    @cached_property
    def places(self) -> dict[str, int]:
        """The place of each entry, from 0, by its address."""
        return {entry.address: place for place, entry in enumerate(self.entries)}

    def find(self, address: str) -> int | None:
        """The place of an entry by its address; None where the sheet has none such."""
        return self.places.get(address)

    @property
    def over(self) -> int:
        """Seconds over (positive) or under (negative) the hands-on minutes; 0 where there are none to meet."""
        return 0 if self.open_ended else self.seconds - self.hands_on_seconds


def sheet_id(sheet: RunSheet) -> str:
    """Tells one run sheet from another: a digest of all that is in it, 16 hexadecimal digits."""
    return sha256(sheet.model_dump_json().encode()).hexdigest()[:16]


def hands_on_seconds(brief: Brief, catalogue: Catalogue) -> int:
    """Seconds of the booking that are not talking, settling and dressing."""
    kind = catalogue.kinds[brief.kind]
    return 60 * (brief.booked_minutes - kind.before_after_minutes(brief.first_visit))


def lay_out(flow: Flow, catalogue: Catalogue, tempo: Tempo = USUAL) -> RunSheet:
    """Lay `flow` on the clock. Pure: the same flow gives the same sheet. Assumes `check_flow` has passed."""
    catalogue = in_session(flow.brief.kind, flow.brief.surface, catalogue)
    entries: list[Entry] = []
    clock = 0
    for timed in go_through(flow, catalogue, tempo):
        where = _where(timed, flow.parts[timed.part])
        if isinstance(timed.item, Transition):
            entries.append(_transition_entry(timed, timed.item, where))
        else:
            entries.append(_stroke_entry(timed, timed.item, where, catalogue))
        clock = timed.start + timed.seconds
    return RunSheet.model_construct(
        entries=tuple(entries),
        seconds=clock,
        hands_on_seconds=hands_on_seconds(flow.brief, catalogue),
        open_ended=catalogue.kinds[flow.brief.kind].open_ended,
    )


Where = tuple[int, str, Role, str, Side, str, StandingPlace, str, Side, HandState, TableHeight, bool, str]


def _where(timed: Timed, part: Part) -> Where:
    """What an entry says of its part and scene, in the order of its fields."""
    scene = timed.scene
    return (
        timed.part,
        part.id,
        part.role,
        part.region,
        part.side,
        scene.position,
        scene.place,
        scene.window,
        scene.window_side,
        scene.hands,
        scene.height,
        scene.seated,
        scene.also_open,
    )


def _transition_entry(timed: Timed, transition: Transition, where: Where) -> Entry:
    kind, (_, part_id, *_) = transition.kind, where
    if timed.step is not None:
        address = f"{part_id}/{timed.step}/{kind}"
    else:
        address = f"{part_id}/{kind}" + (f"-{timed.earlier + 1}" if timed.earlier else "")
    return Entry(
        kind,
        address,
        timed.start,
        timed.seconds,
        *where,
        working=timed.step is not None,
        about=transition.about,
        about_side=transition.side,
    )


def _stroke_entry(timed: Timed, step: Step, where: Where, catalogue: Catalogue) -> Entry:
    _, part_id, _, region, *_ = where
    return Entry(
        "stroke",
        f"{part_id}/{timed.step}",
        timed.start,
        timed.seconds,
        *where,
        working=True,
        step=timed.step,
        stroke=step.stroke,
        slot=step.slot,
        tool=step.tool,
        zone=step.zone,
        depth=step.depth,
        passes=step.passes,
        support=step.support,
        asks=step.check_in and not catalogue.clock.check_in,
        over=step.over,
        eases_over=()
        if step.zone
        else tuple(
            dict.fromkeys(
                place.name
                for id in (region, *step.over)
                for place in catalogue.passed_lightly(id, step.depth)
            )
        ),
    )
