"""The server as it ships, which also answers how many requests it works on: run in place of its command."""

from collections.abc import Awaitable, Callable
from typing import Any

from mellow_tide import cli

UNDER_WAY = "/requests-under-way"


class Counted:
    """Counts what is asked of `app` until the last of its work is done, whether or not somebody still listens."""

    def __init__(self, app: Callable[..., Awaitable[None]]) -> None:
        self.app = app
        self.under_way = 0

    async def __call__(self, scope: dict[str, Any], receive: Any, send: Any) -> None:
        if scope["type"] != "http":
            await self.app(scope, receive, send)
        elif scope["path"] == UNDER_WAY:
            await send({"type": "http.response.start", "status": 200})
            await send({"type": "http.response.body", "body": str(self.under_way).encode()})
        else:
            self.under_way += 1
            try:
                await self.app(scope, receive, send)
            finally:
                self.under_way -= 1


if __name__ == "__main__":
    make_app = cli.make_app
    cli.make_app = lambda *given: Counted(make_app(*given))  # type: ignore[assignment, return-value]
    cli.cli()
