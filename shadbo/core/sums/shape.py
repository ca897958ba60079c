"""The shape of a flat piece from its readings: size, taper, waist, rack, misfit, outline."""

from shadbo.core.dataclass import dataclass
from shadbo.core.desk import Desk
from shadbo.core.pieces.kinds import PUZZLE_MM, SORT_THICK_MM, noun_of
from shadbo.core.pieces.measures import measures, prefix
from shadbo.core.pieces.pieces import Detail, Margined, Paper, Puzzle
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sheet.units import MM
from shadbo.core.sums.square import Outline, outline, rack, second_diagonal


@dataclass(frozen=True, slots=True)
class Shape:
    """Width and height that count (the largest reading, after trimming), the outline, and every reading."""

    width: Quantity
    height: Quantity
    outline: Outline
    readings: dict[str, Quantity]


def read_all(desk: Desk, detail: Detail) -> dict[str, Quantity]:
    """Every reading of the piece onto the sheet, by field name."""
    start = prefix(detail)
    got = {}
    for m in measures(detail):
        reading = None if m.wanted else getattr(detail, m.name)
        if reading is not None:
            got[m.name] = desk.read(f"{start}.{m.name}", m.label, reading)
    return got


def thickness_of(desk: Desk, detail: Detail, got: dict[str, Quantity], key: str) -> Quantity | None:
    """The thickness that was read, or what is usual for a puzzle or a sheet of its sort; None for what has none."""
    if "thickness" in got or not isinstance(detail, Paper | Puzzle):
        return got.get("thickness")
    sort = detail.sort if isinstance(detail, Paper) else "puzzle"
    thick_mm = SORT_THICK_MM.get(sort, PUZZLE_MM)
    return desk.sheet.choose(f"{key}.thickness", "thickness", thick_mm, MM, f"usual for a {sort}")


def shape_of(desk: Desk, detail: Detail, got: dict[str, Quantity], name: str = "") -> Shape:
    """Size and outline of the piece as it stands after trimming. ``name`` is the label of its size lines."""
    s, start, noun = desk.sheet, prefix(detail), name or noun_of(detail.kind, getattr(detail, "sort", ""))
    cut_w, cut_h = _trims(desk, detail)

    def side(field: str) -> Quantity:
        cut = cut_w if field.startswith("width") else cut_h
        return got[field] - cut if cut is not None else got[field]

    widths = [side(n) for n in ("width_top", "width_middle", "width_bottom") if n in got]
    heights = [side(n) for n in ("height_left", "height_middle", "height_right") if n in got]
    width = s.let(f"{start}.width", f"{noun}, width", s.pick("largest", *widths))
    height = s.let(f"{start}.height", f"{noun}, height", s.pick("largest", *heights))
    shift, *swells = out_of_square(desk, start, got)
    ring = outline(
        s, side("width_top"), side("width_bottom"), side("height_left"), side("height_right"), shift, *swells
    )
    return Shape(width, height, ring, got)


def out_of_square(
    desk: Desk, start: str, got: dict[str, Quantity]
) -> tuple[Quantity | None, Quantity | None, Quantity | None]:
    """Taper, rack, misfit and waist of four sides onto the sheet; the rack and both waists, where they were read."""
    s = desk.sheet
    s.let(f"{start}.taper_width", "taper of the width, top less bottom", got["width_top"] - got["width_bottom"])
    s.let(f"{start}.taper_height", "taper of the height, left less right", got["height_left"] - got["height_right"])
    shift = _shift(desk, start, got)
    return (
        shift,
        _swell(desk, start, got, "width", "width_top", "width_bottom"),
        _swell(desk, start, got, "height", "height_left", "height_right"),
    )


def _trims(desk: Desk, detail: Detail) -> tuple[Quantity | None, Quantity | None]:
    """What trimming takes off width and height; needlework is never trimmed into its design."""
    if not isinstance(detail, Margined) or detail.kind == "needlework":
        return None, None
    s = desk.sheet
    out: list[Quantity | None] = []
    for axis, sides in (("width", ("left", "right")), ("height", ("top", "bottom"))):
        here = [
            desk.choose(f"trim.{side}", f"strip to trim, {side}", decided, 0, "")
            for side in sides
            if (decided := getattr(detail, f"trim_{side}")) is not None
        ]
        if not here:
            out.append(None)
            continue
        total = here[0] if len(here) == 1 else here[0] + here[1]
        out.append(s.let(f"trim.{axis}", f"trimmed off the {axis}", total))
    return out[0], out[1]


def _swell(desk: Desk, start: str, got: dict[str, Quantity], axis: str, one: str, other: str) -> Quantity | None:
    middle = got.get(f"{axis}_middle")
    if middle is None:
        return None
    return desk.sheet.let(
        f"{start}.waist_{axis}", f"waist: middle {axis} against its ends", middle - (got[one] + got[other]) / 2
    )


def _shift(desk: Desk, start: str, got: dict[str, Quantity]) -> Quantity | None:
    s = desk.sheet
    up, down = got.get("diagonal_up"), got.get("diagonal_down")
    if up is None or down is None:
        return None
    sides = [got[n] for n in ("width_top", "width_bottom", "height_left", "height_right")]
    fixed = s.call("the diagonal that four sides and the other diagonal fix", second_diagonal, *sides, down, u=MM)
    if fixed.value != fixed.value:
        return None  # no four sides allow this diagonal; a check says so, and nothing is drawn aslant by it
    mean = (got["width_top"] + got["width_bottom"]) / 2
    shift = s.let(f"{start}.rack", "rack: top shifted to the right", rack(mean, up, down))
    s.let(f"{start}.misfit", "misfit of the second diagonal", up - fixed)
    return shift
