"""The form that a client fills in without signing in: a one-time link opens it on one device."""

from typing import Annotated

from fastapi import APIRouter
from pydantic import Field

from mellow_tide.core.meeting.answers import Answers
from mellow_tide.services.meeting import intake_form
from mellow_tide.services.meeting.intake_form import IntakeForm, Saved
from mellow_tide.web.body import Body
from mellow_tide.web.guard import AsShipped, Db

router = APIRouter(prefix="/intake", tags=["intake form"])

DeviceKey = Annotated[str, Field(min_length=32, max_length=64)]
"""Made by the device when it opens the link, and known to nobody else."""


class LinkOpening(Body):
    """The secret part of a link, and the key of the device that opens it."""

    token: Annotated[str, Field(min_length=20, max_length=64)]
    key: DeviceKey


class Again(Body):
    """The key of a device that has opened a form."""

    key: DeviceKey


class FilledIn(Body):
    """All answers as they are; `sequence` grows with each saving."""

    key: DeviceKey
    sequence: Annotated[int, Field(ge=1, le=1_000_000)]
    answers: Answers


@router.post("/open")
def open_intake(opening: LinkOpening, db: Db, shipped: AsShipped) -> IntakeForm:
    """Open a link on this device; no other can open it after that."""
    return intake_form.open_form(db, opening.token, opening.key, shipped)


@router.post("/form")
def read_form(again: Again, db: Db, shipped: AsShipped) -> IntakeForm:
    """The form that this device has opened before."""
    return intake_form.read_form(db, again.key, shipped)


@router.put("/answers")
def save_answers(filled: FilledIn, db: Db, shipped: AsShipped) -> Saved:
    """Keep the answers as they are."""
    return intake_form.save(db, filled.key, filled.sequence, filled.answers, shipped)


@router.post("/hand-in", status_code=204)
def hand_in(filled: FilledIn, db: Db, shipped: AsShipped) -> None:
    """Hand the form in; a second time changes nothing."""
    intake_form.hand_in_form(db, filled.key, filled.sequence, filled.answers, shipped)
