"""Large answers, written as JSON once."""

from fastapi import Response
from pydantic import BaseModel


def straight(model: BaseModel) -> Response:
    """The model as the response itself: it was validated where it was made, and is not validated again."""
    return Response(model.model_dump_json(), media_type="application/json")
