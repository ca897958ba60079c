"""Which readings a kind of piece needs, in the order in which a tape goes round it."""

from collections.abc import Iterator, Sequence
from dataclasses import replace
from functools import cache

from shadbo.core.dataclass import dataclass
from shadbo.core.pieces.objects import Badge, Flag, Garment, Keepsake, Sized
from shadbo.core.pieces.pieces import Detail, LooseCanvas, Margined, Paper, Puzzle, StretchedCanvas

SIDES = ("top", "right", "bottom", "left")


@dataclass(frozen=True, slots=True)
class Measure:
    """One reading: the field, what it is called, whether a plan needs it, and a hint with usual lengths in it.

    ``short``: what it is called beside the drawn piece. ``wanted``: no reading, but the size that something is to
    have which is not made yet.
    """

    name: str
    label: str
    needed: bool = True
    hint: str = ""
    usual_mm: tuple[float, ...] = ()
    wanted: bool = False
    short: str = ""


def prefix(detail: Detail) -> str:
    """What the lines of this piece are called on the sheet of sums."""
    return "canvas" if isinstance(detail, StretchedCanvas | LooseCanvas) else "piece"


def _round(detail: Detail) -> Iterator[Measure]:
    middles = "beside the folds" if isinstance(detail, StretchedCanvas) else ""
    yield Measure("width_top", "width along the top")
    yield Measure("width_middle", "width at the middle", False, middles)
    yield Measure("width_bottom", "width along the bottom")
    yield Measure("height_left", "height at the left")
    yield Measure("height_middle", "height at the middle", False, middles)
    yield Measure("height_right", "height at the right")
    yield Measure("diagonal_down", "diagonal, top left to bottom right", False, "for squareness")
    yield Measure("diagonal_up", "diagonal, bottom left to top right", False, "for squareness")


@cache
def _of_sized(kind: type[Sized], stands: bool) -> tuple[Measure, ...]:
    """The readings of one kind of thing, told once; ``stands``: a keepsake on its foot."""
    return tuple(_of_object(kind, stands))


def _of_object(kind: type[Sized], stands: bool) -> Iterator[Measure]:
    yield Measure("width", "width, as displayed", short="width")
    yield Measure("height", "height, as displayed", short="height")
    if issubclass(kind, Garment):
        yield Measure("body_width", "body, armpit to armpit", False, "for its outline and seams")
        yield Measure(
            "thickness", "thickness, with its inner form", True, "{} to {} as a rule", (10, 20), short="thickness"
        )
    elif issubclass(kind, Flag):
        yield Measure("flat_width", "width, laid flat")
        yield Measure("flat_height", "height, laid flat")
        yield Measure("cloth", "one layer of the cloth", True, "a caliper reads it best", short="one layer")
    elif issubclass(kind, Badge):
        yield Measure("relief", "stands in front of its board by", short="stands in front")
        yield Measure("back_relief", "clasp stands behind by", False, "none for a sewn patch")
        yield Measure("pin_off", "pin from the visible centre", False, "seen from the front")
        yield Measure("pin_width", "hole for the pin, diameter", False, "{} as a rule", (2,))
    elif issubclass(kind, Keepsake):
        yield Measure("depth", "depth, front to back", short="depth")
        yield Measure("centre_up", "centre of gravity, from its lowest point", False, "balance it on an edge")
        yield Measure("base_depth", "depth of its foot", stands, "for the tilt test", short="foot, depth")
    else:
        yield Measure("thickness", "thickness", True, "a caliper reads it best")


def measures(detail: Detail) -> Sequence[Measure]:
    """The readings of this kind of piece; of a print that is still to be made, the face that it is to have."""
    if isinstance(detail, Sized):
        return _of_sized(type(detail), isinstance(detail, Keepsake) and detail.stands)
    if isinstance(detail, LooseCanvas) and detail.printed:
        read = detail.model_copy(update={"printed": False})
        unread = {"width": detail.width_top is None, "height": detail.height_left is None}
        faces = [
            Measure(f"face_{axis}", f"face wanted, {axis}", alone, wanted=True) for axis, alone in unread.items()
        ]
        return [*faces, *(replace(m, needed=False) for m in measures(read))]
    out = list(_round(detail))
    if isinstance(detail, StretchedCanvas):
        out.append(Measure("depth", "depth, bar and cloth"))
        out.append(Measure("bar_face", "bar width, seen from behind"))
    elif isinstance(detail, LooseCanvas):
        out += [Measure(f"margin_{side}", f"free cloth, {side}") for side in SIDES]
    else:
        usual = isinstance(detail, Paper | Puzzle)
        out.append(Measure("thickness", "thickness, at its thickest", not usual, "a caliper reads it best"))
    if isinstance(detail, Margined):
        cloth = "free cloth" if detail.kind == "needlework" else "free margin"
        out += [Measure(f"margin_{side}", f"{cloth}, {side}", detail.kind == "needlework") for side in SIDES]
    return out
