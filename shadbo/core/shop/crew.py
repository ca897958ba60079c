"""Who works in the shop, as far as the shop itself says: their hours, the days they are away, what an hour costs."""

from typing import Annotated

from pydantic import Field

from shadbo.core.shop.calendar import MOST_SHUT, Open, Shut
from shadbo.core.shop.values import Id, Value
from shadbo.core.words.stages import Stage

MOST_RATE = 10_000
Rate = Annotated[float, Field(ge=0, le=MOST_RATE)]


class Worker(Value):
    """Hours of their own (None: whenever it is open), days away, and the rate of an hour in the shop's money.

    ``leaves`` are stages of the work that are left to others.
    """

    hours: Annotated[tuple[Open, ...], Field(max_length=28)] | None = None
    away: Annotated[tuple[Shut, ...], Field(max_length=MOST_SHUT)] = ()
    rate: Rate | None = None
    leaves: Annotated[tuple[Stage, ...], Field(max_length=8)] = ()


Crew = Annotated[dict[Id, Worker], Field(max_length=200)]
"""By a person's id; who is not there works whenever it is open."""
