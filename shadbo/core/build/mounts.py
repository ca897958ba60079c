"""Mounts: how a piece is held, which of its facts speak for or against each, and what every fixing carries."""

from collections.abc import Sequence
from string import Formatter

from shadbo.core.build.mount import Mount
from shadbo.core.build.mount_table import MOUNTS
from shadbo.core.dataclass import dataclass
from shadbo.core.desk import Desk
from shadbo.core.pieces.facts import Told
from shadbo.core.pieces.pieces import Piece
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sheet.units import KG, ONE
from shadbo.core.shop.boards import Tape
from shadbo.core.shop.kept import TAPES, role
from shadbo.core.sums.hang import force
from shadbo.core.words.lengths import Both
from shadbo.core.words.words import length


@dataclass(frozen=True, slots=True)
class Weighed:
    """A mount held against the piece: why it serves, or what speaks against it."""

    mount: Mount
    against: tuple[str, ...]
    said_for: str

    @property
    def serves(self) -> bool:
        """Whether nothing speaks against it."""
        return not self.against


@dataclass(frozen=True, slots=True)
class MountPlan:
    """The mount that was taken, and every one that was weighed."""

    taken: Weighed
    weighed: tuple[Weighed, ...]
    decided: bool
    tape: Tape | None = None
    of: str = ""
    name: str = ""
    at: str = ""
    key: str = "mount"

    @property
    def used_key(self) -> str:
        """The line that says how many pieces of its tape or pin it takes."""
        return f"{self.key}.used"

    @property
    def run_key(self) -> str:
        """The line that says how long each of them is, where it comes off a roll."""
        return f"{self.key}.run"


def said(desk: Desk, text: str) -> Both:
    """A step or caution of a mount, its lengths filled from the shop's practice."""
    fields = {name for _, name, _, _ in Formatter().parse(text) if name}
    lengths = {name: length(getattr(desk.practice, name), desk.mark) for name in fields}
    return Both(
        text.format_map({name: t.mm for name, t in lengths.items()}),
        text.format_map({name: t.inch for name, t in lengths.items()}),
    )


def weigh(mount: Mount, told: Told, piece: Piece, mass_kg: float) -> Weighed:
    """Hold one mount against the facts of a piece."""
    against = []
    if mount.glues and not told["may_be_glued"]:
        against.append(f"it may not be glued ({told.why['may_be_glued']})")
    if not mount.reversible and told["must_be_reversible"]:
        against.append(f"it must come off again ({told.why['must_be_reversible']})")
    if not mount.reversible and told["removable_later"]:
        against.append("the owner wants it out again")
    if mount.pierces and not told["may_be_pierced"]:
        against.append(f"it may not be pierced ({told.why['may_be_pierced']})")
    if mount.id == "glue on the face" and told["loose_surface"]:
        against.append("its surface is loose")
    if mount.glues and piece.no_go:
        against.append(f"no adhesive may go where its {piece.no_go} is")
    if mass_kg > mount.most_kg:
        against.append(f"for up to {mount.most_kg:g} kg; this weighs {mass_kg:.2g} kg")
    if piece.detail.kind == "puzzle" and getattr(piece.detail, "state", "") == "loose" and mount.id == "friction":
        against.append("loose puzzle pieces would slide")
    said = "holds for good"
    if mount.reversible:
        said = "comes off; tape can leave its mark" if mount.tape is not None else "comes off without a trace"
    if mount.wets:
        said += "; a little paste, dried under weight"
    return Weighed(mount, tuple(against), said)


def choose_mount(
    desk: Desk,
    told: Told,
    mass_kg: float,
    ids: Sequence[str],
    decided: str | None,
    piece: Piece | None = None,
    key: str = "mount",
) -> MountPlan:
    """The first that serves in the display's order, or what the framer decided. Unknown names fall to the plan."""
    weighed = tuple(weigh(MOUNTS[i], told, piece or desk.piece, mass_kg) for i in ids)
    wanted = next((w for w in weighed if w.mount.id == decided), None)
    taken = wanted or next((w for w in weighed if w.serves), weighed[0])
    return MountPlan(taken, weighed, wanted is not None, _tape(desk, key, taken.mount), key=key)


def _tape(desk: Desk, key: str, mount: Mount) -> Tape | None:
    """The tape, pin or tie that a mount takes: the cheapest of its kind; None where there is none."""
    if mount.tape is None:
        return None
    tapes, name = desk.stock.tapes_of(mount.tape), role(key, mount.tape)
    if not tapes and desk.known(TAPES, name, None) is None:
        return None
    return desk.take(TAPES, name, None, lambda: tapes[0])


def load_sums(
    desk: Desk,
    plan: MountPlan,
    mass: Quantity,
    count: Quantity,
    run: Quantity | None = None,
    piece: Piece | None = None,
) -> None:
    """Demand, factor and rating of one fixing. ``run`` is the length of tape on one fixing, where it sticks."""
    p, mount = desk.practice, plan.taken.mount
    tape = plan.tape
    if tape is None:
        return
    dear = mount.factor == "tape_factor" and (piece or desk.piece).worth != "everyday"
    value = p.tape_factor_dear if dear else getattr(p, mount.factor)
    share = force(desk.sheet, mass) / count
    run = run if tape.by_length else None
    desk.sheet.let(plan.used_key, f"{tape.name}, pieces", count)
    if run is not None:
        desk.sheet.let(plan.run_key, f"{tape.name}, each", run)
    carry(desk, plan.key, share, (tape.name, tape.rating_kg), value, run)


def carry(
    desk: Desk, key: str, demand: Quantity, rated: tuple[str, float], factor: float, run: Quantity | None = None
) -> Quantity:
    """What one fixing carries (N) against its maker's rating (kg, by 100 mm of ``run`` where that is given).

    The margin is rating less demand · factor: below nothing, the fixing is overloaded.
    """
    s = desk.sheet
    name, kg = rated
    carried = s.let(f"{key}.demand", "each fixing carries", demand)
    safe = s.choose(f"{key}.factor", "safety factor of the mount", factor, ONE, "practice of the shop")
    rating = force(s, s.choose(f"{key}.rating_each", f"rating of {name}", kg, KG, "maker"))
    if run is not None:
        rating = rating * (run / s.number(100, run.unit))
    may = s.let(f"{key}.rating", "each fixing may carry, by its maker", rating)
    return s.let(f"{key}.margin", "rating less demand · factor", may - carried * safe)
