"""Before it is mounted: what may be done to each piece, and how it is made ready; by its facts and its kind."""

from collections.abc import Iterator

from shadbo.core.asking.questions import Question
from shadbo.core.asking.rows import care, told
from shadbo.core.desk import Desk
from shadbo.core.pieces.facts import Told
from shadbo.core.pieces.flags import law_of
from shadbo.core.pieces.kinds import FactName
from shadbo.core.pieces.objects import Badge, Flag, Garment, Keepsake, Plate
from shadbo.core.pieces.pieces import (
    LooseCanvas,
    Needlework,
    Panel,
    Paper,
    Piece,
    PressedPlant,
    Puzzle,
    StretchedCanvas,
)
from shadbo.core.words.lengths import Both
from shadbo.core.words.words import Mm, both, say

MAY: dict[FactName, tuple[str, str]] = {
    "may_touch_glazing": ("touch the glazing", "nothing on its face"),
    "may_be_glued": ("glue", "no adhesive"),
    "may_be_pierced": ("pin or stitch at its edge", "no pin, no staple"),
    "may_be_steamed": ("steam", "no steam"),
    "may_be_wetted": ("mist", "no water"),
}
MUST: dict[FactName, str] = {
    "loose_surface": "its surface is loose: nothing brushes it",
    "must_be_reversible": "every mount comes off without a trace",
    "removable_later": "the owner takes it out again: screws or lifting tape at the back",
}
WORTH = {
    "dear": "dear to its owner: no trial on the piece itself",
    "irreplaceable": "it cannot be replaced: a second pair of eyes at every step",
}
EDGES = {
    "painted": "the picture goes round: photograph its sides before anything covers them",
    "signed": "signed on the edge: photograph the signature before anything covers it",
}


Ready = tuple[str, Both | str, Both | str]
"""Label, what, how."""


def prepare_rows(desk: Desk) -> list[Question]:
    """The first rows of the mount's station; among several pieces those that are handled alike are named together."""
    alike: dict[Ready, list[str]] = {}
    for piece in desk.pieces:
        for row in (handling(piece), *made_ready(desk, piece)):
            alike.setdefault(row, []).append(piece.name or piece.noun)
    several = len(desk.pieces) > 1
    rows = [
        told(f"{', '.join(dict.fromkeys(names))}: {label}" if several else label, value, "", note)
        for (label, value, note), names in alike.items()
    ]
    kept = dict.fromkeys(p.no_go for p in desk.pieces if p.no_go)
    rows += [care(f"No steam, pin or adhesive where its {what} is.") for what in kept]
    if any(isinstance(p.detail, Paper) and p.told["loose_surface"] for p in desk.pieces):
        rows.append(care("Never lay a loose surface face down, and keep acrylic and its static away from it."))
    elif any(isinstance(p.detail, StretchedCanvas | LooseCanvas | Panel | Paper | Puzzle) for p in desk.pieces):
        rows.append(care("Laid face down: on clean tissue over a flat, soft board, nothing hard under it."))
    return rows


def handling(piece: Piece) -> Ready:
    """One line for all facts: what may be done, what must not, what it asks."""
    facts = piece.told
    may = [yes for name, (yes, _) in MAY.items() if facts[name]]
    never = [no for name, (_, no) in MAY.items() if not facts[name]]
    must = [words for name, words in MUST.items() if facts[name]]
    worth = [WORTH[piece.worth]] if piece.worth in WORTH else []
    value = f"may: {', '.join(may)}" if may else "by its edges"
    return "Handle it", value, "; ".join((*never, *must, *worth))


