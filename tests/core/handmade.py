"""Flows made by hand, one for each kind of session that a person would work so; none breaks a rule."""

from mellow_tide.core.checks.examples import step
from mellow_tide.core.flow.brief import Brief, ClientFacts, Side
from mellow_tide.core.flow.flow import Flow, Part, Step
from mellow_tide.core.planner.strokes.rituals import meet_the_minutes
from tests.settings import CATALOGUE, setting

C = CATALOGUE
AGREED = frozenset({"hips", "chest", "face", "scalp", "foot"})
CLIENT = ClientFacts(consents=AGREED)
TWENTY_SEVEN_WEEKS = ClientFacts(consents=AGREED, gestation_days=190)
IN_LABOUR = ClientFacts(consents=AGREED, gestation_days=275)

# Stroke, slot, depth, passes.
Arc = tuple[tuple[str, str, int, int], ...]

CHAIR_BACK: Arc = (
    ("palm_compression", "dry", 2, 3),
    ("kneading", "knead", 3, 2),
    ("knuckling", "specific", 3, 2),
    ("circular_friction", "specific", 2, 2),
    ("resting_hold", "settle", 1, 3),
)
CHAIR_SHOULDER: Arc = (
    ("palm_compression", "dry", 2, 2),
    ("squeezing", "knead", 2, 3),
    ("resting_hold", "settle", 1, 3),
)
CHAIR_NECK: Arc = (
    ("kneading", "knead", 2, 4),
    ("circular_friction", "specific", 2, 2),
    ("resting_hold", "settle", 1, 3),
)
CHAIR_ARM: Arc = (("squeezing", "knead", 2, 2), ("resting_hold", "settle", 1, 3))
OILED: Arc = (
    ("oil_spread", "spread", 1, 2),
    ("effleurage", "warm", 2, 6),
    ("kneading", "knead", 2, 5),
    ("effleurage", "flush", 2, 3),
    ("effleurage", "settle", 1, 3),
)
LONG: Arc = (
    ("oil_spread", "spread", 1, 2),
    ("effleurage", "warm", 2, 6),
    ("reinforced_stroking", "warm", 3, 3),
    ("kneading", "knead", 3, 5),
    ("effleurage", "flush", 2, 3),
    ("effleurage", "settle", 1, 3),
)
SCALP: Arc = (("scalp_circles", "warm", 2, 4), ("scalp_circles", "settle", 2, 4))
PRESSING: Arc = (
    ("squeezing", "knead", 2, 4),
    ("sacral_press", "contraction", 3, 1),
    ("squeezing", "knead", 2, 4),
    ("sacral_press", "contraction", 3, 1),
    ("resting_hold", "settle", 1, 3),
)


def part(region: str, side: Side, position: str, arc: Arc, medium: str = "lubricated", ask: str = "") -> Part:
    """A part; `ask` is the slot whose first step is followed by a question."""
    steps = []
    for stroke, slot, depth, passes in arc:
        made = step(C, stroke, slot, depth, passes)  # type: ignore[arg-type]
        asked = slot == ask and (slot == "contraction" or all(x.slot != slot for x in steps))
        steps.append(made.model_copy(update={"check_in": asked}))
    return Part(
        id=region if side == "mid" else f"{region}-{side}",
        region=region,
        side=side,
        position=position,
        window=C.regions[region].window_in(position),
        medium=medium,  # type: ignore[arg-type]
        steps=tuple(steps),
    )


def ritual(role: str, region: str, position: str, stroke: str = "resting_hold", passes: int = 3) -> Part:
    """The first or last still contact."""
    slot = {"open": "open", "close": "close", "integrate": "settle"}[role]
    return Part(
        id=role,
        role=role,  # type: ignore[arg-type]
        region=region,
        side="both" if C.regions[region].sides == "pair" else "mid",
        position=position,
        window="none",
        medium="clothed",
        steps=(Step(stroke=stroke, slot=slot, tool="palms", depth=1, passes=passes),),  # type: ignore[arg-type]
    )


def pair(region: str, position: str, arc: Arc, medium: str = "lubricated", ask: str = "") -> tuple[Part, ...]:
    """Right and left alike."""
    return tuple(part(region, side, position, arc, medium, ask) for side in ("right", "left"))  # type: ignore[arg-type]


def whole(brief: Brief, client: ClientFacts, *parts: Part) -> Flow:
    """The flow, its last hold as long as the booking wants."""
    return meet_the_minutes(Flow(brief=brief, parts=parts), setting(client, C))


def chair() -> Flow:
    brief = Brief(kind="chair", school="chair_downwards", booked_minutes=15, close_with="seated")
    leaning = "seated_leaning"
    return whole(
        brief,
        CLIENT,
        ritual("open", "shoulders", leaning),
        part("back", "mid", leaning, CHAIR_BACK, "clothed", "knead"),
        *pair("shoulders", leaning, CHAIR_SHOULDER, "clothed"),
        part("neck", "mid", leaning, CHAIR_NECK, "clothed"),
        part("scalp", "mid", leaning, SCALP, "clothed"),
        *pair("arm", leaning, CHAIR_ARM, "clothed"),
        ritual("close", "shoulders", leaning),
    )


def focus() -> Flow:
    brief = Brief(kind="focus", area="back_and_neck", school="part_in_depth", booked_minutes=26)
    return whole(
        brief,
        CLIENT,
        ritual("open", "back", "prone"),
        part("back", "mid", "prone", LONG, ask="knead"),
        *pair("shoulders", "prone", OILED),
        ritual("close", "scalp", "prone"),
    )


def side_lying() -> Flow:
    brief = Brief(kind="side_lying", school="side_by_side", booked_minutes=61)
    upper = {"side_left": "right", "side_right": "left"}
    parts = [
        part(region, side, position, OILED)  # type: ignore[arg-type]
        for position, side in upper.items()
        for region in ("shoulders", "side_body", "thigh_back", "lower_leg_back", "arm")
    ]
    return whole(
        brief,
        CLIENT,
        ritual("open", "shoulders", "side_left"),
        *parts,
        ritual("close", "scalp", "side_right"),
    )


def prenatal() -> Flow:
    brief = Brief(kind="prenatal", school="left_side_first", booked_minutes=55, pressure="light")
    upper = {"side_left": "right", "side_right": "left"}
    parts = [
        part(region, side, position, OILED)  # type: ignore[arg-type]
        for position, side in upper.items()
        for region in ("shoulders", "thigh_back", "lower_leg_back", "arm")
    ]
    return whole(
        brief,
        TWENTY_SEVEN_WEEKS,
        ritual("open", "shoulders", "side_left"),
        *parts,
        ritual("close", "scalp", "side_right"),
    )


def labour_support() -> Flow:
    brief = Brief(kind="labour_support", school="between_and_during", booked_minutes=60)
    leaning = "forward_leaning"
    return whole(
        brief,
        IN_LABOUR,
        ritual("open", "back", leaning),
        part("back", "mid", leaning, PRESSING, "clothed", "contraction"),
        ritual("close", "shoulders", leaning),
    )
