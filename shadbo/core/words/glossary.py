"""The trade's words and what they mean, for whoever meets them where they stand."""

import re
from collections.abc import Iterable

from shadbo.core.dataclass import dataclass


@dataclass(frozen=True, slots=True)
class Meaning:
    """One word and what it means."""

    word: str
    means: str


MEANINGS: dict[str, str] = {
    "rabbet": "the step behind a moulding's lip, where the package sits; its size is the opening behind the lip",
    "lip": "what of the moulding covers the package's edge in front",
    "sight": "the opening that is seen inside the lip",
    "outside": "the frame's outer edge; mitred rails are cut to it, long point to long point",
    "package": "all that lies in the rabbet, front to back: glazing, mats or spacers, the mounted piece, boards",
    "allowance": "rabbet size less package size, both sides together: the play that lets it in and lets it move",
    "hold": "how far the lip, or a clip, covers what it keeps in",
    "gap": "air between a floated piece and its frame, on each side",
    "ledge": "the flat floor of a floater's profile, which the canvas is screwed to",
    "pad": "strips between ledge and canvas that set how far the face stands back",
    "stretcher": "bars that carry a canvas, with corners that keys can spread",
    "strainer": "bars with fixed corners; also a stiff frame behind a weak one",
    "reveal": "what is seen of an inner mat beside the outer one",
    "sink": "a recess cut from board that holds a thick piece",
    "hinge": "a tab of paper or linen that hangs a sheet from its mount at the top",
    "offset clip": "a metal step that holds a canvas which does not end level with the frame's back",
    "points": "small metal tabs driven into the rabbet's wall behind the package",
    "dust paper": "paper stuck over the frame's back to keep dust out",
    "cleat": "two bevelled strips that hook into one another, one on the frame, one on the wall",
    "floater": "a frame in which a canvas stands free, with air round it and nothing over its face",
    "mitre": "the slanted cut of a rail's end, so that two meet in a corner",
    "spacer": "a strip under the lip that keeps the glazing off the piece",
    "mat": "a sheet of board with a window, between glazing and piece",
    "overlap": "how far a mat covers the edge of the sheet behind it",
    "filler": "board that takes up the depth that is left over",
    "bumper": "a soft foot at a lower corner of the back, so that air passes behind and the wall is spared",
}
_WORD = re.compile(r"\w+")
_ONE = {word.rstrip("s") + end: word for word in MEANINGS if " " not in word for end in ("", "s", "es")}
"""One and several of each single word; a text's words are looked up in it, which is far quicker than to search."""
_SEVERAL = {word: re.compile(rf"\b{word.rstrip('s')}(?:s|es)?\b") for word in MEANINGS if " " in word}


def meanings_in(texts: Iterable[str]) -> tuple[Meaning, ...]:
    """The words of the trade that stand in these texts, in the order of the list.

    >>> [m.word for m in meanings_in(["Gap, each side", "Rabbets, wanted"])]
    ['rabbet', 'gap']
    """
    whole = "\n".join(texts).lower()
    met = {_ONE[said] for said in _ONE.keys() & set(_WORD.findall(whole))}
    met |= {word for word, finds in _SEVERAL.items() if word.split()[0] in whole and finds.search(whole)}
    return tuple(Meaning(word, means) for word, means in MEANINGS.items() if word in met)
