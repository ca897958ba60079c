"""Colours of a photograph and the mats nearest to them, by CIE DE2000 through a colour library."""

import io
from collections.abc import Sequence
from dataclasses import dataclass

from PIL import Image

from shadbo.core.shop.boards import SheetStock

AROUND = 0.02
"""Half-width of the square that a sampled colour is averaged over, as a share of the picture's shorter side."""

RIM = 0.18
"""What is left out of a photograph all round when its main colours are sought: there lies the bench."""


@dataclass(frozen=True, slots=True)
class Nearest:
    """A mat of the stock, and how far its colour is: under 1 no eye tells them apart."""

    id: str
    name: str
    colour: str
    difference: float


def difference(one: str, other: str) -> float:
    """CIE DE2000 of two colours in any notation that the library reads, e.g. ``#22304f`` or ``lab(50 2 -3)``."""
    from coloraide import Color  # here, so that a server is up sooner

    return float(Color(one).delta_e(other, method="2000"))


def nearest(colour: str, mats: Sequence[SheetStock], most: int = 5) -> list[Nearest]:
    """Mats of the stock whose colour is known, the nearest first; one line a colour and name."""
    out = [Nearest(m.id, m.name, m.colour, round(difference(colour, m.colour), 2)) for m in mats if m.colour]
    return sorted(out, key=lambda n: (n.difference, n.name))[:most]


def _open(pixels: bytes) -> Image.Image:
    return Image.open(io.BytesIO(pixels)).convert("RGB")


def sample(pixels: bytes, x: float, y: float) -> str:
    """The colour at a place of a photograph, x and y as shares from its top left, averaged over a small square."""
    picture = _open(pixels)
    r = max(1, round(min(picture.size) * AROUND))
    cx, cy = x * (picture.width - 1), y * (picture.height - 1)
    box = (
        max(int(cx - r), 0),
        max(int(cy - r), 0),
        min(int(cx + r) + 1, picture.width),
        min(int(cy + r) + 1, picture.height),
    )
    return _hex(picture.crop(box).resize((1, 1), Image.Resampling.BOX).getpixel((0, 0)))


def main_colours(pixels: bytes, count: int = 2) -> list[str]:
    """The main colours of a photograph's middle, the dominant first: median cut to eight, the most frequent kept.

    Two that no one would tell apart (DE2000 under 12) count as one.
    """
    picture = _open(pixels)
    w, h = picture.size
    picture = picture.crop((int(w * RIM), int(h * RIM), max(int(w * (1 - RIM)), 1), max(int(h * (1 - RIM)), 1)))
    picture.thumbnail((160, 160))
    cut = picture.quantize(8, Image.Quantize.MEDIANCUT)
    palette = cut.getpalette() or []
    found = sorted(cut.getcolors() or [], reverse=True)
    out: list[str] = []
    for _, i in found:
        at = int(i) * 3 if isinstance(i, int) else 0
        colour = _hex(tuple(palette[at : at + 3]))
        if all(difference(colour, other) >= 12 for other in out):
            out.append(colour)
        if len(out) == count:
            break
    return out


def _hex(rgb: object) -> str:
    assert isinstance(rgb, tuple)
    return "#" + "".join(f"{int(c):02x}" for c in rgb[:3])
