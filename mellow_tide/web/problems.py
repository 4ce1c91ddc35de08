"""Every error as a problem document (RFC 9457), from one table."""

import logging
from collections.abc import Sequence
from functools import singledispatch
from typing import Any, NamedTuple

from fastapi import FastAPI, Request
from fastapi.exceptions import RequestValidationError
from fastapi.responses import JSONResponse
from pydantic import BaseModel
from starlette.exceptions import HTTPException

from mellow_tide.core.refusal import DoesNotFit, FieldProblem, Offer, Refused
from mellow_tide.services.designing.standing import RunHasBegun
from mellow_tide.services.meeting.intake_form import LinkEnded, LinkUsed
from mellow_tide.services.running.runs import DayQuestionOpen, SheetUnknown
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


class OfferedChange(BaseModel):
    """A change of the brief that would do: in words, and the fields that change."""

    says: str
    change: dict[str, Any]


class Problem(BaseModel):
    """A problem document; `errors` names the fields at fault, if fields are, `offers` what would do instead."""

    type: str
    title: str
    status: int
    detail: str
    errors: list[FieldError] = []
    offers: list[OfferedChange] = []


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
    DayQuestionOpen: (
        409,
        "day-question-open",
        "The client has not been asked yet what is new today.",
        "Ask, and keep the answer; then begin.",
    ),
    SheetUnknown: (
        409,
        "sheet-unknown",
        "The plan has changed since this device fetched it.",
        "Nothing that was tapped is lost. The device sends its run sheet along and goes on.",
    ),
    LinkUsed: (
        409,
        "link-used",
        "This link has been opened on another device.",
        "It opens once. Go on with that device, or ask the practice for a new link.",
    ),
    LinkEnded: (
        410,
        "link-ended",
        "This link is no longer open.",
        "It ends after a week. Ask the practice for a new one.",
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

TAKEN = {"version_name_once": "Another version of this plan is called so: choose another name."}
"""What to do where a constraint keeps names apart."""


class Outcome(NamedTuple):
    """What went wrong: HTTP status, code, title, and what to do."""

    status: int
    code: str
    title: str
    detail: str


def answer(
    outcome: Outcome,
    errors: Sequence[FieldProblem] = (),
    headers: dict[str, str] | None = None,
    offers: Sequence[Offer] = (),
) -> JSONResponse:
    """The response that carries a problem document."""
    body = Problem(
        type=f"urn:mellow-tide:problem:{outcome.code}",
        title=outcome.title,
        status=outcome.status,
        detail=outcome.detail,
        errors=[FieldError(field=e.field, what=e.what, remedy=e.remedy) for e in errors],
        offers=[OfferedChange(says=o.says, change=dict(o.change)) for o in offers],
    )
    return JSONResponse(body.model_dump(), outcome.status, headers, media_type=MEDIA_TYPE)


def install(app: FastAPI) -> None:
    """Answer every error of the application with a problem document."""
    for kind in (*PLAIN, Refused, TooManyAttempts, RequestValidationError, HTTPException, Exception):
        app.add_exception_handler(kind, _handle)


async def _handle(request: Request, error: Exception) -> JSONResponse:
    return _respond(error)


@singledispatch
def _respond(error: Exception) -> JSONResponse:
    if isinstance(error, Conflict) and error.constraint in TAKEN:
        return answer(Outcome(409, "name-taken", "This name is taken.", TAKEN[error.constraint]))
    for kind in type(error).__mro__:
        if kind in PLAIN:
            return answer(Outcome(*PLAIN[kind]))
    log.error("unexpected error", exc_info=error)
    detail = "Nothing was changed. Try again; if it happens again, look at the server's log."
    return answer(Outcome(500, "unexpected", "Something went wrong on our side.", detail))


@_respond.register
def _(error: Refused) -> JSONResponse:
    detail = " ".join(f"{p.what[0].upper()}{p.what[1:]}: {p.remedy}." for p in error.problems)
    offers = error.offers if isinstance(error, DoesNotFit) else ()
    return answer(Outcome(422, error.code, error.title, detail), error.problems, offers=offers)


@_respond.register
def _(error: TooManyAttempts) -> JSONResponse:
    detail = f"Wait {error.seconds} s, then try again."
    title = "Too many attempts to sign in."
    outcome = Outcome(429, "too-many-attempts", title, detail)
    return answer(outcome, headers={"Retry-After": str(error.seconds)})


@_respond.register
def _(error: RequestValidationError) -> JSONResponse:
    problems = [_field_problem(e) for e in error.errors()]
    outcome = Outcome(422, "unreadable", "Something in this cannot be used.", "See the fields named.")
    return answer(outcome, problems)


@_respond.register
def _(error: HTTPException) -> JSONResponse:
    status = error.status_code
    return answer(Outcome(status, f"http-{status}", str(error.detail), "Check the address."))


def _field_problem(error: Any) -> FieldProblem:
    place = [str(part) for part in error["loc"]]
    if place[0] in ("body", "query", "path"):
        place = place[1:]
    if len(place) > 1 and place[0] in ("brief", "flow", "log", "record", "answers"):
        place = place[1:]
    field = ".".join(place) or "body"
    return FieldProblem(field, *_words(error["type"], error.get("ctx", {}), str(error["msg"])))


def _words(kind: str, bounds: dict[str, Any], message: str) -> tuple[str, str]:
    """What and remedy, in plain words, for pydantic's kind of error."""
    known = {
        "greater_than_equal": ("too small", "use {ge} or more"),
        "less_than_equal": ("too large", "use {le} or less"),
        "string_too_long": ("too long", "use at most {max_length} letters"),
        "missing": ("missing", "give a value"),
        "extra_forbidden": ("not known here", "leave it out"),
        "int_parsing": ("not a whole number", "use a whole number"),
        "int_type": ("not a whole number", "use a whole number"),
        "int_from_float": ("not a whole number", "use a whole number"),
    }
    if kind in known:
        what, remedy = known[kind]
        return what, remedy.format(**bounds)
    plain = message.removeprefix("Value error, ")
    return plain[0].lower() + plain[1:], "change it and try again"
