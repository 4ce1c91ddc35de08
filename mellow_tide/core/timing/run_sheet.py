"""The run sheet: a flow laid out on the clock, every second a stroke or a named transition."""

from dataclasses import dataclass
from functools import cached_property
from hashlib import sha256
from typing import Annotated, Literal, cast

from pydantic import Field

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.house.in_house import in_session
from mellow_tide.core.catalogue.records import Depth, Id, Record, Slot, TableHeight
from mellow_tide.core.flow.brief import Brief, Side
from mellow_tide.core.flow.flow import Flow, Part, Role, Setup, Step
from mellow_tide.core.flow.passages import are_one
from mellow_tide.core.timing.oiling import plan_oilings, wants_oil
from mellow_tide.core.timing.scene import (
    HandState,
    Scene,
    StandingPlace,
    Transition,
    TransitionKind,
    opening_scene,
)
from mellow_tide.core.timing.standing import plan_walks
from mellow_tide.core.timing.step_seconds import step_seconds
from mellow_tide.core.timing.tempo import USUAL, Tempo
from mellow_tide.core.timing.transitions import approach

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
    scene = opening_scene(flow.parts[0].setup, catalogue)
    oiled: int | None = None
    last: Setup | None = None
    for index, part in enumerate(flow.parts):
        changes, working = approach(scene, part.setup, catalogue)
        kinds = [transition.kind for transition, _ in changes]
        for place, (transition, after) in enumerate(changes):
            during = after if transition.kind == "wash" else scene
            before = kinds[:place].count(transition.kind)
            address = f"{part.id}/{transition.kind}" + (f"-{before + 1}" if before else "")
            entries.append(_transition_entry(clock, _where(index, part, during), transition, address, False))
            clock += transition.seconds
            scene = after
        goes_on = last is not None and are_one(last, part.setup, catalogue)
        if part.role == "integrate":
            worked, _ = work_through(part, catalogue, tempo, None, scene.place)
        else:
            worked, oiled = work_through(part, catalogue, tempo, oiled if goes_on else None, scene.place)
            last = part.setup
        for step, item, seconds in worked:
            address = f"{part.id}/{step}"
            if isinstance(item, Transition):
                address += f"/{item.kind}"
                entries.append(_transition_entry(clock, _where(index, part, scene), item, address, True))
                if item.kind == "walk":
                    scene, working = _walked(scene, item), _walked(working, item)
                # Hands are as they came until the first oil of the part goes on.
                scene = working if item.kind == "oil" else scene
            else:
                entries.append(
                    _stroke_entry(
                        clock, seconds, _where(index, part, scene), (address, step, item), catalogue
                    )
                )
            clock += seconds
        scene = working
    return RunSheet.model_construct(
        entries=tuple(entries),
        seconds=clock,
        hands_on_seconds=hands_on_seconds(flow.brief, catalogue),
        open_ended=catalogue.kinds[flow.brief.kind].open_ended,
    )


Worked = tuple[int, Transition | Step, int]
"""The index of a step, itself or what belongs to it, and whole seconds."""


def work_through(
    part: Part,
    catalogue: Catalogue,
    tempo: Tempo,
    oiled: int | None = None,
    here: StandingPlace | None = None,
) -> tuple[list[Worked], int | None]:
    """The steps of `part` in order with the oiling, wiping, walking and asking that belong to them; and how old the oil
    is then.

    A hot towel is fetched before the stroke it is for. One walks while the oil goes on: the longer of the two counts.
    `oiled` are the seconds that the oil of its passage has been worked, None before the first: see `plan_oilings`;
    `here` is where the therapist stands as it begins: see `plan_walks`.
    """
    region, clock = catalogue.regions[part.region], catalogue.clock
    strokes = [catalogue.strokes[step.stroke] for step in part.steps]
    taken = [
        step_seconds(step, stroke, region, catalogue, tempo)
        for step, stroke in zip(part.steps, strokes, strict=True)
    ]
    worked = (
        (part.medium == "lubricated" and wants_oil(stroke, step.slot), step.slot == "settle", seconds)
        for step, stroke, seconds in zip(part.steps, strokes, taken, strict=True)
    )
    oilings, oiled = plan_oilings(worked, clock.oil_lasts, oiled)
    found: list[Worked] = []

    def serve(index: int, kind: TransitionKind, seconds: int) -> None:
        found.append((index, Transition(kind, seconds, part.region, part.side), seconds))

    walks = plan_walks(part, catalogue, here)
    for index, (step, oiling, walk) in enumerate(zip(part.steps, oilings, walks, strict=True)):
        oil = 0 if not oiling else clock.oil_first if oiling == "first" else clock.oil_again
        if oiling:
            serve(index, "oil", oil)
        if walk:
            seconds = max(0, clock.walk - oil)
            found.append((index, Transition("walk", seconds, walk), seconds))
        if strokes[index].heat:
            serve(index, "towel", clock.towel)
        if step.wipe:
            serve(index, "wipe", clock.wipe)
        found.append((index, step, taken[index]))
        if step.check_in and clock.check_in:
            serve(index, "check_in", clock.check_in)
    return found, oiled


def _walked(scene: Scene, walk: Transition) -> Scene:
    return scene._replace(place=cast("StandingPlace", walk.about))


def part_seconds(part: Part, catalogue: Catalogue, tempo: Tempo = USUAL) -> int:
    """Whole seconds of working `part` by itself, oiling, asking and walking included, getting there not."""
    return sum(seconds for _, _, seconds in work_through(part, catalogue, tempo)[0])


def _transition_entry(
    clock: int, where: "Where", transition: Transition, address: str, working: bool
) -> Entry:
    return Entry(
        transition.kind,
        address,
        clock,
        transition.seconds,
        *where,
        working,
        about=transition.about,
        about_side=transition.side,
    )


def _stroke_entry(
    clock: int, seconds: int, where: "Where", addressed: tuple[str, int, Step], catalogue: Catalogue
) -> Entry:
    address, number, step = addressed
    region = where[3]
    return Entry(
        "stroke",
        address,
        clock,
        seconds,
        *where,
        working=True,
        step=number,
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


Where = tuple[int, str, Role, str, Side, str, StandingPlace, str, Side, HandState, TableHeight, bool, str]


def _where(index: int, part: Part, scene: Scene) -> Where:
    """What an entry says of its part and scene, in the order of its fields."""
    return (
        index,
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
