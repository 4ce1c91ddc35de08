"""A long flow: 120 booked minutes, at least 27 parts and 160 steps."""

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.flow.brief import Brief, ClientFacts, Wish
from mellow_tide.core.flow.flow import Flow
from mellow_tide.core.planner.plan import plan
from tests.settings import setting

CLIENT = ClientFacts(
    consents=frozenset({"abdomen", "hips", "chest", "face", "scalp", "foot"}),
    wishes=(Wish(region="abdomen", depth=1),),
)
PARTS, STEPS = 27, 160


def long_flow(catalogue: Catalogue) -> Flow:
    """The planned two hours, with further strokes where it has fewer than promised."""
    flow = plan(Brief(booked_minutes=120), setting(CLIENT, catalogue)).flow
    parts = list(flow.parts)
    steps = sum(len(part.steps) for part in parts)
    for i, part in enumerate(parts):
        if steps >= STEPS:
            break
        if part.role == "work":
            parts[i] = part.model_copy(update={"steps": (*part.steps[:-1], part.steps[-2], part.steps[-1])})
            steps += 1
    assert len(parts) >= PARTS, len(parts)
    assert steps >= STEPS, steps
    return flow.model_copy(update={"parts": tuple(parts)})
