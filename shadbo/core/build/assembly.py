"""The assembly: what a display turns into, and all that later steps read.

Parts, joins and voids, with places in two planes. *Front plane*: x right and y up from the frame's
middle, seen from the front. *Edge plane*: x from the frame's front edge towards the wall, y from the
frame's outer edge inwards. All in millimetres.
"""

from collections.abc import Callable, Mapping, Sequence
from dataclasses import field
from typing import Literal

from shadbo.core.build.glue import CornerJoint
from shadbo.core.build.marked import Forbidden, Pictured, Shown, Spot, Window
from shadbo.core.build.mounts import MountPlan
from shadbo.core.build.setting import BackRail, Margins, Moulding, Room, Suitability
from shadbo.core.dataclass import dataclass
from shadbo.core.shapes.hatch import Hatch as Hatch
from shadbo.core.shapes.plane import Dot as Dot
from shadbo.core.shapes.plane import Ring as Ring
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.shop.boards import SheetStock, Tape
from shadbo.core.shop.materials import HangerKind, PadStock
from shadbo.core.solids.bites import Bar
from shadbo.core.solids.body import Body, Tie
from shadbo.core.solids.slices import Saw, Slice
from shadbo.core.sums.hang import pilot_mm
from shadbo.core.sums.spacing import KeepOut
from shadbo.core.words.lengths import Both

Side = Literal["top", "right", "bottom", "left"]
Back = Literal["sealed paper", "vented paper", "tape", "none"]
Role = Literal[
    "rail",
    "piece",
    "bar",
    "brace",
    "pad",
    "shim",
    "strip",
    "glazing",
    "mat",
    "board",
    "backing",
    "spacer",
    "packer",
    "cover",
    "clip",
    "void",
]
ViewName = Literal["tape", "edge", "front", "back", "frame", "parts", "stretch", "holes", "mat", "apart"]


CALLED = {
    "mat": "outer mat",
    "mat_inner": "inner mat",
    "board": "mount board",
    "backing": "backing",
    "filler": "filler",
}


@dataclass(frozen=True, slots=True)
class Part:
    """A thing to cut, buy or receive. ``length`` is the long-point length of a mitred rail.

    ``fetched`` says what a thing is that is neither cut nor fixed, and goes on the list from the drawers.
    ``stuck`` is the tape that keeps each of them in its place; ``unpriced`` is wood that the shop keeps no price for.
    ``of`` is the body that it is the front of, where that is another part's; ``face`` what is marked on that body.
    """

    id: str
    role: Role
    name: str
    hatch: Hatch
    count: int = 1
    length: Quantity | None = None
    width: Quantity | None = None
    thick: Quantity | None = None
    mitred: bool = False
    mass: Quantity | None = None
    of: str = ""
    face: tuple[Ring, ...] = ()
    seen_from: tuple[ViewName, ...] = ()
    key: str = ""
    to_cut: bool = False
    note: str = ""
    price: float = 0.0
    unpriced: bool = False
    sheet: SheetStock | None = None
    tone: str = ""
    picture: Pictured | None = None
    fetched: str = ""
    stuck: Tape | None = None

    @property
    def of_profile(self) -> bool:
        """A mitred rail: but for its length its moulding says how large it is."""
        return self.mitred and self.role == "rail"

    @property
    def called(self) -> str:
        """Its name with its place in the package, where the name alone leaves that open."""
        word = CALLED.get(self.id)
        return f"{word}: {self.name}" if word else self.name


@dataclass(frozen=True, slots=True)
class Fixing:
    """One place of a join, in the front plane.

    ``along`` is from the outer corner: the left one seen from behind, the upper one on upright rails.
    """

    at: Dot
    side: Side
    along: Quantity


@dataclass(frozen=True, slots=True)
class Join:
    """What holds what: how many, where, with what load, and what the bench has to do.

    ``part``: what fixes is itself a part of the list, so that it is not fetched besides.
    ``pulls``: it keeps what it holds from coming forwards too, as a screw does and a point does not.
    ``wood`` is what its screws are piloted into.
    ``bars`` is the form of each of them, what they have to reach is its rail and, where it pulls, what it holds.
    """

    id: str
    name: str
    item: str
    holds: tuple[str, str]
    fixings: tuple[Fixing, ...]
    length: Quantity | None = None
    diameter_mm: float = 0.0
    across: Quantity | None = None
    operations: tuple[str, ...] = ()
    key: str = ""
    price: float = 0.0
    pulls: bool = False
    part: str = ""
    bars: tuple[Bar, ...] = ()
    wood: str = ""

    @property
    def drill_mm(self) -> float:
        """The drill for its pilot holes, by the wood that they go into; 0 where nothing is screwed."""
        return pilot_mm(self.diameter_mm, self.wood) if self.wood else 0.0


