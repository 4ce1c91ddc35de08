"""An independent walk over a run sheet: what is touched where, against what a careful teacher expects for the client.

It reads only the run sheet, the client and the tables below, never the planner's own filters or the data they use.
Source of every row: common practice.
"""

from collections.abc import Iterator, Mapping
from dataclasses import dataclass, field

from mellow_tide.core.flow.brief import ClientFacts, Place
from mellow_tide.core.timing.run_sheet import Entry, RunSheet

LEGS = ("thigh_back", "thigh_front", "lower_leg_back", "lower_leg_front")
SKIN = {
    "skin_rolling",
    "wringing",
    "picking_up",
    "pin_and_lift",
    "scapula_lift",
    "fascial_spread",
    "broad_glide",
}
"""Strokes that drag or lift the skin."""
DRUMS = {"tapping", "pincement", "hacking", "cupping_hands", "clapping", "soft_fist", "quacking", "drumming"}
PULLS = {"traction", "range_of_motion", "held_stretch"}
RUBS = {"knuckling", "circular_friction", "cross_fibre_friction", "scalp_circles"}
PRESSES = {"palm_compression", "forearm_compression", "spine_walk", "twist_compression"}
POINTS = {"breath_press", "point_hold", "sole_point_hold"}
LONG = {"effleurage", "reinforced_stroking", "deep_effleurage", "forearm_glide", "nerve_stroke"}


@dataclass(frozen=True)
class Expected:
    """What a teacher expects for a difficulty.

    `out`: regions untouched. `caps`: most depth by region, or for all. `never`: strokes not done, by region or on all.
    `not_lying`: positions not lain in; `flat_minutes`: so long at most on the back or face down. `no_heat`: no hot
    towel. `out_there`: its places are untouched; `cap_there`: the most depth on the regions of its places.
    """

    out: tuple[str, ...] = ()
    caps: Mapping[str, int] = field(default_factory=dict)
    never: Mapping[str, set[str]] = field(default_factory=dict)
    not_lying: tuple[str, ...] = ()
    flat_minutes: int | None = None
    no_heat: bool = False
    out_there: bool = False
    cap_there: int = 5


def legs_at(depth: int) -> dict[str, int]:
    return dict.fromkeys(LEGS, depth)


CONDITIONS: Mapping[str, Expected] = {
    "cancer_treatment": Expected(caps={"all": 2}, no_heat=True),
    "heart_failure": Expected(
        caps={"all": 2, **legs_at(1)},
        never=dict.fromkeys(LEGS, LONG),
        not_lying=("prone", "supine"),
    ),
    "anticoagulants": Expected(
        caps={"all": 2}, never={"all": SKIN | RUBS - {"scalp_circles"} | POINTS | DRUMS | {"stripping"}}
    ),
    "osteoporosis_severe": Expected(caps={"all": 2}, never={"all": SKIN | PRESSES | DRUMS | PULLS}),
    "kidney_liver_advanced": Expected(caps={"all": 2}),
    "diabetes_numb": Expected(
        caps={"hand": 2, "foot": 2, "lower_leg_back": 2, "lower_leg_front": 2}, no_heat=True
    ),
    "recent_clot_treated": Expected(out=(*LEGS, "foot")),
    "high_blood_pressure_treated": Expected(caps={"all": 3}),
    "varicose_veins": Expected(caps=legs_at(2)),
    "asthma_reflux": Expected(out=("abdomen",)),
    "menstruation": Expected(out=("abdomen",)),
    "cannot_lie_flat": Expected(not_lying=("prone", "supine")),
    "flat_for_short": Expected(flat_minutes=20),
    "neck_injury_old": Expected(caps={"neck": 2}, never={"neck": PULLS | DRUMS}),
    "neck_unstable": Expected(caps={"neck": 2}, never={"neck": PULLS, "scalp": PULLS}),
    "joint_replaced": Expected(never={"all": PULLS}),
    "very_mobile_joints": Expected(never={"all": {"held_stretch", "traction"}}),
    "thin_skin": Expected(caps={"all": 2}, never={"all": SKIN}),
    "numb_area": Expected(no_heat=True, cap_there=2),
    "acute_injury": Expected(no_heat=True, out_there=True),
    "recent_surgery": Expected(out_there=True),
    "recent_fracture": Expected(out_there=True),
    "implanted_device": Expected(out_there=True),
    "eczema": Expected(out_there=True),
    "broken_skin": Expected(out_there=True),
    "jaw_operation": Expected(caps={"face": 1}, never={"face": {"jaw_release"}}),
    "hair_extensions": Expected(out=("scalp",)),
    "make_up": Expected(out=("face",)),
    "lymph_nodes_removed": Expected(
        caps={"arm": 2, "hand": 2, "chest": 2}, never={"arm": RUBS | PRESSES | DRUMS}
    ),
    "lymph_nodes_removed_groin": Expected(
        caps={"foot": 2, "hips": 2, **legs_at(2)},
        never=dict.fromkeys((*LEGS, "foot"), RUBS | PRESSES | DRUMS),
    ),
    "hernia": Expected(out=("abdomen", "hip_front")),
    "birth_within_six_weeks": Expected(out=("abdomen",), caps=legs_at(1), never={"all": PULLS}),
}
PREGNANT = Expected(
    caps={
        "back": 3,
        "shoulders": 3,
        "neck": 3,
        "hips": 3,
        "abdomen": 1,
        "arm": 2,
        "hand": 2,
        "foot": 2,
        **legs_at(2),
    },
    never={"all": {"held_stretch", "traction"} | DRUMS},
)
PLACES: Mapping[tuple[str, str], int] = {
    ("neck", "front_neck"): 1,
    ("neck", "sternomastoid"): 1,
    ("neck", "scalene"): 2,
    ("neck", "side_neck"): 2,
    ("arm", "elbow_crease"): 2,
    ("arm", "armpit_edge"): 2,
    ("back", "quadratus_lumborum"): 2,
    ("chest", "clavicle_line"): 2,
    ("chest", "sternum"): 1,
    ("abdomen", "solar_plexus"): 1,
    ("lower_leg_back", "back_of_knee"): 1,
    ("lower_leg_front", "shin_bone"): 1,
    ("thigh_front", "kneecap_surround"): 2,
}
"""The most depth at a fragile place: region and zone."""

