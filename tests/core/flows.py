"""Small flows that tests build on."""

from mellow_tide.core.flow.brief import Brief, ClientFacts, Side
from mellow_tide.core.flow.flow import Flow, Part, Role, Step

AGREED = frozenset({"hips", "chest", "face", "scalp", "foot"})
"""What most clients agree to; the abdomen is for a test that wants it."""

CLIENT = ClientFacts(consents=AGREED)

BRIEF = Brief(booked_minutes=60)


def step(stroke="effleurage", slot="warm", tool="palms", depth=2, passes=4, zone=None):
    return Step(stroke=stroke, slot=slot, tool=tool, depth=depth, passes=passes, zone=zone)


HOLD = step("resting_hold", "open", "palms", 1, 4)


def part(
    region, side: Side = "mid", position="prone", window="none", *steps, role: Role = "work", medium=None
):
    return Part(
        id=f"{role}-{region}-{side}",
        role=role,
        region=region,
        side=side,
        position=position,
        window=window,
        medium=medium or ("clothed" if role != "work" else "lubricated"),
        steps=steps or (step("oil_spread", "spread", depth=1, passes=2), step()),
    )


OPEN = part("back", "mid", "prone", "none", HOLD, role="open")
CLOSE = part("scalp", "mid", "supine", "none", step("resting_hold", "close", "palms", 1, 6), role="close")
BACK = part("back", "mid", "prone", "back")
FEET = (part("foot", "right", "prone", "foot"), part("foot", "left", "prone", "foot"))
FACE_STEPS = (step("face_sweep", "warm", "palms", 1, 4, "forehead"),)
FACE = part("face", "mid", "supine", "none", *FACE_STEPS, medium="dry")
ARM = part("arm", "right", "supine", "arm")
HAND = part("hand", "right", "supine", "none")


def flow(*parts: Part) -> Flow:
    return Flow(brief=BRIEF, parts=parts)