@dataclass(frozen=True, slots=True)
class Layer:
    """One step of the depth ladder, front to back, on the axis of the edge plane."""

    name: str
    start_mm: float
    end_mm: float
    hatch: Hatch
    key: str
    note: Both | str = ""


@dataclass(frozen=True, slots=True)
class Dimension:
    """A quantity that spans two points of a view. ``lane`` counts outwards from the drawing."""

    view: ViewName
    start: Dot
    end: Dot
    quantity: Quantity
    runs: Literal["across", "upright", "slant"]
    lane: int = 1
    edge: Literal["low", "high"] = "low"
    label: str = ""
    role: Literal["dimension", "tape"] = "dimension"


@dataclass(frozen=True, slots=True)
class Callout:
    """A label with a leader to a point of a view."""

    view: ViewName
    at: Dot
    words: str
    quantity: Quantity | None = None
    second: str = ""
    second_quantity: Quantity | None = None
    key: str = ""
    towards: Literal["left", "right"] = "right"


@dataclass(frozen=True, slots=True)
class Assembly:
    """A display built from sums: everything that weight, hanging, checks and drawing need.

    ``back`` is what closes it; ``arranged`` the rule by which several pieces stand; ``least_gap_at`` where a floated
    canvas comes nearest to its wall, in words; ``pads`` what lies under it.
    ``goes_in`` says in a few words how the piece goes into what was made.
    ``hangs`` limits the ways of hanging; empty leaves it to weight and size. ``back_rail`` is None where
    there is no rail to screw a hanger to. ``saw`` is where its section is cut. ``bodies`` are its things in their
    places, ``ties`` what is fixed to what. ``board`` is the size of the board that holes and pins are marked on, None
    where rails and object are drilled.
    ``own_cleat`` is how long the wall's half of a cleat is, where that is its own; ``labels`` name what is sawn.
    ``answers`` are what the docket says, by station.
    """

    outside_width: Quantity
    outside_height: Quantity
    depth: Quantity
    back_rail: BackRail | None
    parts: tuple[Part, ...]
    joins: tuple[Join, ...]
    layers: tuple[Layer, ...]
    dimensions: tuple[Dimension, ...]
    callouts: tuple[Callout, ...]
    section_name: str
    saw: Saw
    answers: Mapping[str, tuple[Both, Both]]
    room: Room | None = None
    margins: Margins | None = None
    see_through: bool = False
    glazed: bool = False
    moulding: Moulding | None = None
    mouldings: tuple[Suitability, ...] = ()
    keep_outs: Mapping[Side, list[KeepOut]] = field(default_factory=dict)
    hangs: tuple[HangerKind, ...] = ()
    mount: MountPlan | None = None
    effort: str = ""
    goes_in: str = "put the piece in"
    back: Back = "none"
    joint: CornerJoint | None = None
    arranged: str = ""
    least_gap_at: str = ""
    pads: tuple[PadStock, ...] = ()
    wall_strip: Tape | None = None
    more_mounts: tuple[MountPlan, ...] = ()
    shown: tuple[Shown, ...] = ()
    spots: tuple[Spot, ...] = ()
    windows: tuple[Window, ...] = ()
    zones: tuple[Forbidden, ...] = ()
    layout_at: str = ""
    board: tuple[Quantity, Quantity] | None = None
    bodies: tuple[Body, ...] = ()
    ties: tuple[Tie, ...] = ()
    own_cleat: Quantity | None = None
    labels: Callable[[Sequence[Slice]], Sequence[Callout]] | None = None

    @property
    def mounts(self) -> tuple[MountPlan, ...]:
        """Every mount of the plan: the main piece's first."""
        return ((self.mount,) if self.mount is not None else ()) + self.more_mounts

    def by_role(self, *roles: str) -> list[Part]:
        """Parts that play one of these roles."""
        return [p for p in self.parts if p.role in roles]

    @property
    def long_side_mm(self) -> float:
        """The longer outside dimension."""
        return max(self.outside_width.value, self.outside_height.value)
