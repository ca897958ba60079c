"""Photographs: checked, turned upright, freed of what the camera wrote into them, and made small."""

import io
from collections.abc import Sequence
from dataclasses import dataclass
from math import dist

from PIL import Image, ImageFile, ImageOps

from shadbo.core.shapes.perspective import perspective
from shadbo.core.shapes.plane import Dot

MOST_BYTES = 20_000_000
MOST_PIXELS = 60_000_000
LONG_SIDE = 2400
SMALL_SIDE = 360
KINDS = ("JPEG", "PNG", "WEBP")


class BadPhoto(ValueError):
    """The file is no photograph that can be kept; the message says what would be."""


@dataclass(frozen=True, slots=True)
class Photo:
    """A photograph as it is kept: JPEG without any of the camera's notes, position included, and a small one."""

    width: int
    height: int
    full: bytes
    small: bytes


def take_in(data: bytes) -> Photo:
    """Check and rewrite a photograph. Raises BadPhoto."""
    if len(data) > MOST_BYTES:
        raise BadPhoto(f"the file has {len(data) / 1e6:.0f} MB; at most {MOST_BYTES // 1_000_000} MB are kept")
    # A library that makes pages lets cut-off pictures through, for all of the program, when it is loaded.
    ImageFile.LOAD_TRUNCATED_IMAGES = False
    try:
        with Image.open(io.BytesIO(data), formats=KINDS) as opened:
            if opened.width * opened.height > MOST_PIXELS:
                raise BadPhoto(f"{opened.width} × {opened.height} pixels are too many")
            upright = ImageOps.exif_transpose(opened)
            image = _on_white(upright)
    except BadPhoto:
        raise
    except Exception as bad:  # whatever a damaged file or its camera's notes make the decoder stumble over
        raise BadPhoto("this is no photograph: JPEG, PNG or WebP are taken") from bad
    image.thumbnail((LONG_SIDE, LONG_SIDE))
    small = image.copy()
    small.thumbnail((SMALL_SIDE, SMALL_SIDE))
    return Photo(image.width, image.height, _jpeg(image), _jpeg(small))


SQUARED_SIDE = 900


def squared(jpeg: bytes, corners: Sequence[Dot], ratio: float) -> bytes:
    """What lies between four corners (shares of the sides), seen square on: a JPEG of that width : height.

    No larger than the part was photographed, and 900 px at most.
    """
    with Image.open(io.BytesIO(jpeg), formats=("JPEG",)) as image:
        there = [(x * image.width, y * image.height) for x, y in corners]
        across = max(dist(there[0], there[1]), dist(there[3], there[2]))
        down = max(dist(there[0], there[3]), dist(there[1], there[2]))
        width = min(max(across, down * ratio), SQUARED_SIDE, SQUARED_SIDE * ratio)
        size = max(round(width), 1), max(round(width / ratio), 1)
        w, h = size
        turn = perspective(((0, 0), (w, 0), (w, h), (0, h)), there)
        return _jpeg(image.transform(size, Image.Transform.PERSPECTIVE, turn, Image.Resampling.BICUBIC))


def _on_white(image: Image.Image) -> Image.Image:
    """Without transparency, since JPEG has none."""
    if image.mode in ("RGBA", "LA", "P"):
        rgba = image.convert("RGBA")
        ground = Image.new("RGB", rgba.size, "white")
        ground.paste(rgba, mask=rgba.getchannel("A"))
        return ground
    return image.convert("RGB")


def _jpeg(image: Image.Image) -> bytes:
    out = io.BytesIO()
    clean = Image.new("RGB", image.size)
    clean.paste(image)
    clean.save(out, "JPEG", quality=88, optimize=True)
    return out.getvalue()
