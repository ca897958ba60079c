"""How things are drawn when they are cut through or seen: by what they are made of."""

from typing import Literal

Hatch = Literal[
    "wood",
    "stretcher",
    "pad",
    "cloth",
    "metal",
    "air",
    "none",
    "glass",
    "mat",
    "inner-mat",
    "board",
    "backing",
    "paper",
    "textile",
    "puzzle",
    "spacer",
    "lit",
]
