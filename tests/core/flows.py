"""Small flows that tests build on."""

from mellow_tide.core.flow.brief import Brief, ClientFacts, Side
from mellow_tide.core.flow.flow import Flow, Role, Step, Stop

AGREED = frozenset({"hips", "chest", "face", "scalp", "foot"})
"""What most clients agree to; the abdomen is for a test that wants it."""

CLIENT = ClientFacts(consents=AGREED)

BRIEF = Brief(booked_minutes=60)


def step(stroke="effleurage", slot="warm", tool="palms", depth=2, passes=4, zone=None):
    return Step(stroke=stroke, slot=slot, tool=tool, depth=depth, passes=passes, zone=zone)


HOLD = step("resting_hold", "open", "palms", 1, 4)


def stop(
    region, side: Side = "mid", position="prone", window="none", *steps, role: Role = "work", medium=None
):
    return Stop(
        id=f"{role}-{region}-{side}",
        role=role,
        region=region,
        side=side,
        position=position,
        window=window,
        medium=medium or ("clothed" if role != "work" else "lubricated"),
        steps=steps or (step("oil_spread", "spread", depth=1, passes=2), step()),
    )


OPEN = stop("back", "mid", "prone", "none", HOLD, role="open")
CLOSE = stop("scalp", "mid", "supine", "none", step("resting_hold", "close", "palms", 1, 6), role="close")
BACK = stop("back", "mid", "prone", "back")
FEET = (stop("foot", "right", "prone", "foot"), stop("foot", "left", "prone", "foot"))
FACE_STEPS = (step("face_sweep", "warm", "palms", 1, 4, "forehead"),)
FACE = stop("face", "mid", "supine", "none", *FACE_STEPS, medium="dry")
ARM = stop("arm", "right", "supine", "arm")
HAND = stop("hand", "right", "supine", "none")


def flow(*stops: Stop) -> Flow:
    return Flow(brief=BRIEF, stops=stops)
