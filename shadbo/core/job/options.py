"""Choices of every display. Each keeps its own, so switching back loses nothing."""

from typing import TYPE_CHECKING, Annotated

from pydantic import AfterValidator, Field, create_model

from shadbo.core.displays.kinds import HOMES
from shadbo.core.shop.values import Value

if TYPE_CHECKING:

    class Options(Value):
        """Options of every display that was tried, by its name."""

else:
    Options = create_model(
        "Options",
        __base__=Value,
        __doc__="Options of every display that was tried; switching back loses nothing.",
        **{home.name: (home.options, home.options()) for home in HOMES},
    )

DISPLAY_KINDS = tuple(home.kind for home in HOMES)


def _there(kind: str) -> str:
    if kind not in DISPLAY_KINDS:
        raise ValueError(f"there is no display “{kind}”; expected one of {', '.join(DISPLAY_KINDS)}")
    return kind


DisplayKind = Annotated[str, AfterValidator(_there), Field(json_schema_extra={"enum": list(DISPLAY_KINDS)})]
"""What a job calls its display."""
