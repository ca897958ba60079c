"""What a plan is worked out on: the job, the shop's practice as it counts for this job, and the sheet."""

from collections.abc import Callable
from dataclasses import field, replace
from typing import Any, TypeVar

from shadbo.core.dataclass import dataclass
from shadbo.core.decisions.levers import Lever, Levers
from shadbo.core.job.job import Job
from shadbo.core.job.own_frame import OwnFrame
from shadbo.core.pieces.measures import prefix
from shadbo.core.pieces.pieces import Piece
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sheet.sheet import AsBuilt, Sheet
from shadbo.core.sheet.units import MM
from shadbo.core.shop.kept import Drawer
from shadbo.core.shop.materials import Screw
from shadbo.core.shop.shop import Practice, Shop
from shadbo.core.shop.stock import Stock
from shadbo.core.shop.values import Length, Reading, Tool
from shadbo.core.words.lengths import Mark

M = TypeVar("M")
TOOL_WORDS: dict[Tool, str] = {"tape": "tape", "rule": "rule", "caliper": "caliper", "eye": "by eye"}


@dataclass(frozen=True, slots=True)
class Taken:
    """A material that the plan took for a role, and where the framer would decide it; empty where nowhere."""

    drawer: str
    role: str
    item: object
    decided_at: str


@dataclass(frozen=True, slots=True)
class Desk:
    """A job laid out for planning. The practice frozen in the job counts before the shop's.

    ``stock`` is what the shop offers now.
    """

    job: Job
    shop: Shop
    practice: Practice
    mark: Mark
    sheet: Sheet
    stock: Stock
    levers: Levers = field(default_factory=Levers)
    gathers: bool = False
    takes_frame: bool = False
    taken: list[Taken] = field(default_factory=list)

    @classmethod
    def lay(
        cls,
        job: Job,
        shop: Shop,
        levers: Levers | None = None,
        gathers: bool = False,
        takes_frame: bool = False,
    ) -> "Desk":
        """A fresh desk with an empty sheet and the job's pins.

        ``gathers``: all pieces stand in one frame. ``takes_frame``: the display can be built in one that exists.
        """
        practice = job.practice or shop.practice
        own = job.own_frame if takes_frame else None
        real = {**(own.pins() if own is not None else {}), **job.pins}
        pins = {key: AsBuilt(r.mm, practice.half_width_mm(r.tool), TOOL_WORDS[r.tool]) for key, r in real.items()}
        mark = Mark.named(job.mark) if job.mark is not None else shop.the_mark()
        stock = shop.stock.offered()
        return cls(job, shop, practice, mark, Sheet(mark.mm, pins), stock, levers or Levers(), gathers, takes_frame)

    def on_trial(self) -> "Desk":
        """The same job on an empty sheet: what it works out there is compared and thrown away."""
        return replace(self, sheet=Sheet(self.mark.mm), taken=[])

    @property
    def screw_lengths_mm(self) -> tuple[float, ...]:
        """Lengths that screws are sold in here."""
        return self.practice.screws_sold_mm(self.mark.system == "in")

    def screw(self, length_mm: float) -> Screw:
        """The screw of that length in the drawers; one of the usual kind, as it is sold here, if none is."""
        return self.stock.screw(length_mm, self.mark.system == "in")

    @property
    def own_frame(self) -> OwnFrame | None:
        """A frame that exists, where this display can be built in it; None where it is made."""
        return self.job.own_frame if self.takes_frame else None

    def take(self, drawer: Drawer[M], role: str, lever: Lever[Any] | None, choose: Callable[[], M]) -> M:
        """The material for a role: as the framer decided, else as the job keeps it, else as the plan chooses.

        What is not decided is noted, so that the first cut can copy it into the job.
        """
        decided: M | None = lever.of(self.job) if lever is not None else None
        if decided is not None:
            return decided
        kept = drawer.kept(self.job.materials, role)
        item = choose() if kept is None else kept
        self.taken.append(Taken(drawer.name, role, item, lever.at if lever is not None else ""))
        return item

    def found(self, drawer: Drawer[M], role: str, choose: Callable[[], M | None]) -> M | None:
        """Like ``take`` for what nobody decides here and the stock may lack; nothing is noted where it does."""
        kept = drawer.kept(self.job.materials, role)
        item = choose() if kept is None else kept
        if item is not None:
            self.taken.append(Taken(drawer.name, role, item, ""))
        return item

    def known(self, drawer: Drawer[M], role: str, lever: Lever[Any] | None) -> M | None:
        """The material that is decided or kept for a role already; None where the plan is to choose."""
        decided: M | None = lever.of(self.job) if lever is not None else None
        return decided if decided is not None else drawer.kept(self.job.materials, role)

    @property
    def piece(self) -> Piece:
        """The main piece."""
        return self.job.pieces[0]

    @property
    def pieces(self) -> tuple[Piece, ...]:
        """The pieces that this frame shows: all of them where the display gathers them, else the main one."""
        return self.job.pieces if self.gathers else self.job.pieces[:1]

    def prefix(self, piece: Piece) -> str:
        """What the lines of a piece are called on this sheet."""
        return f"item.{piece.id}" if self.gathers else prefix(piece.detail)

    def read(self, key: str, label: str, reading: Reading) -> Quantity:
        """A reading of the job, onto the sheet."""
        half = self.practice.half_width_mm(reading.tool)
        return self.sheet.read(key, label, reading.mm, MM, half, TOOL_WORDS[reading.tool])

    def choose(self, key: str, label: str, decided: Length | None, default_mm: float, source: str) -> Quantity:
        """A length that the framer decided, or the shop's default with its source."""
        if decided is not None:
            return self.sheet.choose(key, label, decided.mm, MM, "decided for this job")
        return self.sheet.choose(key, label, default_mm, MM, source)

    def others_of_set(self, axis: str) -> list[tuple[int, Reading]]:
        """The largest reading of each further piece of a set that shares one outside, with the piece's number."""
        if not self.job.same_outside or self.gathers:
            return []
        fields = ("width_top", "width_middle", "width_bottom")
        if axis == "height":
            fields = ("height_left", "height_middle", "height_right")
        out = []
        for n, piece in enumerate(self.job.pieces[1:], 2):
            readings = [r for f in fields if (r := getattr(piece.detail, f, None)) is not None]
            if readings:
                out.append((n, max(readings, key=lambda r: r.mm)))
        return out

    @property
    def of_set(self) -> int:
        """How many frames this is one of: a set shares its outside, and each piece has its own frame; 1 alone."""
        return len(self.job.pieces) if self.job.same_outside and not self.gathers else 1

    def set_excess_mm(self, axis: str, own_mm: float) -> float:
        """What the largest of the set has over this piece; 0 when this one is the largest, or alone."""
        return max([0.0, *(r.mm - own_mm for _, r in self.others_of_set(axis))])

    def largest_of_set(self, axis: str, size: Quantity, own: Quantity) -> Quantity:
        """The size that governs a set that shares one outside: grown by what the largest piece has over this one.

        ``size`` is what this piece asks for, ``own`` its own width or height.
        """
        others = [
            self.read(f"set.{n}.{axis}", f"{self.job.pieces[n - 1].name or f'piece {n}'}, {axis}", reading)
            for n, reading in self.others_of_set(axis)
        ]
        if not others:
            return size
        largest = self.sheet.let(
            f"set.{axis}", f"largest {axis} of the set", self.sheet.pick("largest", own, *others), "it governs all"
        )
        return size + (largest - own)
