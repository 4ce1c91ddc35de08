"""Evaluating a long flow: in the core beside laying it out, and through HTTP beside the core and a bare endpoint."""

from collections.abc import Iterator

from fastapi import Response
from fastapi.testclient import TestClient

from benchmarks.figure import Figure, figure, milliseconds
from mellow_tide.app import make_app
from mellow_tide.core.catalogue.loader import load_catalogue
from mellow_tide.core.evaluation.evaluate import evaluate
from mellow_tide.core.flow.brief import Brief, ClientFacts
from mellow_tide.core.planner.plan import plan
from mellow_tide.core.timing.run_sheet import lay_out
from mellow_tide.demo.people import THERAPIST_EMAIL, THERAPIST_PASSWORD
from tests.demo_database import demo_database

CORE_TARGET = 25
TIMES = 100


def figures() -> Iterator[Figure]:
    """Measure this area; all times in ms. Targets are on the 95th percentile."""
    catalogue = load_catalogue()
    flow = plan(Brief(booked_minutes=120), ClientFacts(), catalogue).flow
    core = milliseconds(lambda: evaluate(flow, ClientFacts(), catalogue), TIMES)
    layout = milliseconds(lambda: lay_out(flow, catalogue), TIMES)
    yield figure("evaluation: 120 minutes in the core", core, "laying it out", layout, target=CORE_TARGET)
    draft = {"flow": flow.model_dump(mode="json")}
    with demo_database("tide_bench") as dsn:
        app = make_app(dsn)
        answer = evaluate(flow, ClientFacts(), catalogue).model_dump_json()

        @app.post("/bare")
        def bare(body: dict[str, object]) -> Response:
            return Response(answer, media_type="application/json")

        with TestClient(app, headers={"Origin": "http://testserver"}) as client:
            client.post("/api/sign-in", json={"email": THERAPIST_EMAIL, "password": THERAPIST_PASSWORD})
            session = client.get("/api/day").json()["sessions"][1]["session_id"]
            url = f"/api/sessions/{session}/evaluation"
            client.post(url, json=draft).raise_for_status()
            http = milliseconds(lambda: client.post(url, json=draft), TIMES)
            floor = milliseconds(lambda: client.post("/bare", json=draft), TIMES)
    yield figure("evaluation: through HTTP", http, "the core alone", core, most_ratio=2.5)
    yield figure("evaluation: through HTTP", http, "a bare endpoint of the same payload", floor)
