"""Lines that any display may have: readings round a piece, trims, what a mount carries, the wire's room."""

from shadbo.core.build.facets.facet import Axes, Facet, keyed
from shadbo.core.dataclass import dataclass
from shadbo.core.sheet.quantity import Quantity


@dataclass(frozen=True, slots=True)
class Trim(Facet):
    """A strip that is trimmed off one side of a sheet."""

    trim: Quantity = keyed("trim.{side}")
    margin: Quantity = keyed("piece.margin_{side}")


@dataclass(frozen=True, slots=True)
class Sides(Facet):
    """The four sides of a piece, read, and how far opposite ones differ."""

    width_top: Quantity = keyed("{start}.width_top")
    width_bottom: Quantity = keyed("{start}.width_bottom")
    height_left: Quantity = keyed("{start}.height_left")
    height_right: Quantity = keyed("{start}.height_right")
    taper: Axes = keyed("{start}.taper_{axis}")
    diagonal_down: Quantity | None = keyed("{start}.diagonal_down")
    diagonal_up: Quantity | None = keyed("{start}.diagonal_up")
    misfit: Quantity | None = keyed("{start}.misfit")


@dataclass(frozen=True, slots=True)
class Load(Facet):
    """What one fixing of a mount carries, and may carry."""

    demand: Quantity = keyed("{mount}.demand")
    factor: Quantity = keyed("{mount}.factor")
    rating: Quantity = keyed("{mount}.rating")
    margin: Quantity = keyed("{mount}.margin")


@dataclass(frozen=True, slots=True)
class MountCount(Facet):
    """How many fixings a mount has."""

    count: Quantity = keyed("{mount}.count")


@dataclass(frozen=True, slots=True)
class WireRoom(Facet):
    """How high a wire may rise."""

    room: Quantity = keyed("wire.room")
