"""What the mounts of a plan use up: hinges, pins and ties by the piece, tape by its run."""

from collections import Counter

from shadbo.core.build.assembly import Assembly, Part
from shadbo.core.build.mounts import MountPlan
from shadbo.core.dataclass import dataclass
from shadbo.core.sheet.sheet import Sheet
from shadbo.core.shop.boards import Tape


@dataclass(frozen=True, slots=True)
class Use:
    """So many of one thing, each that long where it is cut from a roll; the price is for all of them."""

    name: str
    count: int
    run_mm: float | None
    price: float
    what: str
    whose: str


def uses(sheet: Sheet, assembly: Assembly) -> list[Use]:
    """Every mount's own, in the order of the mounts."""
    spots = Counter([x.of for x in assembly.spots if x.kind in ("pin", "support")])
    mounts = [use for mount in assembly.mounts if (use := _use(sheet, mount, spots[mount.of])) is not None]
    return mounts + [_tape_of(part, part.stuck) for part in assembly.parts if part.stuck is not None]


def _tape_of(part: Part, tape: Tape) -> Use:
    """Tape along every strip of a part."""
    run = part.length.value if part.length is not None else 0.0
    price = tape.price * part.count * (run / 1000 if tape.by_length else 1.0)
    return Use(tape.name, part.count, run, price, f"sticks the {part.role}s", "")


def joint_uses(assembly: Assembly) -> list[Use]:
    """What the four corners take: biscuits, slips, plates with their screws; nothing where glue alone serves."""
    joint = assembly.joint
    if joint is None:
        return []
    return [
        Use(x.name, 4 * x.each, x.long_mm, 4 * x.each * x.price, f"corner joint: {joint.kind}", "")
        for x in joint.pieces
    ]


def _use(sheet: Sheet, mount: MountPlan, spots: int) -> Use | None:
    tape = mount.tape
    if tape is None:
        return None
    count = (spots if mount.of else 0) or int(sheet[mount.used_key].value if mount.used_key in sheet else 1)
    run = sheet[mount.run_key].value if mount.run_key in sheet else None
    price = tape.price * count * (run / 1000 if run is not None else 1.0)
    return Use(tape.name, count, run, price, mount.taken.mount.id, f"for {mount.name}" if mount.name else "")
