"""Every error as a problem document (RFC 9457), from one table."""

import logging
from collections.abc import Sequence
from functools import singledispatch
from http import HTTPStatus
from typing import Any, NamedTuple

from fastapi import FastAPI, Request
from fastapi.exceptions import RequestValidationError
from fastapi.responses import JSONResponse
from pydantic import BaseModel
from starlette.exceptions import HTTPException

from mellow_tide.core.booking.clashes import Clash
from mellow_tide.core.phrases.book import say
from mellow_tide.core.refusal import DoesNotFit, FieldProblem, Offer, Refused
from mellow_tide.services.booking.judging import Clashing
from mellow_tide.services.designing.standing import RunHasBegun
from mellow_tide.services.door import NotOffered
from mellow_tide.services.house.settings import HouseChangedElsewhere
from mellow_tide.services.meeting.intake_form import AnswersOutOfTurn, FormHandedIn, LinkEnded, LinkUsed
from mellow_tide.services.people.attempts import TooManyAttempts
from mellow_tide.services.people.members import InvitationOver, LastOwner
from mellow_tide.services.people.password_link import PasswordLinkOver
from mellow_tide.services.people.second_factor import CodeWanted, CodeWrong
from mellow_tide.services.people.sign_in import SignInRefused
from mellow_tide.services.permissions import NotInDemo, NotPermitted
from mellow_tide.services.running.runs import DayQuestionOpen, SheetUnknown
from mellow_tide.store.errors import (
    Conflict,
    Differs,
    DiskFull,
    NotThere,
    PracticeShut,
    Stale,
    StoreUnavailable,
    TookTooLong,
)

log = logging.getLogger(__name__)

MEDIA_TYPE = "application/problem+json"


class NotSignedIn(Exception):
    """The request carries no valid sign-in."""


class FieldError(BaseModel):
    """One field at fault: a dotted path, which problem it is, what is wrong, how to mend it."""

    field: str
    code: str
    what: str
    remedy: str


class OfferedChange(BaseModel):
    """A change of the brief that would do: in words, and the fields that change."""

    says: str
    change: dict[str, Any]


class Problem(BaseModel):
    """A problem document; `errors` names the fields at fault, if fields are, `offers` what would do instead.

    `clashes` are what does not go with the day, where a booking was refused for that.
    """

    type: str
    title: str
    status: int
    detail: str
    errors: list[FieldError] = []
    offers: list[OfferedChange] = []
    clashes: list[Clash] = []


PLAIN: dict[type[Exception], tuple[int, str]] = {
    NotThere: (404, "not-there"),
    Stale: (409, "changed-elsewhere"),
    Conflict: (409, "changed-elsewhere"),
    Differs: (409, "event-differs"),
    RunHasBegun: (409, "run-has-begun"),
    DayQuestionOpen: (409, "day-question-open"),
    SheetUnknown: (409, "sheet-unknown"),
    LinkUsed: (409, "link-used"),
    LinkEnded: (410, "link-ended"),
    FormHandedIn: (409, "handed-in"),
    AnswersOutOfTurn: (409, "answers-out-of-turn"),
    PracticeShut: (410, "practice-shut"),
    DiskFull: (507, "disk-full"),
    TookTooLong: (503, "took-too-long"),
    StoreUnavailable: (503, "store-unavailable"),
    NotSignedIn: (401, "not-signed-in"),
    SignInRefused: (401, "sign-in-refused"),
    CodeWanted: (401, "code-wanted"),
    CodeWrong: (401, "code-wrong"),
    NotPermitted: (403, "not-permitted"),
    NotInDemo: (403, "not-in-demo"),
    NotOffered: (403, "not-offered"),
    InvitationOver: (410, "invitation-over"),
    PasswordLinkOver: (410, "password-link-over"),
    LastOwner: (409, "last-owner"),
}
"""Status and code of every error that names no field; its words stand in the book of phrases."""

TAKEN = {"version_name_once": "version-name-taken", "second_factor_stands": "second-factor-stands"}
"""The refusal where there may be only one."""


class Outcome(NamedTuple):
    """What went wrong: HTTP status, code, title, and what to do."""

    status: int
    code: str
    title: str
    detail: str


def tell(status: int, code: str, **data: object) -> Outcome:
    """The outcome of a code of the book, with its words."""
    title, detail = (say(f"refusals.{code}.{part}", **data) for part in ("title", "detail"))
    return Outcome(status, code, title, detail)


