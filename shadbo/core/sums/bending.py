"""Rails and bars that bend: stretcher bars under the cloth, a bottom rail under its package, rails that bow."""

from collections.abc import Sequence
from itertools import pairwise

from shadbo.core.desk import Desk
from shadbo.core.pieces.pieces import Brace
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sheet.sheet import Sheet
from shadbo.core.sheet.units import MM, N_PER_MM, unit

E_MPA = {"softwood": 9000.0, "hardwood": 11000.0}
"""Usual bending stiffness along the grain: common practice, no source."""
MPA = unit(N=1, mm=-2)
MM4 = unit(mm=4)


def hinged_mm(w: float, length: float, e: float, i: float) -> float:
    """Middle of a bar on two hinges under an even load: 5·w·L⁴ / (384·E·I).

    ``w`` in N/mm, ``length`` in mm, ``e`` in MPa, ``i`` in mm⁴; the sag in mm. Source: statics, simple beam.

    >>> round(hinged_mm(0.05, 1000, 9000, inertia(20, 30)), 3)
    1.608
    """
    return 5 * w * length**4 / (384 * e * i)


def clamped_mm(w: float, length: float, e: float, i: float) -> float:
    """The same with both ends held fast: w·L⁴ / (384·E·I).

    Arguments as for ``hinged_mm``: a fifth of it. Source: statics, beam clamped at both ends.

    >>> round(hinged_mm(0.05, 1000, 9000, 45_000) / clamped_mm(0.05, 1000, 9000, 45_000), 6)
    5.0
    """
    return w * length**4 / (384 * e * i)


def inertia(depth: float, face: float) -> float:
    """Second moment of area of a bar that bends across its face: depth · face³ / 12, in mm⁴.

    ``depth`` along the axis of bending and ``face`` across it, both in mm. Source: rectangular section.

    >>> inertia(20, 30)
    45000.0
    """
    return depth * face**3 / 12


def longest_span(length_mm: float, bar_mm: float, braces: Sequence[Brace], runs: str) -> float:
    """The longest stretch of a bar that nothing props: between its corners and its braces."""
    stops = [bar_mm, *sorted(b.at.mm for b in braces if b.runs == runs), length_mm - bar_mm]
    return max(b - a for a, b in pairwise(stops))


def brace_sums(
    desk: Desk, width: Quantity, height: Quantity, depth: Quantity, face: Quantity, braces: Sequence[Brace]
) -> None:
    """Clear span and inward bow of the bars, both ways, as they are braced now."""
    s, p = desk.sheet, desk.practice
    pull = s.choose("brace.pull", "pull of the cloth", p.cloth_tension_n_per_mm, N_PER_MM, "about; common practice")
    e = s.choose("brace.e", "stiffness of the bar", E_MPA["softwood"], MPA, "pine, usual value")

    def bow(w: float, length: float, stiff: float, deep: float, wide: float) -> float:
        return hinged_mm(w, length, stiff, inertia(deep, wide))

    for axis, side, runs in (("width", width, "down"), ("height", height, "across")):
        span = s.let(
            f"brace.span_{axis}",
            f"clear span of the bars along the {axis}",
            s.decide(
                "between corners and braces", longest_span(side.value, face.value, braces, runs), MM, side, face
            ),
        )
        s.let(
            f"brace.bow_{axis}",
            f"bars along the {axis} bow inwards by",
            s.call("5·w·L⁴ ÷ (384·E·I), I = depth·face³ ÷ 12", bow, pull, span, e, depth, face, u=MM),
        )


def rabbeted_inertia(face: float, height: float, rabbet: float, lip: float) -> float:
    """Second moment of area of a rabbeted rail that bends across its face, in mm⁴; all lengths in mm.

    Two rectangles, lip and wall, about the centroid that they share. Source: parallel-axis theorem.

    >>> round(rabbeted_inertia(30, 40, 32, 8))
    49258
    """
    wall, front = max(face - lip, 0.0), max(height - rabbet, 0.0)
    areas = (front * face, rabbet * wall)
    centres = (face / 2, wall / 2)
    total = sum(areas)
    if total <= 0:
        return 0.0
    middle = sum(a * c for a, c in zip(areas, centres, strict=True)) / total
    own = inertia(front, face) + inertia(rabbet, wall)
    return own + sum(a * (c - middle) ** 2 for a, c in zip(areas, centres, strict=True))


def rail_sag(
    sheet: Sheet,
    weight: Quantity,
    length: Quantity,
    species: str,
    section: tuple[Quantity, Quantity, Quantity, Quantity],
) -> tuple[Quantity, Quantity]:
    """Least and most sag of a bottom rail that carries ``weight`` (N): ends clamped, ends hinged.

    ``section`` is face, height, rabbet and lip; a strainer back that is screwed to the rail bends with it.
    """
    e = sheet.choose("rail.e", "stiffness of the rail", E_MPA.get(species, 9000.0), MPA, "usual value")
    stiff = sheet.let(
        "rail.inertia",
        "stiffness of the section",
        sheet.call("two rectangles about their common centroid, for face, height, rabbet, lip", rabbeted_inertia,
                   *section, u=MM4),
        "the rabbet taken out",
    )  # fmt: skip
    if "strainer.bar" in sheet:
        bar = sheet.call("thickness · width³ ÷ 12", inertia, sheet["strainer.thick"], sheet["strainer.bar"], u=MM4)
        stiff = sheet.let(
            "rail.inertia_strained", "… and of the strainer's bar", stiff + bar, "screwed to one another"
        )

    def least(w: float, long: float, e: float, i: float) -> float:
        return clamped_mm(w / long, long, e, max(i, 1.0))

    def most(w: float, long: float, e: float, i: float) -> float:
        return hinged_mm(w / long, long, e, max(i, 1.0))

    args = (weight, length, e, stiff)
    return (
        sheet.let(
            "rail.sag_least",
            "bottom rail sags at least",
            sheet.call("w·L⁴ ÷ (384·E·I), ends clamped", least, *args, u=MM),
            "a stiff pane carries part of it",
        ),
        sheet.let(
            "rail.sag",
            "bottom rail sags at most",
            sheet.call("5·w·L⁴ ÷ (384·E·I), ends hinged", most, *args, u=MM),
            "upper bound: a stiff pane carries part of it",
        ),
    )


def pulled_mm(pull: float, at: float, length: float, e: float, i: float) -> float:
    """How far a bar on two hinges bends where one load pulls it: F·a²·b² / (3·E·I·L).

    ``pull`` in N, ``at`` from one end and ``length`` in mm, ``e`` in MPa, ``i`` in mm⁴. Source: statics, simple beam.

    >>> round(pulled_mm(40, 300, 900, 9000, 45_000), 3)
    1.185
    """
    rest = length - at
    return pull * at**2 * rest**2 / (3 * e * i * length)


def braces_wanted(span_mm: float, one_over_mm: float, two_over_mm: float) -> int:
    """How many braces a clear span asks for: common practice, no source."""
    return 2 if span_mm > two_over_mm else 1 if span_mm > one_over_mm else 0
