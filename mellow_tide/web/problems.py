"""Every error as a problem document (RFC 9457), from one table."""

import logging
from collections.abc import Sequence
from typing import Any

from fastapi import FastAPI, Request
from fastapi.exceptions import RequestValidationError
from fastapi.responses import JSONResponse
from pydantic import BaseModel
from starlette.exceptions import HTTPException

from mellow_tide.core.refusal import FieldProblem, Refused
from mellow_tide.services.sessions import RunHasBegun
from mellow_tide.services.sign_in import SignInRefused, TooManyAttempts
from mellow_tide.store.errors import Conflict, NotThere, Stale, StoreUnavailable

log = logging.getLogger(__name__)

MEDIA_TYPE = "application/problem+json"


class NotSignedIn(Exception):
    """The request carries no valid sign-in."""


class FieldError(BaseModel):
    """One field at fault: a dotted path, what is wrong, how to mend it."""

    field: str
    what: str
    remedy: str


class Problem(BaseModel):
    """A problem document; `errors` names the fields at fault, if fields are."""

    type: str
    title: str
    status: int
    detail: str
    errors: list[FieldError] = []


PLAIN: dict[type[Exception], tuple[int, str, str, str]] = {
    NotThere: (404, "not-there", "There is no such thing here.", "Go back to Today and open it from there."),
    Stale: (
        409,
        "changed-elsewhere",
        "This was changed in another window.",
        "Nothing of yours was saved. The newer version is loaded when you go on; make your change again.",
    ),
    Conflict: (
        409,
        "changed-elsewhere",
        "This was saved in another window.",
        "Nothing of yours was saved. Reload to see the newer version.",
    ),
    RunHasBegun: (
        409,
        "run-has-begun",
        "This session has begun, so its plan stands.",
        "Go on in Work, or log it.",
    ),
    StoreUnavailable: (
        503,
        "store-unavailable",
        "The database does not answer.",
        "Nothing was changed. Try again in a moment; if it stays so, start the product again.",
    ),
    NotSignedIn: (401, "not-signed-in", "You are not signed in.", "Sign in; what you typed here is kept."),
    SignInRefused: (
        401,
        "sign-in-refused",
        "E-mail and password do not belong together.",
        "Check both and try again.",
    ),
}
"""Status, code, title and remedy of every error that names no field."""


def answer(
    status: int, code: str, title: str, detail: str, errors: Sequence[FieldProblem] = (), **headers: str
) -> JSONResponse:
    """The response that carries a problem document."""
    body = Problem(
        type=f"urn:mellow-tide:problem:{code}",
        title=title,
        status=status,
        detail=detail,
        errors=[FieldError(field=e.field, what=e.what, remedy=e.remedy) for e in errors],
    )
    return JSONResponse(body.model_dump(), status, headers, media_type=MEDIA_TYPE)


def install(app: FastAPI) -> None:
    """Answer every error of the application with a problem document."""
    for error in PLAIN:
        app.add_exception_handler(error, _plain)
    app.add_exception_handler(Refused, _refused)
    app.add_exception_handler(TooManyAttempts, _too_many)
    app.add_exception_handler(RequestValidationError, _unreadable)
    app.add_exception_handler(HTTPException, _http)
    app.add_exception_handler(Exception, _unexpected)


async def _plain(request: Request, error: Exception) -> JSONResponse:
    return answer(*next(PLAIN[kind] for kind in type(error).__mro__ if kind in PLAIN))


async def _refused(request: Request, error: Exception) -> JSONResponse:
    assert isinstance(error, Refused)
    detail = " ".join(f"{p.what[0].upper()}{p.what[1:]}: {p.remedy}." for p in error.problems)
    return answer(422, error.code, error.title, detail, error.problems)


async def _too_many(request: Request, error: Exception) -> JSONResponse:
    assert isinstance(error, TooManyAttempts)
    detail = f"Wait {error.seconds} s, then try again."
    title = "Too many attempts to sign in."
    return answer(429, "too-many-attempts", title, detail, **{"Retry-After": str(error.seconds)})


async def _unreadable(request: Request, error: Exception) -> JSONResponse:
    assert isinstance(error, RequestValidationError)
    problems = [_field_problem(e) for e in error.errors()]
    return answer(422, "unreadable", "Something in this cannot be used.", "See the fields named.", problems)


async def _http(request: Request, error: Exception) -> JSONResponse:
    assert isinstance(error, HTTPException)
    return answer(error.status_code, f"http-{error.status_code}", str(error.detail), "Check the address.")


async def _unexpected(request: Request, error: Exception) -> JSONResponse:
    log.error("unexpected error at %s %s", request.method, request.url.path, exc_info=error)
    detail = "Nothing was changed. Try again; if it happens again, look at the server's log."
    return answer(500, "unexpected", "Something went wrong on our side.", detail)


def _field_problem(error: Any) -> FieldProblem:
    place = [str(part) for part in error["loc"]]
    if place[0] in ("body", "query", "path"):
        place = place[1:]
    if len(place) > 1 and place[0] in ("brief", "flow", "log"):
        place = place[1:]
    field = ".".join(place) or "body"
    return FieldProblem(field, *_words(error["type"], error.get("ctx", {}), str(error["msg"])))


def _words(kind: str, bounds: dict[str, Any], message: str) -> tuple[str, str]:
    """What and remedy, in plain words, for pydantic's kind of error."""
    match kind:
        case "greater_than_equal":
            return "too small", f"use {bounds['ge']} or more"
        case "less_than_equal":
            return "too large", f"use {bounds['le']} or less"
        case "missing":
            return "missing", "give a value"
        case "extra_forbidden":
            return "not known here", "leave it out"
        case "string_too_long":
            return "too long", f"use at most {bounds['max_length']} letters"
        case "int_parsing" | "int_type" | "int_from_float":
            return "not a whole number", "use a whole number"
        case "value_error":
            return message.removeprefix("Value error, "), "change it and try again"
        case _:
            return message[0].lower() + message[1:], "change it and try again"
