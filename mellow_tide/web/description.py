"""What the HTTP interface says of itself: every status that can come back, with what comes with it."""

from collections.abc import Callable, Iterator
from http import HTTPStatus
from typing import Any

from fastapi import FastAPI
from fastapi.openapi.utils import get_openapi

from mellow_tide.web.problems import MEDIA_TYPE, Problem

ALWAYS = (400, 404, 414, 421, 422, 500, 503)
"""Of every operation: what cannot be read, is not there, came by an address that is none of ours, or went wrong."""

WITH_BODY = (403, 409, 410, 413, 415, 507)
"""Of what is written: from a foreign page, changed elsewhere, over, too large, no JSON, or no room for it."""

OUTSIDE = ("/api/door", "/api/sign-in", "/api/ready", "/api/intake/")
"""Where nobody needs to be signed in."""

INSIDE = (401, 403)
AT_THE_DOOR = {
    "begin_sign_in": (401, 429),
    "enter_demo": (429,),
    "open_practice": (429,),
    "read_invitation": (429,),
    "join_practice": (429,),
    "set_password_by_link": (429,),
}
PROVING = ("change_account", "change_password", "propose_second_factor", "drop_second_factor")
"""Operations that ask for the password again."""

UNREAD: dict[str, tuple[int, ...]] = {"ask_ready": (503, 421, 414, 500)}
"""Operations of which less can come."""


def describe(app: FastAPI) -> Callable[[], dict[str, Any]]:
    """How the application is described; made once, when it is asked for."""

    def make() -> dict[str, Any]:
        if app.openapi_schema is None:
            made = get_openapi(title=app.title, version=app.version, routes=app.routes)
            made["components"]["schemas"]["Problem"] = _schema_of_problem(made)
            made["components"]["responses"] = {
                "Problem": {
                    "description": "problem document (RFC 9457)",
                    "content": {MEDIA_TYPE: {"schema": {"$ref": "#/components/schemas/Problem"}}},
                }
            }
            for path, ways in made["paths"].items():
                for method, operation in ways.items():
                    _tell_problems(operation, path, method)
            app.openapi_schema = made
        return app.openapi_schema

    return make


def _schema_of_problem(made: dict[str, Any]) -> dict[str, Any]:
    schema = Problem.model_json_schema(ref_template="#/components/schemas/{model}", mode="serialization")
    made["components"]["schemas"].update(schema.pop("$defs", {}))
    return schema


def _tell_problems(operation: dict[str, Any], path: str, method: str) -> None:
    told = operation["responses"]
    for status in [status for status in told if status >= "400"]:
        del told[status]
    for status in sorted(set(_statuses(operation["operationId"], path, method))):
        told[str(status)] = {"$ref": "#/components/responses/Problem"}


def _statuses(operation: str, path: str, method: str) -> Iterator[int]:
    yield from UNREAD.get(operation, ALWAYS)
    if method not in ("get", "head"):
        yield from WITH_BODY
    inside = not path.startswith(OUTSIDE)
    yield from INSIDE if inside else AT_THE_DOOR.get(operation, ())
    if operation in PROVING:
        yield 429
    if inside and method == "get":
        # A practice that is shut, and a session that has changed meanwhile.
        yield from (HTTPStatus.CONFLICT, HTTPStatus.GONE)
