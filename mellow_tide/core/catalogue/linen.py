"""Linen by the piece."""

from typing import Annotated

from pydantic import Field

from mellow_tide.core.catalogue.records import Record


class Linen(Record):
    """So many pieces of one kind of linen, by the name of one; `washed` after every session, or used again."""

    name: Annotated[str, Field(min_length=1, max_length=60)]
    count: Annotated[int, Field(ge=1, le=1000)] = 1
    washed: bool = True

    @property
    def item(self) -> str:
        """By what the stock knows it: `linen:face_cradle_cover`."""
        return "linen:" + self.name.lower().replace("-", "_").replace(" ", "_")
