"""What was done at the bench, step by step: when, by whom, what was read and answered, what was not as planned."""

from typing import Annotated, Literal

from pydantic import AwareDatetime, Field, model_validator

from shadbo.core.shop.values import Line, Millimetres, Note, Reading, Value

YEARS = (1990, 2200)
"""When anything can have been done: what lies outside is a clock that is wrong."""
StepId = Annotated[str, Field(pattern=r"^[a-z][a-z0-9_.-]{0,120}$")]
CheckId = Annotated[str, Field(pattern=r"^[a-z][a-z0-9_.-]{0,80}$")]
Answer = Literal["yes", "no", "later"]


class Done(Value):
    """One step of the work, as far as it has come.

    ``taken_by`` is the name of who took it. ``later``: put off. ``note`` and ``photo`` say what was not as planned.
    ``sizes`` are readings that are no size of the plan's, such as of a pane that was delivered. ``used`` are the
    sizes (mm) that the plan asked for when it was done. ``remade`` counts how often it was done anew, ``early`` that
    a wait before it was cut short.
    """

    began: AwareDatetime | None = None
    ended: AwareDatetime | None = None
    who: Line = ""
    taken_by: Line = ""
    later: bool = False
    early: bool = False
    note: Note = ""
    photo: Annotated[int, Field(ge=1)] | None = None
    answers: Annotated[dict[CheckId, Answer], Field(max_length=40)] = Field(default_factory=dict)
    sizes: Annotated[dict[CheckId, Reading], Field(max_length=40)] = Field(default_factory=dict)
    used: Annotated[dict[CheckId, Millimetres], Field(max_length=80)] = Field(default_factory=dict)
    remade: Annotated[int, Field(ge=0, le=100)] = 0

    @model_validator(mode="after")
    def _in_time(self) -> "Done":
        for name, at in (("began", self.began), ("ended", self.ended)):
            if at is not None and not YEARS[0] <= at.year <= YEARS[1]:
                raise ValueError(f"{name}: nobody worked at it in the year {at.year}")
        if self.began is not None and self.ended is not None and self.ended < self.began:
            raise ValueError("ended: it cannot end before it began")
        return self


Work = Annotated[dict[StepId, Done], Field(max_length=200)]
"""Steps by their name; what is not there was not begun."""
