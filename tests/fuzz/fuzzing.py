"""Requests made from the description by schemathesis, with real ids and revisions mixed in, held to the description."""

import random
import time
from collections import Counter
from collections.abc import Callable
from contextlib import suppress
from dataclasses import dataclass, field
from typing import Any

import requests
import schemathesis
from hypothesis import HealthCheck, Phase, given, seed, settings
from hypothesis.errors import Unsatisfiable
from schemathesis import Case, GenerationMode
from schemathesis.checks import not_a_server_error
from schemathesis.core.failures import Failure, FailureGroup
from schemathesis.specs.openapi.checks import (
    content_type_conformance,
    response_schema_conformance,
    status_code_conformance,
)

from mellow_tide.demo.people import CLIENTS, demo_id
from mellow_tide.web.guard import SIGN_IN

CHECKS: list[Any] = [
    not_a_server_error,
    status_code_conformance,
    content_type_conformance,
    response_schema_conformance,
]

REAL = 0.85
"""How often an id or a revision is a real one."""

AT_ONCE = 6
"""Requests of one operation before the next one's turn."""

SESSIONS = [str(demo_id(f"session 2026-05-04 {name}")) for name in ("ottilie", "bram", "isolde", "corin")]
IDS = {"client_id": [str(one.client_id) for one in CLIENTS.values()], "session_id": SESSIONS}
PARTS = ["back", "neck", "open", "close", "foot-right"]


@dataclass
class Found:
    """What fuzzing came to: answers by status, and the first one of each kind that broke its description."""

    answers: Counter[int] = field(default_factory=Counter)
    failures: dict[str, str] = field(default_factory=dict)


class Fuzzer:
    """Fuzzes a server at `url` in which somebody is signed in by `token`; the same `chance` asks the same."""

    def __init__(self, url: str, token: str, chance: int) -> None:
        self._url = url
        self._dice = random.Random(chance)
        self._session = requests.Session()
        self._session.cookies.set(SIGN_IN, token)
        self._found = Found()
        described = self._session.get(f"{url}/api/openapi.json", timeout=30).json()
        schema = schemathesis.openapi.from_dict(described)
        self._operations = [one.ok() for one in schema.get_all_operations()]

    def run(self, seconds: float, put_back: Callable[[], None]) -> Found:
        """Ask every operation in turn until time is over; `put_back` makes the demo whole before each round."""
        until = time.monotonic() + seconds
        while time.monotonic() < until:
            put_back()
            self._dice.shuffle(self._operations)
            for operation in self._operations:
                if time.monotonic() < until:
                    self._ask_several(operation)
        return self._found

    def _ask_several(self, operation: Any) -> None:
        # One in four is what the description forbids.
        mode = GenerationMode.NEGATIVE if self._dice.random() < 0.25 else GenerationMode.POSITIVE

        @seed(self._dice.getrandbits(32))
        @settings(
            max_examples=AT_ONCE,
            deadline=None,
            database=None,
            phases=[Phase.generate],
            suppress_health_check=list(HealthCheck),
        )
        @given(case=operation.as_strategy(generation_mode=mode))
        def ask(case: Case) -> None:
            self._make_real(case)
            self._ask(case)

        # Where nothing is asked for there is nothing to get wrong.
        with suppress(Unsatisfiable):
            ask()

    def _ask(self, case: Case) -> None:
        try:
            headers = {"Origin": self._url}
            # Signing in and out is tried by somebody else: all the rest needs us to stay.
            session = requests.Session() if case.path == "/api/sign-in" else self._session
            answer = case.call(base_url=self._url, session=session, headers=headers, timeout=30)
        except (requests.exceptions.InvalidURL, requests.exceptions.InvalidHeader, UnicodeError):
            # What no client can send.
            return
        self._found.answers[answer.status_code] += 1
        try:
            case.validate_response(answer, checks=CHECKS)
        except (Failure, FailureGroup) as failure:
            kind = f"{case.operation.label} → {answer.status_code}"
            self._found.failures.setdefault(kind, f"{failure}"[:2500])

    def _make_real(self, case: Case) -> None:
        """Put real ids, and the revision that stands, where the description has any."""
        path = case.path_parameters or {}
        for name in path:
            known = IDS.get(name, PARTS if name == "part_id" else None)
            if known and self._dice.random() < REAL:
                path[name] = self._dice.choice(known)
        body = case.body
        if not isinstance(body, dict):
            return
        if "session_id" in body and self._dice.random() < REAL:
            body["session_id"] = self._dice.choice(SESSIONS)
        if "revision" in body and self._dice.random() < REAL:
            kind = next((kind for kind in ("session", "client") if f"{kind}_id" in path), None)
            if kind:
                stands = self._session.get(f"{self._url}/api/{kind}s/{path[f'{kind}_id']}", timeout=30)
                if stands.ok:
                    body["revision"] = stands.json()["revision"]
