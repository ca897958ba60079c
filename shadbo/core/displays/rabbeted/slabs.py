"""The package of a rabbeted frame: layers front to back, the air that is needed, what fills the rest."""

from collections.abc import Sequence

from shadbo.core.build.assembly import Hatch, Role
from shadbo.core.dataclass import dataclass
from shadbo.core.decisions.levers import Lever
from shadbo.core.desk import Desk
from shadbo.core.pieces.facts import Told
from shadbo.core.shapes.plane import Dot, Ring
from shadbo.core.sheet.quantity import DUST, Quantity
from shadbo.core.sheet.units import MM
from shadbo.core.shop.boards import ACID_FREE, SheetKind, SheetStock
from shadbo.core.shop.kept import SHEETS
from shadbo.core.shop.materials import PlainStock
from shadbo.core.solids.body import Enters
from shadbo.core.sums.plate import sag_mm

HATCH: dict[str, Hatch] = {
    "glass": "glass",
    "acrylic": "glass",
    "mat": "mat",
    "foam board": "board",
    "backing": "backing",
    "hardboard": "backing",
    "mdf": "backing",
    "corrugated plastic": "board",
}
SAID = {"glazing": "glazing", "mat": "mat", "board": "mount board", "backing": "backing", "packer": "packer"}
GLASS = SheetStock(id="glass", name="glass, none listed", kind="glass", thick_mm=2)
BOARD = SheetStock(id="board", name="mount board, none listed", kind="mat", thick_mm=1.4)
BACKING = SheetStock(id="backing", name="backing, none listed", kind="backing", thick_mm=2)


@dataclass(frozen=True, slots=True)
class Slab:
    """One layer; a ring is ``ring_mm`` wide.

    ``one`` is the name of one of several strips, ``bar`` the stock of a strainer. ``wrapped``: it reaches to the
    package's edge, whatever of it is measured and seen. ``enters`` is how it gets there, ``off`` how far its middle
    lies right of and above the package's. ``fetched``: where it comes from, if it is not cut.
    ``ring`` is its outline where it lies, if it is no rectangle or lies turned.
    """

    id: str
    name: str
    role: Role
    thick: Quantity
    hatch: Hatch
    sheet: SheetStock | None = None
    ring_mm: float = 0.0
    size: tuple[Quantity, Quantity] | None = None
    mass: Quantity | None = None
    cut: bool = True
    note: str = ""
    ring_price_per_m: float = 0.0
    count: int = 1
    wrapped: bool = False
    one: str = ""
    bar: PlainStock | None = None
    enters: Enters = "from behind"
    off: Dot = (0.0, 0.0)
    fetched: str = ""
    ring: Ring = ()

    @property
    def kg_per_m2(self) -> float:
        """Mass by area of all its boards, each with its facings; 0 where it is not a sheet."""
        return self.sheet.stacked_kg_per_m2(self.count) if self.sheet is not None else 0.0

    @property
    def key(self) -> str:
        """Its line on the sheet."""
        return f"stack.{self.id}"


def slab(
    desk: Desk, id_: str, name: str, role: Role, sheet: SheetStock, hatch: Hatch | None = None, **more: object
) -> Slab:
    """A layer cut from a sheet of the stock; the glass of a frame that exists is not cut."""
    own = own_glass(desk)
    if own is not None and sheet.id == own.id and (read := desk.own_frame and desk.own_frame.glass):
        thick = desk.read(f"stack.{id_}", f"{SAID.get(role, role)}: {name}", read)
        return Slab(id_, name, role, thick, HATCH[sheet.kind], sheet, cut=False, fetched="out of the frame")
    thick = desk.sheet.choose(f"stack.{id_}", f"{SAID.get(role, role)}: {name}", sheet.thick_mm, MM, sheet.name)
    return Slab(id_, name, role, thick, hatch or HATCH[sheet.kind], sheet, **more)  # type: ignore[arg-type]


def piece_slab(
    desk: Desk,
    name: str,
    hatch: Hatch,
    thick: Quantity,
    size: tuple[Quantity, Quantity],
    mass: Quantity,
) -> Slab:
    """The piece itself as a layer."""
    line = desk.sheet.let("stack.piece", f"{name}, in the package", thick)
    return Slab("piece", name, "piece", line, hatch, size=size, mass=mass, cut=False)


def own_glass(desk: Desk) -> SheetStock | None:
    """The glass of a frame that exists, where it goes in again."""
    return desk.own_frame.glazing() if desk.own_frame is not None else None


