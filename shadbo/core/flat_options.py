"""Choices of the floaters and of the displays for flat work."""

from typing import Annotated, Literal

from pydantic import Field

from shadbo.core.boards import FrameProfile, PosterRail, SheetStock, SpacerStock, Tape
from shadbo.core.materials import FloaterProfile, PadStock, PlainStock
from shadbo.core.values import Length, Reading, Value

Face = Literal["recessed", "flush", "proud"]
MountId = Annotated[str, Field(pattern=r"^[a-z][a-z -]{0,40}$")]


class FloaterOptions(Value):
    """Choices for the floater. ``face_by`` is how far recessed or proud; holes are counted from the corner."""

    profile: FloaterProfile | None = None
    gap: Length | None = None
    face: Face | None = None
    face_by: Length | None = None
    pads: tuple[PadStock, ...] | None = None
    screw_mm: Annotated[float, Field(gt=0, le=200)] | None = None
    screw_from_corner: Length | None = None
    screws_apart: Length | None = None


class PlainFloaterOptions(Value):
    """A floater from square-edged rails: support strips are glued inside, two top strips may be bevelled."""

    stock: PlainStock | None = None
    gap: Length | None = None
    face: Face | None = None
    face_by: Length | None = None
    strip_width: Length | None = None
    bevelled: bool | None = None
    glued: Literal["before mitring", "after joining"] | None = None
    screw_mm: Annotated[float, Field(gt=0, le=200)] | None = None
    screw_from_corner: Length | None = None
    screws_apart: Length | None = None


class FrameOptions(Value):
    """What every rabbeted frame asks."""

    profile: FrameProfile | None = None
    allowance: Length | None = None
    extension: Length | None = None
    strainer: bool | None = None
    back: Literal["sealed paper", "vented paper", "tape"] | None = None
    joint: Literal["glue", "biscuits", "splines", "corner plates"] | None = None
    mount: MountId | None = None


class CanvasFrameOptions(FrameOptions):
    """A canvas in a rabbeted frame, without glazing."""


class GlazedOptions(FrameOptions):
    """A package behind glazing."""

    glazing: SheetStock | None = None
    contact: bool | None = None
    spacer: SpacerStock | None = None
    spacer_held: Literal["by friction", "adhesive strip"] | None = None
    board: SheetStock | None = None
    backing: SheetStock | None = None


class MatOptions(GlazedOptions):
    """A window mat over flat paper, single or double."""

    mat: SheetStock | None = None
    inner_mat: SheetStock | None = None
    double: bool | None = None
    border: Length | None = None
    borders: Literal["equal", "weighted"] | None = None
    shows: Literal["image", "whole sheet"] | None = None
    overlap: Length | None = None
    margin: Length | None = None
    reveal: Length | None = None


class NeedleworkOptions(GlazedOptions):
    """Textile drawn over a board; ``border`` is what is to be seen round the design."""

    border: Length | None = None


class PuzzleOptions(GlazedOptions):
    """A puzzle on its board, with a visible margin or none."""

    margin: Length | None = None


class BoughtFrame(Value):
    """What the tape says of a frame that was bought ready made."""

    aperture_width: Reading | None = None
    aperture_height: Reading | None = None
    outside_width: Reading | None = None
    outside_height: Reading | None = None
    depth: Reading | None = None
    lip: Reading | None = None
    glass: Reading | None = None
    package: Reading | None = None
    price: Annotated[float, Field(ge=0, le=100_000)] | None = None
    hanger_on: Literal["top rail", "back panel", "stand"] = "back panel"


class ReadyMadeOptions(Value):
    """An existing deep frame, adapted: its glass used or left out, its inner board cut down, packers added."""

    frame: BoughtFrame = BoughtFrame()
    glass: Literal["used", "left out"] | None = None
    border: Length | None = None
    board: SheetStock | None = None
    spacer: SpacerStock | None = None
    mount: MountId | None = None
    packers: bool | None = None


class PanesOptions(FrameOptions):
    """The piece between two panes with clear border all round."""

    pane: SheetStock | None = None
    border: Length | None = None
    opening_width: Length | None = None
    opening_height: Length | None = None


class BackedOptions(Value):
    """Stiff backing glued on, hung with strips or set on a ledge."""

    backing: SheetStock | None = None
    inset: Length | None = None
    mount: MountId | None = None
    hung: Literal["strips", "ledge"] | None = None
    strip: Tape | None = None


class PosterRailOptions(Value):
    """Rails along the top, and the bottom where wanted."""

    rail: PosterRail | None = None
    bottom: bool | None = None
