"""How a frame hangs: what the planning of it gives."""

from shadbo.core.build.assembly import Dot
from shadbo.core.dataclass import dataclass
from shadbo.core.hang.screw import Beside
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sheet.sheet import to_mark
from shadbo.core.sheet.units import GRAVITY_N_PER_KG
from shadbo.core.shop.boards import Tape
from shadbo.core.shop.materials import Hanger, HangerKind, Wire
from shadbo.core.words.lengths import Both, Mark
from shadbo.core.words.words import Mm


@dataclass(frozen=True, slots=True)
class HangPlan:
    """How the frame hangs. Places are in the front plane; ``reason`` says why this kind.

    ``room_mm`` is how deep the wood is for a hanger's screws, ``screws_across`` what they carry across, safely, in N.
    """

    kind: HangerKind
    reason: Both
    hanger: Hanger | None
    wire: Wire | None
    weight: Quantity
    down: Quantity
    inwards: Quantity
    places: tuple[Dot, ...]
    hook_height: Quantity
    hooks: tuple[float, ...]
    screw_mm: float
    screws_at: str
    screw_hold: Quantity | None
    screw_load: Quantity | None
    tension: Quantity | None = None
    rise: Quantity | None = None
    span: Quantity | None = None
    hooks_apart: Quantity | None = None
    angle_deg: float = 90.0
    wire_length: Quantity | None = None
    bumper_mm: float = 0.0
    room_mm: float = 0.0
    beside: Beside | None = None
    screws_across: Quantity | None = None
    bends: Quantity | None = None
    strip: Tape | None = None

    def hook_marked(self, mark: Mark) -> Mm:
        """How high the hook is marked on the wall: to the mark, since nobody drills at half of one."""
        return Mm(to_mark(self.hook_height.value, mark.mm, "nearest"))

    @property
    def wall_fixings(self) -> int:
        """How many fixings the wall takes: one a hook, a cleat on two; none for strips, and a ledge has its own."""
        if self.kind in ("strips", "ledge"):
            return 0
        return 2 if self.kind == "cleat" else len(self.hooks)

    @property
    def each_kg(self) -> float:
        """Load on one hanger in kg: the wire's pull, half of the weight, or all of it."""
        if self.tension is not None:
            return self.tension.value / GRAVITY_N_PER_KG
        return self.weight.value / (2 if self.kind == "straps" else 1)
