"""Speaking to a machine on loopback: everything is over within a deadline, whatever the machine does."""

import asyncio
import ssl
from dataclasses import dataclass, field
from typing import Any, Literal, TypeVar

import httpx
from pydantic import BaseModel, ValidationError

from mellow_tide.devices.protocol import (
    PORTS,
    About,
    ButtonHeld,
    ButtonLetGo,
    PairingCode,
    PairingToken,
    TableState,
    WarmerState,
    WarmerSwitch,
)

DEADLINE = 0.6
"""Seconds within which a machine must have answered whole."""

PATIENCE = 3.0
"""Seconds that are waited for a machine where somebody searches or pairs."""

MOST_BYTES = 10_000

NO_CERTIFICATES = ssl.SSLContext(ssl.PROTOCOL_TLS_CLIENT)
"""Loopback needs none, and they take long to load."""

MachineAnswer = TypeVar("MachineAnswer", bound=BaseModel)


TroubleKind = Literal["away", "slow", "odd", "forgotten"]


class MachineTrouble(Exception):
    """A machine that cannot be used now."""

    trouble: TroubleKind


class Away(MachineTrouble):
    """Nothing listens there: unplugged, or ended."""

    trouble: TroubleKind = "away"


class Slow(MachineTrouble):
    """It does not answer in time."""

    trouble: TroubleKind = "slow"


class Odd(MachineTrouble):
    """What it says cannot be."""

    trouble: TroubleKind = "odd"


class Forgotten(MachineTrouble):
    """It no longer knows who asks."""

    trouble: TroubleKind = "forgotten"


class WrongCode(MachineTrouble):
    """The machine shows another code; said to anything else, it cannot be."""

    trouble: TroubleKind = "odd"


@dataclass(frozen=True)
class MachineLine:
    """The way to one machine: its port on loopback, and the token that it gave."""

    port: int
    token: str = field(default="", repr=False)

    def pair(self, code: str) -> str:
        """The token for the code that the machine shows. Raises `MachineTrouble`, `WrongCode` among it."""
        return asyncio.run(self.ask("/pair", PairingToken, PairingCode(code=code), PATIENCE)).token

    def read_table(self) -> TableState:
        """Where a lift table stands. Raises `MachineTrouble`."""
        return asyncio.run(self.ask("/state", TableState))

    def hold_table(self, hold: ButtonHeld) -> TableState:
        """Tell a lift table that its button is held. Raises `MachineTrouble`."""
        return asyncio.run(self.ask("/hold", TableState, hold))

    def let_table_go(self, press: ButtonLetGo) -> TableState:
        """Tell a lift table that its button was let go. Raises `MachineTrouble`."""
        return asyncio.run(self.ask("/let-go", TableState, press))

    def read_warmer(self) -> WarmerState:
        """How warm a towel warmer is. Raises `MachineTrouble`."""
        return asyncio.run(self.ask("/state", WarmerState))

    def switch_warmer(self, on: bool) -> WarmerState:
        """Turn a towel warmer on or off. Raises `MachineTrouble`."""
        return asyncio.run(self.ask("/switch", WarmerState, WarmerSwitch(on=on)))

    async def ask(
        self,
        path: str,
        answer: type[MachineAnswer],
        sent: BaseModel | None = None,
        deadline: float | None = None,
    ) -> MachineAnswer:
        """What the machine answers: a POST where something is sent. Raises `MachineTrouble`."""
        try:
            # A limit for each read alone would let a machine that drips hold us for as long as it likes.
            async with asyncio.timeout(deadline or DEADLINE):
                status, body = await self._send(path, sent)
        except (TimeoutError, httpx.TimeoutException) as cause:
            raise Slow from cause
        except httpx.TransportError as cause:
            raise Away from cause
        except httpx.HTTPError as cause:
            raise Odd from cause
        if status == httpx.codes.UNAUTHORIZED:
            raise Forgotten
        if status == httpx.codes.FORBIDDEN:
            raise WrongCode
        if status != httpx.codes.OK:
            raise Odd
        try:
            return answer.model_validate_json(body)
        except ValidationError as cause:
            raise Odd from cause

    async def _send(self, path: str, sent: BaseModel | None) -> tuple[int, bytes]:
        # Packed bytes could be many more than they seem, so they are not unpacked.
        headers = {"accept-encoding": "identity"}
        headers |= {"authorization": f"Bearer {self.token}"} if self.token else {}
        given: dict[str, Any] = {"json": sent.model_dump(mode="json")} if sent else {}
        async with httpx.AsyncClient(
            trust_env=False, verify=NO_CERTIFICATES, headers=headers, timeout=PATIENCE
        ) as client:
            url = f"http://127.0.0.1:{self.port}{path}"
            async with client.stream("POST" if sent else "GET", url, **given) as response:
                body = b""
                async for piece in response.aiter_raw():
                    body += piece
                    if len(body) > MOST_BYTES:
                        raise Odd
                return response.status_code, body


def search() -> list[tuple[int, About]]:
    """The machines that answer on loopback, by port. What does not answer in time is not found."""

    async def ask_all() -> list[tuple[int, About]]:
        found = await asyncio.gather(*(_ask_about(port) for port in PORTS))
        return [(port, about) for port, about in zip(PORTS, found, strict=True) if about]

    return asyncio.run(ask_all())


async def _ask_about(port: int) -> About | None:
    try:
        return await MachineLine(port).ask("/machine", About, deadline=PATIENCE)
    except MachineTrouble:
        return None