def glazing_for(desk: Desk, told: Told, size_mm: tuple[float, float], air_mm: float | None = None) -> SheetStock:
    """Acrylic for large work, busy places and where it is asked for; glass for small work and loose surfaces.

    A frame that exists keeps its own glass where that goes in again. Of each kind the cheapest that does not sag by
    more than ``air_mm`` when the frame lies on its back.
    """
    own = own_glass(desk)
    return own or desk.take(SHEETS, "glazing", desk.levers.glazing, lambda: _glazing(desk, told, size_mm, air_mm))


def _glazing(desk: Desk, told: Told, size_mm: tuple[float, float], air_mm: float | None) -> SheetStock:
    large = max(size_mm) > desk.practice.acrylic_over_mm
    asked = {"acrylic only", "busy place"} & set(desk.job.hanging.demands)
    wants_acrylic = "acrylic only" in asked or ((large or asked) and not told["loose_surface"])
    kinds: tuple[SheetKind, ...] = ("acrylic", "glass") if wants_acrylic else ("glass", "acrylic")
    fit = [x for kind in kinds for x in desk.stock.sheets_of(kind) if x.holds(*size_mm) and not x.coated]
    if not fit:
        return next((x for x in desk.stock.sheets if x.glazing), GLASS)
    first = [x for x in fit if x.kind == fit[0].kind]
    if air_mm is None or told["may_touch_glazing"]:
        return first[0]
    stiff = [x for x in first if sag_mm(*size_mm, x.thick_mm, x.kind) <= air_mm + DUST]
    return stiff[0] if stiff else max(first, key=lambda x: x.thick_mm)


def first_sheet(
    desk: Desk, role: str, lever: Lever[SheetStock] | None, size_mm: tuple[float, float], *kinds: SheetKind
) -> SheetStock:
    """The decided sheet, or the cheapest of these kinds that is large enough; the first kind is preferred."""
    return desk.take(SHEETS, role, lever, lambda: cheapest(desk, size_mm, *kinds))


def cheapest(desk: Desk, size_mm: tuple[float, float], *kinds: SheetKind) -> SheetStock:
    """The cheapest sheet of these kinds that is large enough; the largest there is where none is."""
    for kind in kinds:
        fibre = ACID_FREE.get(kind) is False  # asked for by its kind, for what it carries
        here = [x for x in desk.stock.sheets_of(kind) if x.safe or fibre]
        fit = next((x for x in here if x.holds(*size_mm)), None)
        if fit is not None:
            return fit
    some = [x for kind in kinds for x in desk.stock.sheets_of(kind)]
    return max(some, key=lambda x: x.width_mm * x.height_mm, default=BOARD if "mat" in kinds else BACKING)


def air_needed(
    desk: Desk, told: Told, size_mm: tuple[float, float], glazing: SheetStock, least_mm: float, contact: bool
) -> Quantity:
    """Air between glazing and piece: the clearance, and the sag of the glazing where the box lies on its back."""
    s, p = desk.sheet, desk.practice
    if contact:
        return s.let("air.needed", "air in front of the piece, at least", s.number(0, MM), "contact, as decided")
    clear = s.choose(
        "air.clearance",
        "clearance",
        p.air_loose_mm if told["loose_surface"] else least_mm,
        MM,
        "loose surface" if told["loose_surface"] else "practice of the shop",
    )
    s.let(
        "air.sag",
        f"{glazing.kind} sags, lying flat",
        s.decide(
            "plate, simply supported; E and one-term formula for large sag",
            sag_mm(*size_mm, glazing.thick_mm, glazing.kind),
            MM,
        ),
        "Timoshenko, table 8; an aid to judgement",
    )
    return s.let("air.needed", "air in front of the piece, at least", clear)


def second_of(role: str) -> str:
    """The role under which a pile keeps what is of its second thickness."""
    return f"{role}_2"


def together(slabs: Sequence[Slab]) -> Quantity:
    """How thick layers are together."""
    total = slabs[0].thick
    for layer in slabs[1:]:
        total = total + layer.thick
    return total


def depth_needed(desk: Desk, slabs: Sequence[Slab]) -> Quantity:
    """The depth that the layers and their fasteners ask of a rabbet."""
    s = desk.sheet
    package = s.let("depth.package", "package, all layers", together(slabs))
    screwed = slabs[-1].role == "strip"
    room = s.choose(
        "depth.fastener",
        "room for the fasteners",
        0.0 if screwed else desk.practice.fastener_room_mm,
        MM,
        "the strainer is screwed through the rails" if screwed else "common practice",
    )
    return s.let("depth.needed", "rabbet needed", package + room, way="up")


def spare_depth(desk: Desk, rabbet: Quantity) -> Quantity:
    """What the made rabbet has over the depth that is needed; below nothing, the package is too deep."""
    s = desk.sheet
    return s.let("depth.spare", "spare depth", rabbet - s["depth.package"] - s["depth.fastener"], way="down")
