"""Whether the product can serve."""

from fastapi import APIRouter

from mellow_tide.web.guard import Db
from mellow_tide.web.problems import Problem

router = APIRouter(tags=["ready"])


@router.get("/ready", status_code=204, responses={503: {"model": Problem}})
def ask_ready(db: Db) -> None:
    """Nothing to say where the database answers; 503 where it does not."""
    db.ask()
