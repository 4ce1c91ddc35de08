"""A contact as it comes from elsewhere: what may be taken over of it, and what cannot."""

import re
from typing import Literal

from pydantic import ValidationError

from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.meeting.record import ClientRecord
from mellow_tide.core.phrases.manner import CM_IN_INCH
from mellow_tide.core.refusal import FieldProblem

ContactField = Literal[
    "name",
    "address_as",
    "phone",
    "email",
    "emergency_contact",
    "birth_year",
    "language",
    "height_cm",
    "note",
    "know_first",
]
"""What may be taken over of a contact. Health is told by the client, never imported."""

FEET_AND_INCHES = re.compile(
    r"""(?P<feet>[3-7])\s*(?:ft\.?|feet|['’′])\s*(?:(?P<inches>\d{1,2}(?:\.\d)?)\s*(?:in\.?|inches|["”″])?)?"""
)
"""`5 ft 7 in`, `5'7"`; another height is in centimetres."""

BOUNDED = {"birth_year": "bad_birth_year", "height_cm": "bad_height"}
"""What is wrong with a field's text; the others can only be too long."""


class Contact(Record):
    """A contact on `line` of what was read. `record` is None where something cannot be taken, as `problems` say.

    `unread` are lines of it, counted from 1 in the whole text, that cannot be read and are left out.
    """

    line: int
    record: ClientRecord | None
    problems: tuple[FieldProblem, ...] = ()
    unread: tuple[int, ...] = ()


def read_contact(line: int, values: dict[str, str], unread: tuple[int, ...] = ()) -> Contact:
    """A contact of texts by field; empty ones say nothing."""
    given = {field: value.strip() for field, value in values.items() if value.strip()}
    if not given.get("name"):
        problem = FieldProblem("name", "no_name", line=line)
        return Contact(line=line, record=None, problems=(problem,), unread=unread)
    if feet := FEET_AND_INCHES.fullmatch(given.get("height_cm", "")):
        inches = 12 * int(feet["feet"]) + float(feet["inches"] or 0)
        given["height_cm"] = f"{inches * CM_IN_INCH:.0f}"
    try:
        return Contact(line=line, record=ClientRecord.model_validate(given, strict=False), unread=unread)
    except ValidationError as error:
        faults = tuple(
            FieldProblem(
                str(fault["loc"][0]),
                BOUNDED.get(str(fault["loc"][0]), "text_too_long"),
                line=line,
                text=given.get(str(fault["loc"][0]), "")[:40],
            )
            for fault in error.errors()
        )
        return Contact(line=line, record=None, problems=faults, unread=unread)
