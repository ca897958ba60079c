"""One edit: a place in the job, and what is to stand there."""

from typing import Annotated, Any

from pydantic import BaseModel, ConfigDict, Field


class Edit(BaseModel):
    """One change. ``at`` names a place by field names and ids, never by list index; None takes the value away."""

    model_config = ConfigDict(frozen=True, extra="forbid")

    at: Annotated[str, Field(min_length=1, max_length=200, pattern=r"^[A-Za-z0-9_.-]+(/[A-Za-z0-9_.-]+)*$")]
    to: Any = None


class BadEdit(ValueError):
    """An edit that cannot be made: the place, what was found there, and what was expected."""

    def __init__(self, at: str, message: str, found: object = None) -> None:
        super().__init__(f"{at}: {message}")
        self.at, self.message, self.found = at, message, found
