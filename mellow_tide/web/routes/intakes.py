"""Intakes as the therapist sees them: made for a client, read, accepted or questioned."""

from typing import Annotated
from uuid import UUID

from fastapi import APIRouter, Request
from pydantic import AwareDatetime, BaseModel, Field

from mellow_tide.services.meeting import intakes
from mellow_tide.services.meeting.intakes import IntakeReview, Verdict
from mellow_tide.web.body import Body
from mellow_tide.web.caller import link_to
from mellow_tide.web.guard import AtDesk
from mellow_tide.web.qr import draw_qr

router = APIRouter(tags=["intakes"])


class IntakeLink(BaseModel):
    """A link that opens a form once, and the same as a QR code (SVG). `token` is the link's secret part."""

    intake_id: UUID
    link: str
    token: str
    qr_svg: str
    expires_at: AwareDatetime


class ReviewVerdicts(Body):
    """What was made of answers, by their items' ids."""

    verdicts: Annotated[dict[str, Verdict], Field(min_length=1, max_length=200)]


@router.post("/clients/{client_id}/intakes", status_code=201)
def make_intake(client_id: UUID, request: Request, desk: AtDesk) -> IntakeLink:
    """A form for the client, with its one-time link."""
    made = intakes.make_intake(desk, client_id)
    link = link_to(request, "intake", made.token)
    return IntakeLink(
        intake_id=made.intake_id,
        link=link,
        token=made.token,
        qr_svg=draw_qr(link),
        expires_at=made.expires_at,
    )


@router.post("/intakes/{intake_id}/withdraw", status_code=204)
def withdraw_intake(intake_id: UUID, desk: AtDesk) -> None:
    """End a link before its time."""
    intakes.withdraw(desk, intake_id)


@router.get("/intakes/{intake_id}")
def read_intake(intake_id: UUID, desk: AtDesk) -> IntakeReview:
    """A handed-in intake, each answer with what it means for a session."""
    return intakes.read_review(desk, intake_id)


@router.post("/intakes/{intake_id}/verdicts")
def judge_answers(intake_id: UUID, sent: ReviewVerdicts, desk: AtDesk) -> IntakeReview:
    """Accept answers into the client's record, or question them."""
    return intakes.judge(desk, intake_id, sent.verdicts)
