"""Kinds of piece: what each is called, what may usually be done to it, how it is drawn and held."""

from typing import Literal

from shadbo.core.dataclass import dataclass
from shadbo.core.shapes.hatch import Hatch

FactName = Literal[
    "may_touch_glazing",
    "may_be_glued",
    "may_be_pierced",
    "may_be_steamed",
    "may_be_wetted",
    "loose_surface",
    "must_be_reversible",
    "removable_later",
]


@dataclass(frozen=True, slots=True)
class Kind:
    """One kind of piece.

    ``noun`` is what its size lines call it, ``words`` what the framer picks it by. ``usual`` are the facts that are
    so unless the owner says otherwise, ``mounts`` how it is held among several pieces, the likeliest first; both are
    common practice, no source. ``lux`` is how much light it should stand in at most, by its hatch (``LUX``).
    """

    noun: str
    words: str
    hatch: Hatch
    mounts: tuple[str, ...]
    usual: frozenset[FactName] = frozenset()

    @property
    def lux(self) -> int | None:
        """None where light does it no harm."""
        return LUX.get(self.hatch)


LUX: dict[Hatch, int] = {"textile": 50, "paper": 50, "puzzle": 50, "cloth": 200}
"""Textiles, dyed paper, prints: 50 lux; oil paintings: 200 (CIE 157:2004, from memory)."""


def _kind(noun: str, words: str, hatch: Hatch, mounts: tuple[str, ...], *usual: FactName) -> Kind:
    return Kind(noun, words, hatch, mounts, frozenset(usual))


PaperSort = Literal[
    "print", "poster", "linen-backed poster", "drawing", "watercolour", "pastel", "photograph", "certificate",
    "document",
]  # fmt: skip
ClothSort = Literal["needlework", "quilted cloth", "woven cloth", "beaded canvas"]
SORT_FACTS: dict[str, dict[FactName, bool]] = {
    "pastel": {"loose_surface": True},
    "drawing": {"may_be_wetted": False},
    "watercolour": {"may_be_wetted": False, "may_be_steamed": False},
    "photograph": {"may_touch_glazing": False, "may_be_steamed": False},
    "document": {"must_be_reversible": True},
    "certificate": {"must_be_reversible": True},
    "beaded canvas": {"may_be_steamed": False, "may_be_wetted": False},
}
"""What is so of a sort of paper or worked cloth unless the owner says otherwise: common practice, no source."""

SORT_THICK_MM: dict[str, float] = {
    "print": 0.3,
    "poster": 0.2,
    "linen-backed poster": 0.7,
    "drawing": 0.25,
    "watercolour": 0.6,
    "pastel": 0.4,
    "photograph": 0.25,
    "certificate": 0.25,
    "document": 0.15,
}
"""How thick a sheet of a sort usually is, where nobody has read it: common practice, no source."""
SORTED = ("paper", "needlework")
"""Kinds whose sort has facts of its own."""
PUZZLE_MM = 2.0
"""How thick a puzzle usually is, where nobody has read it: common practice, no source."""
CALLED_BY_SORT = ("badge", "plate", "flag")


def noun_of(kind: str, sort: str = "") -> str:
    """What a piece is called where it has no name: a medal is a medal, not a badge.

    >>> noun_of("badge", "medal"), noun_of("paper", "pastel")
    ('medal', 'sheet')
    """
    return sort if kind in CALLED_BY_SORT and sort else KINDS[kind].noun


KINDS: dict[str, Kind] = {
    "stretched canvas": _kind("canvas", "canvas on its bars", "cloth", ("screws from behind",), "may_be_pierced"),
    "loose canvas": _kind("painted area", "canvas off its bars", "cloth", ("stitching",), "may_be_pierced"),
    "panel": _kind("panel", "canvas board or panel", "cloth", ("sink", "top tape"), "may_be_glued"),
    "paper": _kind("sheet", "paper, print or poster", "paper", ("linen hinges", "corners")),
    "puzzle": _kind(
        "puzzle", "jigsaw puzzle", "puzzle", ("tape across the back", "sink"), "may_touch_glazing", "may_be_glued"
    ),
    "needlework": _kind(
        "design", "needlework or quilt", "textile", ("stitching", "lacing"), "may_be_pierced", "may_be_steamed"
    ),
    "pressed plant": _kind(
        "pressing", "pressed plant", "paper", ("linen hinges", "corners"), "may_touch_glazing", "may_be_glued"
    ),
    "garment": _kind(
        "garment", "shirt or jacket", "textile", ("stainless pins", "stitching"), "may_be_pierced", "may_be_steamed"
    ),
    "flag": _kind("flag", "flag, banner or quilt", "textile", ("wrapped on a core",)),
    "badge": _kind("badge", "badge, medal or patch", "metal", ("clasp through the board", "sink", "top tape")),
    "keepsake": _kind("object", "tool, figure or model", "stretcher", ("ties", "padded brackets")),
    "plate": _kind(
        "plate", "photograph or nameplate", "paper", ("corners", "top tape", "linen hinges"), "may_be_glued"
    ),
}
