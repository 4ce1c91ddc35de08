"""Answers that are not made by the framework: large ones, written as JSON once, and files."""

from typing import Any

from fastapi import Response
from pydantic import BaseModel


def straight(model: BaseModel) -> Response:
    """The model as the response itself: it was validated where it was made, and is not validated again."""
    return Response(model.model_dump_json(), media_type="application/json")


def file_of(*media_types: str) -> dict[int | str, dict[str, Any]]:
    """How an operation that answers with a file is described."""
    of_bytes = {"schema": {"type": "string", "format": "binary"}}
    return {200: {"content": dict.fromkeys(media_types, of_bytes), "description": "the file"}}


def as_file(content: bytes, media_type: str, name: str) -> Response:
    """A file to keep. Its name says nothing of a client: it stays in lists of downloads."""
    disposition = f'attachment; filename="{name}"'
    return Response(content, media_type=media_type, headers={"Content-Disposition": disposition})
