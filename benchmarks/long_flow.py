"""A long flow: 120 booked minutes, at least 27 stops and 160 steps."""

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.flow.brief import Brief, ClientFacts
from mellow_tide.core.flow.flow import Flow
from mellow_tide.core.planner.plan import plan

CLIENT = ClientFacts(consents=frozenset({"abdomen", "hips", "chest", "face", "scalp", "foot"}))
STOPS, STEPS = 27, 160


def long_flow(catalogue: Catalogue) -> Flow:
    """The planned two hours, with further strokes where it has fewer than promised."""
    flow = plan(Brief(booked_minutes=120), CLIENT, catalogue).flow
    stops = list(flow.stops)
    steps = sum(len(stop.steps) for stop in stops)
    for i, stop in enumerate(stops):
        if steps >= STEPS:
            break
        if stop.role == "work":
            stops[i] = stop.model_copy(update={"steps": (*stop.steps[:-1], stop.steps[-2], stop.steps[-1])})
            steps += 1
    assert len(stops) >= STOPS, len(stops)
    assert steps >= STEPS, steps
    return flow.model_copy(update={"stops": tuple(stops)})
