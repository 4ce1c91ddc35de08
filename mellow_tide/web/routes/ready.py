"""Whether the product can serve."""

from fastapi import APIRouter

from mellow_tide.web.guard import Db

router = APIRouter(tags=["ready"])


@router.get("/ready", status_code=204)
def ask_ready(db: Db) -> None:
    """Nothing to say where the database answers; 503 where it does not."""
    db.ask()
