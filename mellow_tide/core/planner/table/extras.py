"""Regions that may be worked beside the plan, ready for the table's side, where no planner is at hand."""

from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.flow.brief import Side
from mellow_tide.core.flow.flow import Flow, PartMedium, Step
from mellow_tide.core.planner.order.way import homes, sides_in
from mellow_tide.core.planner.question.asked import Asked
from mellow_tide.core.planner.question.question import pose_question
from mellow_tide.core.planner.strokes.arc import fit_arc
from mellow_tide.core.planner.strokes.site import find_site
from mellow_tide.core.setting import Setting


class Extra(Record):
    """A region as it may be worked in `position`, side by side: `seconds` a side, and its strokes.

    `clean_hands`: hands that have been at the feet, or are oily, are washed before it.
    """

    region: str
    sides: tuple[Side, ...]
    position: str
    window: str
    medium: PartMedium
    clean_hands: bool
    seconds: int
    steps: tuple[Step, ...]


def find_extras(
    flow: Flow,
    setting: Setting,
) -> tuple[Extra, ...]:
    """What could be added in each position of the flow: as short as is worth opening, by the client's own wishes.

    Only what a plan may work at all: consents, health and places to keep off are obeyed. None for a session without
    minutes to meet.
    """
    asked = Asked.of(flow.brief, setting)
    if asked.kind.open_ended:
        return ()
    question = pose_question(asked)
    found = homes(question.way, asked.catalogue)
    blocks = question.way.blocks(asked.catalogue)
    made = []
    for position in dict.fromkeys(part.position for part in flow.parts):
        for id, share in question.shares.items():
            if not any(blocks[i].position == position for home in found[id] for i in home):
                continue
            region = asked.catalogue.regions[id]
            place = find_site(id, position, asked.touch(id), asked.catalogue, asked.tempo)
            arc = fit_arc(place, int(share.least))
            extra = Extra(
                region=id,
                sides=sides_in(id, position, asked.catalogue),
                position=position,
                window=region.window_in(position),
                medium=place.medium,
                clean_hands=region.hands == "clean",
                seconds=arc.seconds,
                steps=arc.steps,
            )
            made.append(extra)
    return tuple(made)
