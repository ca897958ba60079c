"""Fit chain of a rabbeted frame: package, allowance, lip, face; and the rails that bow."""

from shadbo.core.dataclass import dataclass
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sheet.sheet import Sheet
from shadbo.core.sheet.units import MM
from shadbo.core.sums.movement import acrylic_growth

ENDS = {"width": ("top", "bottom"), "height": ("left", "right")}


@dataclass(frozen=True, slots=True)
class Fit:
    """One dimension of the chain: what was made at both ends and the middle, and what comes of it."""

    axis: str
    allowance: Quantity
    least: Quantity
    most: Quantity
    sight: Quantity
    outside: Quantity
    bow: Quantity
    growth: Quantity
    spans: tuple[Quantity, ...]

    def spans_mm(self) -> tuple[float, float, float]:
        """At one end, in the middle and at the other end; pulled in by a strainer it is as straight as its ends."""
        first, last = self.spans[0].value, self.spans[-1].value
        middle = self.spans[1].value if len(self.spans) == 3 else (first + last) / 2
        return first, middle, last


@dataclass(frozen=True, slots=True)
class Hold:
    """What the lip covers of a package of a given size."""

    worst: Quantity
    hidden: Quantity


def allowance_of(
    sheet: Sheet, axis: str, package: Quantity, base: Quantity, acrylic: bool, room_mm: float, k: float, rh: float
) -> tuple[Quantity, Quantity]:
    """The allowance of one dimension and the growth of the sheet.

    The shop's allowance, the growth of an acrylic sheet and its room, or the reading error of the package,
    whichever is largest.
    """
    growth = sheet.number(0, MM)
    if acrylic:
        grown = sheet.call("L · (70·10⁻⁶·ΔT + 3·10⁻⁵·ΔRH)", acrylic_growth(k, rh), package, u=MM)
        label = f"the glazing grows on the {axis} by"
        growth = sheet.let(f"season.growth_{axis}", label, grown, "acrylic, from dry cold to damp warm")
    wanted = [base, sheet.number(package.worst, MM)]
    if acrylic:
        wanted.append(growth + sheet.number(room_mm, MM))
    best = max(wanted, key=lambda q: q.value)
    source = "practice of the shop" if best is base else "room for the sheet to grow" if acrylic else "reading error"
    return sheet.let(f"fit.allowance_{axis}", f"allowance on the {axis}", best, source), growth


def made_inside(
    sheet: Sheet, axis: str, noun: str, planned: Quantity, joint_mm: float
) -> tuple[Quantity, Quantity, Quantity]:
    """The inside of a frame at one end, in the middle and at the other end, as made.

    Only readings that were taken count: an end that was not measured is as the other one, a middle that was not is
    what the measured ends come to, so that neither tells of a bow.
    """
    keys = {place: f"frame.inside_{axis}.{place}" for place in (*ENDS[axis], "middle")}
    measured = [end for end in ENDS[axis] if keys[end] in sheet.as_built]
    first_middle = not measured or keys["middle"] in sheet.as_built
    made: dict[str, Quantity] = {}

    def put(place: str, q: Quantity, tolerance_mm: float = 0.0) -> None:
        made[place] = sheet.made(keys[place], f"{noun} {axis}, {place}", q, tolerance_mm)

    if first_middle:
        put("middle", planned, joint_mm)
    for end in measured:
        put(end, *((made["middle"],) if first_middle else (planned, joint_mm)))
    for end in ENDS[axis]:
        if end not in made:
            put(end, made[measured[0]] if measured else made["middle"])
    first, last = (made[end] for end in ENDS[axis])
    if not first_middle:
        put("middle", (first + last) / 2)
    return first, made["middle"], last


def frame_axis(
    sheet: Sheet,
    axis: str,
    package: Quantity,
    allowance: Quantity,
    growth: Quantity,
    lip: Quantity,
    face: Quantity,
    tolerances_mm: tuple[float, float],
    pulled_in: bool = False,
    exists: bool = False,
    given: Quantity | None = None,
) -> Fit:
    """Rabbet, rail, sight and outside for one dimension; rails are given by their outside, long point.

    ``exists``: nothing is cut, its sizes are read. ``given``: the outside that it is to have, whatever is in it.
    ``tolerances_mm`` are the saw's and the joint's. ``pulled_in``: a strainer back brings the middle to the ends.
    """
    saw, joint = tolerances_mm
    wanted = sheet.let(f"inside.{axis}", f"rabbet {axis}, wanted", package + allowance, "package + allowance", "up")
    planned = wanted
    if not exists:
        outside = wanted + 2 * (face - lip) if given is None else given
        rail = sheet.cut(f"rail.{axis}", f"rail, outside {axis}, long point", outside, "up", saw)
        planned = rail - 2 * (face - lip)
    first, middle, last = made_inside(sheet, axis, "rabbet", planned, joint)
    spans = (first, last) if pulled_in else (first, middle, last)
    least = sheet.let(f"fit.rabbet_{axis}", f"rabbet {axis}, least", sheet.pick("smallest", *spans))
    most = sheet.pick("largest", *spans)
    return Fit(
        axis,
        allowance,
        least,
        most,
        sheet.let(f"frame.sight_{axis}", f"sight {axis}", middle - 2 * lip),
        sheet.made(f"frame.outside_{axis}", f"outside {axis}", middle + 2 * (face - lip), way="up"),
        sheet.let(f"fit.bow_{axis}", f"rails bow on the {axis}, both together", middle - (first + last) / 2),
        growth,
        spans,
    )


def hold(sheet: Sheet, fit: Fit, package: Quantity, lip: Quantity) -> Hold:
    """Worst hold: slid to the other side, where the rabbet is widest, the sheet shrunk. Hidden: centred."""
    slack = sheet.pick("largest", fit.most - package, sheet.number(0, MM))
    worst = sheet.let(
        f"fit.hold_{fit.axis}",
        f"least hold on the {fit.axis}, slid over",
        lip - slack - fit.growth,
        "lip less allowance, bow and shrinkage",
        "down",
    )
    hidden = sheet.let(f"fit.hidden_{fit.axis}", f"rim hidden on the {fit.axis}, centred", lip - slack / 2)
    return Hold(worst, hidden)
