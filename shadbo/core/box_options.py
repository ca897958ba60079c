"""Choices of the displays with depth: boxes, light boxes, sashes, open frames; and of the layout inside them."""

from typing import Annotated, Literal

from pydantic import Field

from shadbo.core.artwork import Artwork
from shadbo.core.boards import Dowel, LampStrip, SheetStock, Supply
from shadbo.core.flat_options import FrameOptions, GlazedOptions, MountId
from shadbo.core.materials import PlainStock
from shadbo.core.values import Id, Length, Line, Reading, Value

Rule = Literal["row", "column", "grid", "symmetric", "around"]
Seat = Literal["opening", "window", "notch", "on the mat"]
MountsById = Annotated[dict[Id, MountId], Field(max_length=60)]


class Place(Value):
    """Where a piece was put by hand: its outline from the left and the top edge of what is seen."""

    id: Id
    left: Length
    top: Length


class Layout(Value):
    """How several pieces stand in one frame. ``width`` and ``height`` are of the field that is seen."""

    rule: Rule | None = None
    columns: Annotated[int, Field(ge=1, le=60)] | None = None
    gap: Length | None = None
    centre: Literal["geometric", "optical"] | None = None
    captions: bool | None = None
    width: Length | None = None
    height: Length | None = None
    places: Annotated[tuple[Place, ...], Field(max_length=60)] = ()


class BoxOptions(GlazedOptions):
    """A shadow box: pieces on a board set back behind glazing."""

    margin: Length | None = None
    lining: Literal["spacers", "lined walls"] | None = None
    liner: SheetStock | None = None
    layout: Layout = Layout()
    mounts: MountsById = Field(default_factory=dict)


class JerseyOptions(GlazedOptions):
    """A garment behind one large stepped opening, with windows, notches and a plate."""

    mat: SheetStock | None = None
    inner_mat: SheetStock | None = None
    double: bool | None = None
    border: Length | None = None
    margin: Length | None = None
    reveal: Length | None = None
    overlap: Length | None = None
    strip: Length | None = None
    notch_room: Length | None = None
    windows: Literal["beside", "below"] | None = None
    seats: Annotated[dict[Id, Seat], Field(max_length=60)] = Field(default_factory=dict)
    layout: Layout = Layout()
    mounts: MountsById = Field(default_factory=dict)


class LightOptions(FrameOptions):
    """A layered box with lamps: each layer on its own step."""

    stock: PlainStock | None = None
    glazing: SheetStock | None = None
    middle: SheetStock | None = None
    backing: SheetStock | None = None
    margin: Length | None = None
    letters: Annotated[Line, Field(max_length=24)] = ""
    letter_height: Length | None = None
    artwork: Artwork | None = None
    artwork_width: Length | None = None
    islands: Literal["bridges", "translucent sheet", "left as they are"] | None = None
    bridge: Length | None = None
    step: Length | None = None
    lamp: LampStrip | None = None
    rows_apart: Length | None = None
    light_void: Length | None = None
    supply: Supply | None = None
    cable: Literal["bottom", "left", "right", "top"] | None = None
    access: Literal["screwed back", "hinged back"] | None = None
    layout: Layout = Layout()
    mounts: MountsById = Field(default_factory=dict)


class Sash(Value):
    """What the tape says of an old sash."""

    daylight_width: Reading | None = None
    daylight_height: Reading | None = None
    outside_width: Reading | None = None
    outside_height: Reading | None = None
    thickness: Reading | None = None
    rebate: Reading | None = None
    glass: Reading | None = None
    painted: Literal["old paint", "stripped or new"] = "old paint"


class SashOptions(Value):
    """An old window sash as frame: textile wrapped round a card core behind its glass."""

    sash: Sash = Sash()
    hidden: Length | None = None
    layers: Annotated[int, Field(ge=1, le=64)] | None = None
    core: SheetStock | None = None
    card: SheetStock | None = None
    card_over: Length | None = None
    screw_mm: Annotated[float, Field(gt=0, le=100)] | None = None
    mount: MountId | None = None


class PegOptions(Value):
    """An open frame: the object hangs in the opening on dowels from the rails."""

    stock: PlainStock | None = None
    gap: Length | None = None
    dowel: Dowel | None = None
    pegs: Literal[2, 3, 4] | None = None
    drill: Reading | None = None
    peg_read: Reading | None = None
    joint: Literal["glue", "biscuits", "splines", "corner plates"] | None = None
