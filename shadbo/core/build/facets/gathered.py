"""Lines of boxes and open frames that hold several things: field, pegs, cards, letters, lamps."""

from shadbo.core.build.facets.facet import Axes, Facet, keyed
from shadbo.core.dataclass import dataclass
from shadbo.core.sheet.quantity import Quantity


@dataclass(frozen=True, slots=True)
class Stepped(Facet):
    """The stepped opening of a jersey box."""

    opening: Axes = keyed("opening.{axis}")
    package: Axes = keyed("package.{axis}")
    margin: Quantity = keyed("layout.margin")
    crowded: Quantity | None = keyed("notch.crowded")


@dataclass(frozen=True, slots=True)
class Field(Facet):
    """The field that several pieces stand in."""

    size: Axes = keyed("field.{axis}")
    margin: Quantity = keyed("layout.margin")
    sight: Axes | None = keyed("frame.sight_{axis}")


@dataclass(frozen=True, slots=True)
class Pegs(Facet):
    """Dowels between an object and its rails."""

    most: Quantity = keyed("peg.most")
    diameter: Quantity = keyed("peg.diameter")
    behind: Quantity = keyed("peg.behind")
    stress: Quantity = keyed("peg.stress")
    load: Quantity = keyed("peg.load")
    gap: Quantity = keyed("gap.made_width")
    count: Quantity = keyed("peg.count")
    object_up: Quantity = keyed("peg.object_up")
    read: Quantity | None = keyed("peg.read")
    drill: Quantity | None = keyed("peg.drill")


@dataclass(frozen=True, slots=True)
class Card(Facet):
    """The rear card of a sash and its screws."""

    beyond: Axes = keyed("card.beyond_{axis}")
    tip: Quantity = keyed("card.tip")
    to_glass: Quantity = keyed("card.to_glass")


@dataclass(frozen=True, slots=True)
class Wrapped(Facet):
    """Cloth wrapped round a core: what it covers of the glass that is seen, and what is left to turn behind."""

    cover: Axes = keyed("cloth.cover_{axis}")
    turn: Axes = keyed("cloth.turn_{axis}")
    rebate: Quantity = keyed("sash.rebate")
    glass: Quantity = keyed("sash.glass")
    thickness: Quantity = keyed("sash.thickness")


@dataclass(frozen=True, slots=True)
class Letters(Facet):
    """Cut-out lettering."""

    height: Quantity = keyed("letters.height")
    width: Quantity = keyed("letters.width")
    islands: Quantity = keyed("letters.islands")
    unknown: Quantity = keyed("letters.unknown")
    bridge: Quantity | None = keyed("bridge.width")


@dataclass(frozen=True, slots=True)
class ArtworkLines(Facet):
    """Cut-out artwork."""

    width: Quantity = keyed("artwork.width")
    loose: Quantity = keyed("artwork.loose")
    islands: Quantity = keyed("artwork.islands")


@dataclass(frozen=True, slots=True)
class Lamps(Facet):
    """Lamps, the void that mixes their light, their supply."""

    pitch: Quantity = keyed("lamp.pitch")
    volts: Quantity = keyed("lamp.volts")
    void: Quantity = keyed("stack.light_void")
    void_least: Quantity = keyed("lamp.void_least")
    supply_needed: Quantity = keyed("supply.needed")
    supply: Quantity = keyed("supply.watts")
    volts_off: Quantity = keyed("supply.volts_off")


@dataclass(frozen=True, slots=True)
class Steps(Facet):
    """The steps of a light box's rails."""

    width: Quantity = keyed("step.width")
    wall_left: Quantity = keyed("step.wall_left")
    ripped: Quantity = keyed("rail.ripped")
    stock_over: Quantity = keyed("rail.stock_over")


@dataclass(frozen=True, slots=True)
class Pins(Facet):
    """Pins of one garment."""

    pins: Quantity = keyed("item.{id}.pins")
    moved: Quantity = keyed("item.{id}.pins_moved")


@dataclass(frozen=True, slots=True)
class Tilt(Facet):
    """How far one standing figure can be tilted."""

    tip: Quantity = keyed("item.{id}.tip")
