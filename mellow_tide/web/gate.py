"""What every request passes before anything reads it, and what every response carries."""

import json
import re
from collections.abc import Awaitable, Callable, Iterable
from dataclasses import dataclass
from pathlib import Path
from typing import Any
from urllib.parse import unquote, urlsplit

from starlette.datastructures import Headers, MutableHeaders
from starlette.responses import Response
from starlette.types import ASGIApp, Message, Receive, Scope, Send

from mellow_tide.web.problems import answer, tell

LOOPBACK = frozenset({"127.0.0.1", "localhost", "[::1]"})

MOST_BYTES = 1_000_000
MOST_BYTES_IMPORTED = 10_000_000
IMPORTS = ("/api/clients-in", "/api/calendar-in")
"""No body is larger, but for contacts and calendars that are brought in."""

LONGEST_ADDRESS = 2000
"""Characters of path and query."""

POLICY = "; ".join(
    (
        "default-src 'self'",
        "script-src 'self'",
        "style-src 'self'",
        "img-src 'self' data:",
        "object-src 'none'",
        "base-uri 'none'",
        "form-action 'self'",
        "frame-ancestors 'none'",
    )
)

HEADERS = {
    "Content-Security-Policy": POLICY,
    "X-Content-Type-Options": "nosniff",
    "X-Frame-Options": "DENY",
    "Referrer-Policy": "no-referrer",
    "Cross-Origin-Opener-Policy": "same-origin",
    "Permissions-Policy": "camera=(), geolocation=(), microphone=(), payment=(), usb=()",
}
"""What every response says to a browser."""

HARD_TO_READ = re.compile(rb"\\u00[01]|\\u007f|\\u[dD][89a-fA-F]|\\[bf]|[\x00-\x08\x0b\x0c\x0e-\x1f\x7f]")
"""What may be a character that nobody can read: a reason to look closely."""

ILLEGIBLE = re.compile("[\x00-\x08\x0b\x0c\x0e-\x1f\x7f\ud800-\udfff]")
"""Control characters but tab and line ends, and halves of characters."""


@dataclass(frozen=True)
class Surroundings:
    """Where the product is reached: at loopback, and, if there is one, at a public address.

    `authority` is the certificate that a device in the same room installs, if there is such a one.
    """

    public_url: str = ""
    hosts: frozenset[str] = LOOPBACK
    authority: Path | None = None

    def origin(self, scheme: str, host: str) -> str | None:
        """The origin of our own pages as seen at this host; None for a host that is none of ours."""
        public = urlsplit(self.public_url)
        if self.public_url and host.lower() == public.netloc.lower():
            return f"{public.scheme}://{public.netloc}"
        name = re.sub(r":\d{1,5}$", "", host.lower())
        return f"{scheme}://{host}" if name in self.hosts else None


class Gate:
    """Sends away what is not meant for us, comes from foreign pages, is too large, or cannot be read."""

    def __init__(self, app: ASGIApp, surroundings: Surroundings) -> None:
        self._app = app
        self._surroundings = surroundings

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        """Pass on, or answer."""
        if scope["type"] != "http":
            await self._app(scope, receive, send)
            return
        carrying = _carrying(scope, send)
        refusal = self._refusal(scope)
        if refusal is None and scope["method"] not in ("GET", "HEAD", "OPTIONS"):
            body = await _read(receive, _most_bytes(scope["path"]))
            refusal = _too_large(scope) if body is None else _body_refusal(scope, body)
            receive = _again(body or b"", receive)
        await (refusal or self._app)(scope, receive, carrying)

    def _refusal(self, scope: Scope) -> Response | None:
        headers = Headers(scope=scope)
        origin = self._surroundings.origin(scope["scheme"], headers.get("host", ""))
        if origin is None:
            return answer(tell(421, "unknown-host"))
        address = scope.get("raw_path", b"") + b"?" + scope.get("query_string", b"")
        if len(address) > LONGEST_ADDRESS:
            return answer(tell(414, "address-too-long"))
        if ILLEGIBLE.search(unquote(address.decode("latin-1"), errors="surrogateescape")):
            return answer(tell(404, "no-such-page"))
        if scope["method"] not in ("GET", "HEAD", "OPTIONS") and headers.get("origin") != origin:
            return answer(tell(403, "foreign-origin"))
        length = headers.get("content-length", "0")
        if not length.isdigit() or int(length) > _most_bytes(scope["path"]):
            return _too_large(scope)
        return None


def _most_bytes(path: str) -> int:
    return MOST_BYTES_IMPORTED if path.startswith(IMPORTS) else MOST_BYTES


def _too_large(scope: Scope) -> Response:
    return answer(tell(413, "too-large", most=_most_bytes(scope["path"]) // 1_000_000))


async def _read(receive: Receive, most: int) -> bytes | None:
    """The whole body; None once it is larger than it may be, whatever it said of its length."""
    parts: list[bytes] = []
    size = 0
    while True:
        message = await receive()
        if message["type"] != "http.request":
            return b"".join(parts)
        parts.append(message.get("body", b""))
        size += len(parts[-1])
        if size > most:
            return None
        if not message.get("more_body"):
            return b"".join(parts)


def _again(body: bytes, receive: Receive) -> Receive:
    """Hands out a body that was read before, then whatever comes after it."""
    left = [{"type": "http.request", "body": body, "more_body": False}]

    async def receive_again() -> Message:
        return left.pop() if left else await receive()

    return receive_again


def _body_refusal(scope: Scope, body: bytes) -> Response | None:
    kind, _, more = Headers(scope=scope).get("content-type", "").partition(";")
    charset = re.search(r"charset\s*=\s*\"?([^\s\";]*)", more, re.IGNORECASE)
    if charset and charset[1].lower() not in ("utf-8", "utf8"):
        return answer(tell(415, "unknown-charset"))
    if body and kind.strip().lower() != "application/json":
        return answer(tell(415, "not-json"))
    if HARD_TO_READ.search(body) and _has_illegible(body):
        return answer(tell(422, "illegible"))
    return None


def _has_illegible(body: bytes) -> bool:
    """Whether any text of a JSON document has a character that is none. What is no JSON is refused later."""
    try:
        return _illegible(json.loads(body))
    except (ValueError, RecursionError):
        return False


def _illegible(value: Any) -> bool:
    if isinstance(value, str):
        return bool(ILLEGIBLE.search(value))
    inner: Iterable[Any] = (
        (*value, *value.values()) if isinstance(value, dict) else value if isinstance(value, list) else ()
    )
    return any(_illegible(one) for one in inner)


def _carrying(scope: Scope, send: Send) -> Callable[[Message], Awaitable[None]]:
    """Sends on, with what every response carries."""

    async def carry(message: Message) -> None:
        if message["type"] == "http.response.start":
            headers = MutableHeaders(scope=message)
            for name, value in HEADERS.items():
                headers.setdefault(name, value)
            if scope["path"].startswith("/api/"):
                # What is told of people stays in no cache.
                headers.setdefault("Cache-Control", "no-store")
            if scope["scheme"] == "https":
                headers.setdefault("Strict-Transport-Security", "max-age=31536000")
        await send(message)

    return carry