def answer(
    outcome: Outcome,
    errors: Sequence[FieldProblem] = (),
    headers: dict[str, str] | None = None,
    offers: Sequence[Offer] = (),
    clashes: Sequence[Clash] = (),
) -> JSONResponse:
    """The response that carries a problem document."""
    body = Problem(
        type=f"urn:mellow-tide:problem:{outcome.code}",
        title=outcome.title,
        status=outcome.status,
        detail=outcome.detail,
        errors=[FieldError(field=e.field, code=e.code, what=e.what, remedy=e.remedy) for e in errors],
        offers=[OfferedChange(says=o.says, change=dict(o.change)) for o in offers],
        clashes=list(clashes),
    )
    return JSONResponse(body.model_dump(mode="json"), outcome.status, headers, media_type=MEDIA_TYPE)


def install(app: FastAPI) -> None:
    """Answer every error of the application with a problem document."""
    for kind in (
        *PLAIN,
        Refused,
        Clashing,
        HouseChangedElsewhere,
        TooManyAttempts,
        RequestValidationError,
        HTTPException,
        Exception,
    ):
        app.add_exception_handler(kind, _handle)


async def _handle(request: Request, error: Exception) -> JSONResponse:
    return _respond(error)


@singledispatch
def _respond(error: Exception) -> JSONResponse:
    if isinstance(error, Conflict) and error.constraint in TAKEN:
        return answer(tell(409, TAKEN[error.constraint]))
    for kind in type(error).__mro__:
        if kind in PLAIN:
            return answer(tell(*PLAIN[kind]))
    log.error("unexpected error", exc_info=error)
    return answer(tell(500, "unexpected"))


@_respond.register
def _(error: Refused) -> JSONResponse:
    detail = " ".join(problem.sentence for problem in error.problems)
    offers = error.offers if isinstance(error, DoesNotFit) else ()
    return answer(Outcome(422, error.code, error.title, detail), error.problems, offers=offers)


@_respond.register
def _(error: Clashing) -> JSONResponse:
    says = " ".join(clash.says for clash in error.clashes)
    return answer(tell(409, "clashing", says=says), clashes=error.clashes)


@_respond.register
def _(error: HouseChangedElsewhere) -> JSONResponse:
    return answer(tell(409, "house-changed-elsewhere", who=error.who, now=error.now))


@_respond.register
def _(error: TooManyAttempts) -> JSONResponse:
    outcome = tell(429, "too-many-attempts", seconds=error.seconds)
    return answer(outcome, headers={"Retry-After": str(error.seconds)})


@_respond.register
def _(error: RequestValidationError) -> JSONResponse:
    if any(e["loc"][0] == "path" for e in error.errors()):
        # An address that names nothing, however it is misspelt.
        return answer(tell(404, "no-such-page"))
    problems = [_field_problem(e) for e in error.errors()]
    return answer(tell(422, "unreadable"), problems)


@_respond.register
def _(error: HTTPException) -> JSONResponse:
    status = error.status_code
    if status == HTTPStatus.NOT_FOUND:
        return answer(tell(status, "no-such-page"))
    return answer(Outcome(status, f"http-{status}", str(error.detail), say("refusals.no-such-page.detail")))


def _field_problem(error: Any) -> FieldProblem:
    place = [str(part) for part in error["loc"]]
    if place[0] in ("body", "query", "path"):
        place = place[1:]
    if len(place) > 1 and place[0] in ("brief", "flow", "log", "record", "answers"):
        place = place[1:]
    field = ".".join(place) or "body"
    code, data = _wrong(error["type"], error.get("ctx", {}), str(error["msg"]))
    return FieldProblem(field, code, **data)


FAULTS: dict[str, tuple[str, str]] = {
    "greater_than_equal": ("too_small", "ge"),
    "less_than_equal": ("too_large", "le"),
    "string_too_long": ("too_long", "max_length"),
    "missing": ("missing", ""),
    "extra_forbidden": ("not_known", ""),
    "int_parsing": ("not_whole", ""),
    "int_type": ("not_whole", ""),
    "int_from_float": ("not_whole", ""),
}
"""By pydantic's kind of error: the book's problem, and the bound that was passed, if one was."""


def _wrong(kind: str, bounds: dict[str, Any], message: str) -> tuple[str, dict[str, object]]:
    """The book's problem, with its data, for pydantic's kind of error."""
    if kind in FAULTS:
        code, bound = FAULTS[kind]
        return code, {"bound": bounds[bound]} if bound else {}
    plain = message.removeprefix("Value error, ")
    return "unusable", {"message": plain[0].lower() + plain[1:]}
