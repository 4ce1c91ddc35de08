"""What every request body keeps to."""

from typing import Annotated

from pydantic import BaseModel, ConfigDict, Field, StringConstraints

Revision = Annotated[int, Field(ge=0, le=2_000_000_000)]

ShortName = Annotated[str, StringConstraints(strip_whitespace=True, min_length=1, max_length=80)]

Name = Annotated[str, StringConstraints(strip_whitespace=True, min_length=1, max_length=120)]
"""Of a person or a practice."""

SignInEmail = Annotated[str, StringConstraints(strip_whitespace=True, min_length=1, max_length=254)]
Password = Annotated[str, Field(min_length=1, max_length=1000)]


class Body(BaseModel):
    """A request body: unknown fields are refused."""

    model_config = ConfigDict(extra="forbid")