CONSENTS = {
    "abdomen": "abdomen",
    "hips": "hips",
    "chest": "chest",
    "face": "face",
    "scalp": "scalp",
    "foot": "foot",
}
"""Region by consent."""

TOUCHES = ("stroke", "announce", "oil", "check_in")


def find_forbidden(sheet: RunSheet, client: ClientFacts, focus: tuple[str, ...] = ()) -> list[str]:
    """What the sheet does that a careful teacher would not, in words; a focus has asked for its region."""
    return [
        *(
            f"{entry.address}: {what}"
            for entry in sheet.entries
            for what in _wrong_with(entry, client, focus)
        ),
        *_flat_too_long(sheet, client),
    ]


def _flat_too_long(sheet: RunSheet, client: ClientFacts) -> Iterator[str]:
    """Stretches on the back or face down; a last hold may be some seconds longer, as every session may."""
    for name, expected in _expectations(client):
        taken = 0
        for entry in sheet.entries:
            taken = taken + entry.seconds if entry.position in ("prone", "supine") else 0
            if expected.flat_minutes is not None and taken > 60 * expected.flat_minutes + 15:
                yield f"{name}: {taken} s flat at {entry.address}"


def _wrong_with(entry: Entry, client: ClientFacts, focus: tuple[str, ...]) -> Iterator[str]:
    for name, expected in _expectations(client):
        if entry.position in expected.not_lying:
            yield f"{name}: lying {entry.position}"
        if entry.kind not in TOUCHES:
            continue
        asked = entry.region in focus and name in ("menstruation", "asthma_reflux")
        if entry.region in expected.out and not asked:
            yield f"{name}: {entry.region} is touched"
        if entry.stroke is None:
            continue
        there = any(place.region == entry.region for place in _places(name, client))
        most = min(
            expected.caps.get(entry.region, 5),
            expected.caps.get("all", 5),
            expected.cap_there if there else 5,
        )
        if (entry.depth or 0) > most:
            yield f"{name}: {entry.stroke} at {entry.depth} on the {entry.region}, {most} is the most"
        if entry.stroke in expected.never.get("all", set()) | expected.never.get(entry.region, set()):
            yield f"{name}: {entry.stroke} on the {entry.region}"
        if expected.no_heat and entry.stroke == "hot_towel_press":
            yield f"{name}: heat on the {entry.region}"
    if entry.kind in TOUCHES:
        yield from _at_a_wrong_place(entry, client)


def _at_a_wrong_place(entry: Entry, client: ClientFacts) -> Iterator[str]:
    kept_off = [("kept off", place) for place in client.excluded]
    for name, expected in _expectations(client):
        kept_off += [(name, place) for place in _places(name, client) if expected.out_there]
    for why, place in kept_off:
        sides = {entry.side, place.side}
        same_side = place.side == "both" or entry.side in ("both", "mid") or len(sides) == 1
        if place.region == entry.region and same_side and place.zone in (None, entry.zone):
            yield f"{why}: {entry.region} {entry.side} {entry.zone or ''}"
    for consent in client.declined:
        if CONSENTS.get(consent) == entry.region:
            yield f"declined: {consent}"
    if entry.region == "hips":
        if "hips" not in client.consents | client.through_cloth:
            yield "the hips without a yes"
        if "hips" in client.through_cloth and (
            entry.kind == "oil" or entry.window not in ("none", "clothed")
        ):
            yield "the hips uncovered, and they were to be worked through the sheet"
    if entry.stroke == "hair_root_lift" and "hair" not in client.consents:
        yield "hair lifted without a yes"
    if entry.region == "abdomen" and "abdomen" not in client.consents and entry.role == "work":
        yield "the belly without a yes"
    most = PLACES.get((entry.region, entry.zone or ""), 5)
    if entry.depth and entry.depth > most:
        yield f"{entry.zone} at depth {entry.depth}, {most} is the most"


def _places(condition: str, client: ClientFacts) -> tuple[Place, ...]:
    return next((one.places for one in client.condition_places if one.condition == condition), ())


def _expectations(client: ClientFacts) -> Iterator[tuple[str, Expected]]:
    for condition in sorted(client.conditions):
        if condition in CONDITIONS:
            yield condition, CONDITIONS[condition]
    days = client.gestation_days
    if days is not None:
        yield "pregnancy", PREGNANT
        if days > 84:
            yield "pregnancy after 12 weeks", Expected(not_lying=("prone",))
        if days >= 140:
            yield "pregnancy from 20 weeks", Expected(not_lying=("supine",))
        if days < 98:
            yield "first trimester", Expected(out=("abdomen",))