def made_ready(desk: Desk, piece: Piece) -> Iterator[Ready]:
    """What is done to it first: label, what, how."""
    detail, facts = piece.detail, piece.told
    if isinstance(detail, Garment | Flag | Needlework):
        yield _flattened(desk, piece, facts)
    if isinstance(detail, Needlework) and detail.sort in CLOTHS:
        yield f"The {detail.sort}", CLOTHS[detail.sort], ""
    if isinstance(detail, Garment):
        sleeves = {
            "none": "none",
            "spread": "spread: inner forms in both, pinned at the seams",
            "folded": "folded back behind the body, tissue in the folds",
        }
        yield "Sleeves", sleeves[detail.sleeves], ""
    elif isinstance(detail, Flag):
        law = law_of(detail.country) if detail.sort == "flag" else None
        if law is not None:
            yield "Which way up", law.way, law.source
        else:
            yield "Which way up", f"as the {detail.sort} is read; ask the owner", ""
    elif isinstance(detail, Puzzle):
        state = {
            "loose": ("turn it between two boards", "press it flat, all pieces home, before it is held"),
            "taped": ("look at its tape", "press down what lifts; a second layer only where it has failed"),
            "glued": ("glued already: it never comes apart again", "flatten it under weights if it has cupped"),
        }
        yield "The puzzle", *state[detail.state]
    elif isinstance(detail, PressedPlant) and detail.days_pressed is not None:
        yield "From the press", f"{detail.days_pressed} days", "dry and stiff before it is mounted"
    elif isinstance(detail, StretchedCanvas):
        keys = ("keyed", "two keys a corner, fixed so that none falls between bar and cloth")
        yield "Its corners", *(keys if detail.keyed else ("fixed", "no keys: a slack cloth is stretched anew"))
        if detail.edges in EDGES:
            yield "Its edges", EDGES[detail.edges], ""
    elif isinstance(detail, Paper | Plate):
        yield f"The {detail.sort}", PAPERS[detail.sort], ""
    elif isinstance(detail, Badge):
        pierced = detail.sort != "patch" or facts["may_be_pierced"]
        yield (
            f"The {detail.sort}",
            BADGES[detail.sort] if pierced else "held from behind, nothing goes through it",
            "",
        )
    elif isinstance(detail, Keepsake) and detail.touch:
        yield "Touch it", f"at {detail.touch}", "nowhere else: padded supports bear there"


CLOTHS = {
    "quilted cloth": "let it lie a day; its layers shift under pins that are drawn tight",
    "woven cloth": "hold the selvedges straight before the ends",
    "beaded canvas": "no iron, no mist: tie off loose beads first, and carry it flat on a board",
}
PAPERS = {
    "print": "clean hands, by its margins",
    "poster": "unroll it a day under weight before it is measured again",
    "linen-backed poster": "look where the linen lifts; it is measured over the linen",
    "drawing": "brush nothing: pencil and charcoal smear",
    "watercolour": "no water near it; test nothing on it",
    "pastel": "flat and face up at every step; carry it on its board",
    "photograph": "gloves; its face sticks to glazing that touches it",
    "certificate": "keep seal and signatures clear of hinge and overlap",
    "document": "copy it first; only what lifts off dry touches it",
    "nameplate": "hold it by its edges; the screws or tape come last",
    "letter": "open it flat under weight, never press a fold with heat",
}
BADGES = {
    "badge": "test its clasp; polish nothing",
    "pin": "blunt the point or sleeve it behind the board",
    "medal": "gloves: skin salts mark metal",
    "patch": "stitch or pin it through its border only",
}


def _flattened(desk: Desk, piece: Piece, facts: Told) -> Ready:
    test = f"first a dye test on a hidden thread, {desk.practice.dye_test_min:g} min"
    if facts["may_be_steamed"]:
        how = f"{test}; keep {{}} off anything printed, signed or stuck on"
        return "Flatten it", "steam from behind", say(desk.mark, how, Mm(desk.practice.steam_clear_mm))
    if facts["may_be_wetted"]:
        return (
            "Flatten it",
            f"alcohol mist, {desk.practice.mist_min:g} min, again if need be",
            f"{test}; ventilate, no flame",
        )
    return "Flatten it", "dry, under flat weight", both("or leave its creases: they are part of its history")
