"""The mounts there are, how each is done, and what it does to a piece: common practice, no source."""

from dataclasses import dataclass
from typing import Literal

from shadbo.core.shop.boards import TapeKind

Drying = Literal["", "paste_h", "puzzle_glue_h", "spray_h", "tape_alone_h"]
FactorKind = Literal["hardware_factor", "tape_factor", "hinge_factor", "pin_factor", "magnet_factor"]


@dataclass(frozen=True, slots=True)
class Mount:
    """A way of holding a piece. Places in braces are lengths of the shop's practice.

    ``fixes``: it keeps the piece from coming forwards by itself. ``dries``: nothing more is done to it so long.
    """

    id: str
    name: str
    steps: tuple[str, ...]
    reversible: bool = True
    glues: bool = False
    wets: bool = False
    pierces: bool = False
    fixes: bool = True
    most_kg: float = 1000.0
    tape: TapeKind | None = None
    factor: FactorKind = "hardware_factor"
    care: str = ""
    dries: Drying = ""


def _all(*mounts: Mount) -> dict[str, Mount]:
    return {m.id: m for m in mounts}


MOUNTS = _all(
    Mount(
        "offset clips",
        "offset clips",
        ("lay the canvas in, even all round", "screw the clips into the frame only, never into the canvas"),
    ),
    Mount(
        "plates and screws",
        "plates, screwed to frame and bar",
        ("pilot every hole", "screw no longer than the wood less {screw_short_mm}, never through the face"),
        pierces=True,
    ),
    Mount(
        "points",
        "points against the back",
        ("stand the frame on its edge while driving", "points bear on the backing, never on the piece"),
    ),
    Mount(
        "screws from behind",
        "screws through the back board",
        ("drill and countersink the board", "screw no longer than bar less {screw_to_cloth_mm}"),
        pierces=True,
    ),
    Mount(
        "linen hinges",
        "pass-through linen hinges at the top",
        (
            "slit the mount board: two slits a hinge, as long as the tape and {slit_beyond_mm},"
            " {hinge_down_mm} below the top, from one template",
            "sand the linen thin; little paste, {paste_short_mm} short of the tab's edges",
            "barrier sheet; weight the middle first, smooth outwards; leave overnight",
            "at the top only: the sheet hangs free and can move",
        ),
        wets=True,
        tape="linen hinge",
        factor="hinge_factor",
        dries="paste_h",
    ),
    Mount(
        "corners",
        "corner pockets",
        ("four pockets, legs of {corner_leg_mm}, stuck to the board and never to the sheet",),
        most_kg=0.25,
        tape="corner",
        factor="tape_factor",
    ),
    Mount(
        "tape all round",
        "tape on all four edges",
        ("only where the sheet may be lost: it buckles when the air grows damp",),
        reversible=False,
        glues=True,
        tape="double-sided",
        factor="tape_factor",
    ),
    Mount(
        "barbs",
        "fine plastic barbs through the cloth's edge",
        (
            "start at a corner, along the straightest edge of the design",
            "measure the border every {border_every_mm}: it may change by {border_change_mm}, no more",
        ),
        pierces=True,
        tape="barb",
        factor="pin_factor",
    ),
    Mount(
        "stitching",
        "stitched to the board",
        ("one stitch every {stitches_apart_mm}, through cloth and board, knotted behind",),
        pierces=True,
        tape="thread",
        factor="pin_factor",
    ),
    Mount(
        "lacing",
        "laced across the back",
        ("lace side to side, then top to bottom, evenly tight", "check the design's edge after every fifth stitch"),
        pierces=True,
        tape="thread",
        factor="pin_factor",
    ),
    Mount(
        "tape across the back",
        "taped across the whole back",
        (
            "slide a board under, lay a second on top, turn the sandwich over",
            "bands of tape across the back, each over the one before",
            "a strip of double-sided tape along the top edge holds it to the board",
        ),
        tape="double-sided",
        factor="tape_factor",
    ),
    Mount(
        "spray adhesive",
        "sprayed onto its board",
        (
            "spray the puzzle only, never the board: the margin stays clean",
            "place within a minute or two; 24 h before fitting",
            "cut the board afterwards, parallel to the puzzle at one distance on all four sides",
        ),
        reversible=False,
        glues=True,
        tape="spray",
        factor="tape_factor",
        care="Spray adhesive: open the doors, no flame, mask.",
        dries="spray_h",
    ),
    Mount(
        "glue on the face",
        "glue on the face, then backed",
        ("spread thin from the middle, wipe what is over", "2 to 4 h under weights, corners too"),
        reversible=False,
        glues=True,
        wets=True,
        tape="spray",
        factor="tape_factor",
        dries="puzzle_glue_h",
    ),
    Mount(
        "glue to the backing",
        "stiff backing glued on",
        (
            "glue the back, lay the backing on, {backing_inset_mm} in from every edge",
            "2 to 4 h under weights, corners too",
        ),
        reversible=False,
        glues=True,
        tape="spray",
        factor="tape_factor",
        dries="puzzle_glue_h",
    ),
    Mount(
        "top tape",
        "double-sided tape along the top edge",
        ("top edge only: the rest hangs free, so it cannot buckle",),
        glues=False,
        most_kg=2.0,
        tape="double-sided",
        factor="tape_factor",
    ),
    Mount(
        "friction",
        "held between the panes",
        ("clean and dry all four faces; lay the piece by the corner marks; close without shifting it",),
        fixes=False,
        most_kg=0.15,
    ),
    Mount(
        "sink",
        "in a sink cut to its outline",
        ("cut the sink {sink_beyond_mm} larger than the outline, as deep as the piece",),
        fixes=False,
    ),
    Mount(
        "clamping rail",
        "clamped in rails",
        ("line the sheet up with both ends of the rail before it shuts",),
        factor="magnet_factor",
    ),
    Mount(
        "stainless pins",
        "stainless pins into foam board",
        (
            "an inner form {form_inside_mm} inside the outline gives it body",
            "shoulders and neck first, every {pins_carry_mm}: they carry; elsewhere every {pins_else_mm}",
            "through the seams, slanted, never through print, ink or an autograph",
        ),
        pierces=True,
        tape="pin",
        factor="pin_factor",
        care="No steam within {steam_clear_mm} of ink or of a sticker.",
    ),
    Mount(
        "clasp through the board",
        "its own clasp, through a hole in the board",
        (
            "mark the board's centre by its diagonals",
            "the hole goes where the visible badge is centred: its pin's offset is counted in",
            "packers keep the clasp clear of the backing",
        ),
    ),
    Mount(
        "ties",
        "wire or thread ties through the board",
        (
            "two ties below the centre of gravity, one above; sleeve the wire where it bears",
            "twist or knot behind the board, the ends bent flat and taped over",
            "tilt the board before closing: nothing may move",
        ),
        tape="tie",
        factor="hardware_factor",
    ),
    Mount(
        "padded brackets",
        "padded brackets, screwed through the board",
        (
            "bend each to the object, line it with felt, paint it like the board",
            "two below the centre of gravity, one above; screws from behind",
            "tilt the board before closing: nothing may move",
        ),
        tape="bracket",
        factor="hardware_factor",
    ),
    Mount(
        "wrapped on a core",
        "wrapped round a card core, closed with removable fabric tape",
        (
            "test the tape on the hem",
            "fold to layers of one width; the core {core_play_mm} clear of what it must go into",
            "straighten the front, then tape behind; nothing pierces it",
        ),
        tape="textile tape",
        factor="tape_factor",
    ),
    Mount(
        "pegs",
        "on dowels from the rails",
        ("mark by laying the object on the seated dowels", "rails go on over the dowels: mind the order"),
        reversible=False,
        pierces=True,
    ),
)
