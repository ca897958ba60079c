"""What a route asks of who comes: said at the route, looked up when it is entered."""

from collections.abc import Callable
from typing import Any, Literal, TypeVar

from shadbo.core.roles import Ability

_NAME = "__opens_to__"
ALL: Literal["all"] = "all"
Handler = TypeVar("Handler", bound=Callable[..., Any])


def opens_to(ability: Ability) -> Callable[[Handler], Handler]:
    """Mark a route with the ability that it asks for. One without a mark is closed to everyone."""

    def mark(handler: Handler) -> Handler:
        setattr(handler, _NAME, ability)
        return handler

    return mark


def opens_to_all(handler: Handler) -> Handler:
    """Mark a route that lets people in, or says how the house is, and so asks for nothing."""
    setattr(handler, _NAME, ALL)
    return handler


def is_open(handler: object) -> bool:
    """Whether a route asks for nothing."""
    return getattr(handler, _NAME, None) == ALL


def asked_by(handler: object) -> Ability | None:
    """The ability that a route asks for; None where it is not marked."""
    asked: Ability | Literal["all"] | None = getattr(handler, _NAME, None)
    return None if asked == ALL else asked
