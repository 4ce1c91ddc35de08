"""What all simulated machines have in common: who they are, pairing by a code, a page, and misbehaving on demand."""

import asyncio
import hashlib
import hmac
import secrets
from collections.abc import Awaitable, Callable
from dataclasses import dataclass, field
from importlib import resources
from pathlib import Path
from typing import Annotated, Literal, get_args

from fastapi import Depends, FastAPI, Request, Response
from fastapi.responses import HTMLResponse, JSONResponse
from pydantic import BaseModel, Field
from starlette.middleware.trustedhost import TrustedHostMiddleware

from mellow_tide.devices.protocol import (
    About,
    MachineKind,
    PairingCode,
    PairingToken,
    TableState,
    WarmerState,
)

Behaves = Literal["well", "slow", "silent", "lying"]
"""How a machine answers those who are paired: as it should, after two seconds, never, or with nonsense."""

SLOW_SECONDS = 2.0
SILENT_SECONDS = 3600.0
MOST_WRONG_CODES = 3
"""After so many wrong codes the machine shows a new one."""

FROM_PAGE = "x-from-page"
"""A header that a page elsewhere cannot send without being asked whether it may."""


def make_code() -> str:
    """A new code of six digits."""
    return f"{secrets.randbelow(1_000_000):06}"


class _Memory(BaseModel):
    """What outlasts switching off: the serial number, and hashes of the tokens that were given."""

    serial: str = Field(default_factory=lambda: secrets.token_hex(6))
    tokens: frozenset[str] = frozenset()


@dataclass
class SimulatedMachine:
    """A machine with its code; `memory` is the file in which it keeps who is paired."""

    kind: MachineKind
    name: str
    memory: Path | None = None
    code: str = field(default_factory=make_code)
    behaves: Behaves = "well"
    _wrong: int = 0
    _kept: "_Memory" = field(init=False)

    def __post_init__(self) -> None:
        try:
            self._kept = _Memory.model_validate_json(self.memory.read_text()) if self.memory else _Memory()
        except (OSError, ValueError):
            # New, or its memory is lost: it is paired again.
            self._kept = _Memory()

    @property
    def about(self) -> About:
        """Which machine it is."""
        return About(kind=self.kind, name=self.name, serial=self._kept.serial)

    def pair(self, code: str) -> str | None:
        """A new token for whoever knows the code, which changes with it; None for a wrong one."""
        if not hmac.compare_digest(code, self.code):
            self._wrong += 1
            if self._wrong >= MOST_WRONG_CODES:
                self.code, self._wrong = make_code(), 0
            return None
        token = secrets.token_urlsafe(24)
        self._keep(frozenset({*self._kept.tokens, _hash(token)}))
        self.code, self._wrong = make_code(), 0
        return token

    def knows(self, token: str) -> bool:
        """Whether it gave this token."""
        return _hash(token) in self._kept.tokens

    def forget_all(self) -> None:
        """Nobody is paired any more."""
        self._keep(frozenset())

    def _keep(self, tokens: frozenset[str]) -> None:
        self._kept = self._kept.model_copy(update={"tokens": tokens})
        if self.memory:
            fresh = self.memory.with_suffix(".new")
            fresh.write_text(self._kept.model_dump_json())
            fresh.replace(self.memory)


class NotPaired(Exception):
    """Whoever asks is not paired."""


def _is_paired(request: Request) -> None:
    machine: SimulatedMachine = request.app.state.machine
    scheme, _, token = request.headers.get("authorization", "").partition(" ")
    if scheme != "Bearer" or not machine.knows(token):
        raise NotPaired


IsPaired = Annotated[None, Depends(_is_paired)]
"""Only whoever is paired may do it."""


class _Face(BaseModel):
    """What the machine shows to whoever stands before it."""

    about: About
    code: str
    behaves: Behaves
    state: TableState | WarmerState


class _Behaviour(BaseModel):
    behaves: Behaves


def make_machine(machine: SimulatedMachine, read: Callable[[], TableState | WarmerState]) -> FastAPI:
    """The part of its program that every machine has; `read` tells its state."""
    app = FastAPI(title=machine.name, docs_url=None, redoc_url=None, openapi_url=None)
    app.state.machine = machine
    app.add_middleware(TrustedHostMiddleware, allowed_hosts=["127.0.0.1", "localhost"])

    @app.exception_handler(NotPaired)
    def refuse(_: Request, error: NotPaired) -> Response:
        return JSONResponse({"problem": "not-paired"}, 401)

    @app.middleware("http")
    async def misbehave(request: Request, call_next: Callable[[Request], Awaitable[Response]]) -> Response:
        if "authorization" in request.headers and machine.behaves != "well":
            if machine.behaves == "lying":
                return JSONResponse({"height_cm": 900, "temperature_c": 900, "on": True})
            await asyncio.sleep(SLOW_SECONDS if machine.behaves == "slow" else SILENT_SECONDS)
        return await call_next(request)

    @app.get("/machine")
    def tell_about() -> About:
        return machine.about

    @app.post("/pair", response_model=PairingToken)
    def pair(code: PairingCode) -> Response | PairingToken:
        token = machine.pair(code.code)
        wrong = JSONResponse({"problem": "wrong-code"}, 403)
        return PairingToken(token=token) if token else wrong

    @app.get("/", response_class=HTMLResponse)
    def show_page() -> str:
        page = resources.files("mellow_tide.devices") / "pages" / "machine.html"
        choices = "".join(f"<option>{one}</option>" for one in get_args(Behaves))
        return page.read_text("utf-8").replace("{{behaviours}}", choices)

    @app.get("/face", dependencies=[Depends(_is_own_page)])
    def show_face() -> _Face:
        return _Face(about=machine.about, code=machine.code, behaves=machine.behaves, state=read())

    @app.post("/behave", dependencies=[Depends(_is_own_page)])
    def behave(wanted: _Behaviour) -> _Face:
        machine.behaves = wanted.behaves
        return show_face()

    @app.post("/forget", dependencies=[Depends(_is_own_page)])
    def forget() -> _Face:
        machine.forget_all()
        return show_face()

    return app


def _is_own_page(request: Request) -> None:
    if FROM_PAGE not in request.headers:
        raise NotPaired


def _hash(token: str) -> str:
    return hashlib.sha256(token.encode()).hexdigest()
