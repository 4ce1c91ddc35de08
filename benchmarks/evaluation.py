"""Evaluating a long flow: in the core beside laying it out, and through HTTP beside the core and a bare endpoint."""

from collections.abc import Iterator
from datetime import date

from fastapi import Response
from fastapi.testclient import TestClient

from benchmarks.figure import Figure, by_turns, figure
from benchmarks.long_flow import long_flow
from mellow_tide.app import make_app
from mellow_tide.core.catalogue.house.in_house import in_house
from mellow_tide.core.catalogue.loader import load_catalogue
from mellow_tide.core.evaluation.evaluate import evaluate
from mellow_tide.core.flow.flow import Flow
from mellow_tide.core.timing.run_sheet import lay_out
from mellow_tide.demo.people import CLIENTS, DAY, HOUSE, THERAPIST_EMAIL, THERAPIST_PASSWORD
from tests.demo_database import demo_database
from tests.settings import CATALOGUE, setting

HEADERS = {"Origin": "http://localhost", "Content-Type": "application/json"}
CORE_TARGET = 25
TIMES = 100


def figures() -> Iterator[Figure]:
    """Measure this area; all times in ms. Targets are on the 95th percentile.

    What is compared is measured by turns, so that a machine that speeds up or slows down does so for all.
    """
    catalogue = CATALOGUE
    flow = long_flow(catalogue)
    facts = CLIENTS[DAY[1].client].record.facts(date.today())
    with demo_database("tide_bench") as dsn:
        app = make_app(dsn)

        with TestClient(app, base_url=HEADERS["Origin"], headers=HEADERS) as client:
            client.post("/api/sign-in", json={"email": THERAPIST_EMAIL, "password": THERAPIST_PASSWORD})
            session = client.get("/api/day").json()["sessions"][1]
            url = f"/api/sessions/{session['session_id']}"
            long = {"revision": session["revision"], "brief": {"booked_minutes": 120}}
            stored = client.put(f"{url}/brief", json=long).raise_for_status()
            answer, planned = stored.content, Flow.model_validate(stored.json()["plan"]["flow"])

            @app.post("/bare")
            def bare() -> Response:
                return Response(answer, media_type="application/json")

            core, layout, own, http, floor = by_turns(
                [
                    lambda: evaluate(flow, setting(facts, catalogue, HOUSE)),
                    lambda: lay_out(flow, in_house(HOUSE, load_catalogue())),
                    lambda: evaluate(planned, setting(facts, catalogue, HOUSE)),
                    lambda: client.get(url).raise_for_status(),
                    lambda: client.post("/bare").raise_for_status(),
                ],
                TIMES,
            )
    yield figure("evaluation: 120 minutes in the core", core, "laying it out", layout, target=CORE_TARGET)
    yield figure("evaluation: through HTTP", http, "the core alone", own, most_ratio=2.5)
    yield figure("evaluation: through HTTP", http, "a bare endpoint of the same payload", floor)
