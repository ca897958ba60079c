"""What the demo's pieces look like: harbour pictures, painted by rule with a fixed seed."""

import math
import random
from collections.abc import Callable, Sequence

from PIL import Image, ImageDraw, ImageFilter

from shadbo.core.shapes.perspective import perspective

Draw = ImageDraw.ImageDraw
Scene = Callable[[Draw, random.Random, int, int], None]


def _mix(a: str, b: str, share: float) -> tuple[int, int, int]:
    one, two = (tuple(int(c[i : i + 2], 16) for i in (1, 3, 5)) for c in (a, b))
    r, g, bl = (round(x + (y - x) * share) for x, y in zip(one, two, strict=True))
    return r, g, bl


def _wash(draw: Draw, dice: random.Random, box: Sequence[float], top: str, low: str) -> None:
    """Brush strokes across a box, from one colour to another downwards."""
    x0, y0, x1, y1 = box
    for _ in range(int((x1 - x0) * (y1 - y0) / 150)):
        x, y = dice.uniform(x0, x1), dice.uniform(y0, y1)
        share = min(max((y - y0) / (y1 - y0) + dice.uniform(-0.09, 0.09), 0), 1)
        long = dice.uniform(14, 60)
        draw.line((x - long, y + dice.uniform(-3, 3), x + long, y), fill=_mix(top, low, share), width=7)


def _hull(draw: Draw, x: float, y: float, long: float, colour: str, sail: str = "") -> None:
    low = y + long / 7
    draw.polygon([(x - long / 2, y), (x + long / 2, y), (x + long * 0.38, low), (x - long * 0.36, low)], fill=colour)
    if sail:
        draw.line((x, y, x, y - long * 0.95), fill="#3a3228", width=4)
        draw.polygon([(x + 6, y - 8), (x + 6, y - long * 0.9), (x + long * 0.42, y - 8)], fill=sail)
        draw.polygon([(x - 6, y - 8), (x - 6, y - long * 0.74), (x - long * 0.3, y - 8)], fill=sail)


def sheds(draw: Draw, dice: random.Random, w: int, h: int) -> None:
    """Allotment sheds in August."""
    _wash(draw, dice, (0, 0, w, h * 0.45), "#8fb8d0", "#e9e0bd")
    _wash(draw, dice, (0, h * 0.42, w, h), "#93a55a", "#4d6a35")
    for n, colour in enumerate(("#7b5138", "#456a70", "#a8733f", "#5d5a4c")):
        x, y, s = w * (0.1 + 0.23 * n), h * (0.5 + 0.05 * (n % 2)), w * 0.15
        draw.rectangle((x, y - s * 0.7, x + s, y + s * 0.3), fill=colour)
        draw.polygon([(x - 12, y - s * 0.7), (x + s / 2, y - s * 1.1), (x + s + 12, y - s * 0.7)], fill="#3d3a37")
        draw.rectangle((x + s * 0.36, y - s * 0.3, x + s * 0.64, y + s * 0.3), fill="#2b2a26")
    for _ in range(420):
        x, y = dice.uniform(0, w), dice.uniform(h * 0.66, h)
        draw.ellipse((x, y, x + 9, y + 7), fill=dice.choice(("#c9a227", "#b6422f", "#6f8d3c", "#d9d2b0")))


def slipway(draw: Draw, dice: random.Random, w: int, h: int) -> None:
    """The slip at low water."""
    _wash(draw, dice, (0, 0, w, h * 0.38), "#b9c6cc", "#e6ddca")
    _wash(draw, dice, (0, h * 0.36, w, h * 0.58), "#6f8c93", "#93a6a4")
    _wash(draw, dice, (0, h * 0.56, w, h), "#8a7a63", "#5e5344")
    draw.polygon([(w * 0.32, h), (w * 0.62, h), (w * 0.55, h * 0.5), (w * 0.47, h * 0.5)], fill="#a89f90")
    for n in range(9):
        y = h * (0.54 + 0.05 * n)
        draw.line((w * (0.46 - 0.015 * n), y, w * (0.56 + 0.008 * n), y), fill="#6d665b", width=4)
    _hull(draw, w * 0.74, h * 0.66, w * 0.3, "#2f4a5e")
    _hull(draw, w * 0.2, h * 0.6, w * 0.22, "#9c3a33")


def night(draw: Draw, dice: random.Random, w: int, h: int) -> None:
    """A lifeboat launched at night."""
    _wash(draw, dice, (0, 0, w, h * 0.55), "#0e1a2b", "#24384c")
    _wash(draw, dice, (0, h * 0.52, w, h), "#1d3144", "#0b141f")
    draw.polygon([(w * 0.55, h * 0.56), (w * 0.98, h * 0.2), (w, h * 0.32)], fill="#d8cf9a")
    _hull(draw, w * 0.46, h * 0.58, w * 0.34, "#d36a2c")
    draw.rectangle((w * 0.4, h * 0.47, w * 0.52, h * 0.58), fill="#e7e2d2")
    for _ in range(160):
        x, y = dice.uniform(0, w), dice.uniform(h * 0.6, h)
        draw.line((x, y, x + dice.uniform(10, 46), y - 2), fill="#8fa3b0", width=2)


def regatta(draw: Draw, dice: random.Random, w: int, h: int) -> None:
    """Boats in a squall."""
    _wash(draw, dice, (0, 0, w, h * 0.55), "#5f6f78", "#c2c5bb")
    _wash(draw, dice, (0, h * 0.5, w, h), "#4d7076", "#20404a")
    for x, y, long, sail in (
        (0.2, 0.58, 0.16, "#e9e2cf"),
        (0.48, 0.66, 0.24, "#cfd8d6"),
        (0.8, 0.6, 0.18, "#b8533f"),
    ):
        _hull(draw, w * x, h * y, w * long, "#2c2b2f", sail)
    for _ in range(240):
        x, y = dice.uniform(0, w), dice.uniform(h * 0.6, h)
        draw.line((x, y, x + dice.uniform(8, 30), y - dice.uniform(0, 6)), fill="#dfe6e2", width=3)


def oysters(draw: Draw, dice: random.Random, w: int, h: int) -> None:
    """Oyster beds in pastel."""
    _wash(draw, dice, (0, 0, w, h * 0.4), "#d9c9b5", "#e8ddce")
    _wash(draw, dice, (0, h * 0.36, w, h), "#a9b9b2", "#75857c")
    for n in range(7):
        y = h * (0.44 + 0.012 * n * n)
        for m in range(12):
            x = w * (0.04 + 0.08 * m) + n * 9
            draw.line((x, y, x + 18 + 4 * n, y + 3), fill="#4f5a55", width=3 + n)


def crane(draw: Draw, dice: random.Random, w: int, h: int) -> None:
    """A dock crane, cut into a thousand pieces."""
    _wash(draw, dice, (0, 0, w, h * 0.7), "#89a9bd", "#e2d2b4")
    _wash(draw, dice, (0, h * 0.68, w, h), "#5c6d70", "#3b474c")
    draw.line((w * 0.5, h * 0.9, w * 0.56, h * 0.3), fill="#b6892f", width=26)
    draw.line((w * 0.56, h * 0.32, w * 0.94, h * 0.1), fill="#b6892f", width=16)
    draw.line((w * 0.92, h * 0.12, w * 0.92, h * 0.52), fill="#2d2a26", width=3)
    draw.rectangle((w * 0.86, h * 0.52, w * 0.98, h * 0.62), fill="#8a3f34")
    _hull(draw, w * 0.24, h * 0.72, w * 0.4, "#394b57")
    cells = 22
    for i in range(1, cells):
        for x0, y0, x1, y1 in ((w * i / cells, 0, w * i / cells, h), (0, h * i / cells, w, h * i / cells)):
            draw.line((x0, y0, x1, y1), fill="#6d675b", width=1)


def crew(draw: Draw, dice: random.Random, w: int, h: int) -> None:
    """Eight and a cox on the steps."""
    _wash(draw, dice, (0, 0, w, h * 0.5), "#c9d3d2", "#d9d2bf")
    _wash(draw, dice, (0, h * 0.48, w, h), "#8d8877", "#6b6656")
    for n in range(9):
        x, y, r = w * (0.1 + 0.1 * n), h * (0.44 + 0.09 * (n % 2)), h * 0.055
        draw.rectangle((x - r * 1.2, y + r, x + r * 1.2, y + r * 5), fill="#22304f")
        draw.ellipse((x - r, y - r, x + r, y + r), fill="#c99f7c")


def finish(draw: Draw, dice: random.Random, w: int, h: int) -> None:
    """The eight over the line."""
    _wash(draw, dice, (0, 0, w, h * 0.4), "#b7c8cf", "#d6d8cc")
    _wash(draw, dice, (0, h * 0.36, w, h), "#5f8088", "#3a5a63")
    draw.line((w * 0.08, h * 0.62, w * 0.92, h * 0.62), fill="#d8cfb4", width=10)
    for n in range(8):
        x = w * (0.16 + 0.09 * n)
        draw.ellipse((x - 12, h * 0.5, x + 12, h * 0.59), fill="#22304f")
        draw.line((x, h * 0.6, x + 40, h * 0.8), fill="#e3dcc6", width=3)


def painted(scene: Scene, width_mm: float, height_mm: float, seed: int) -> Image.Image:
    """A scene of those proportions, 1200 px on its longer side."""
    scale = 1200 / max(width_mm, height_mm)
    w, h = round(width_mm * scale), round(height_mm * scale)
    image = Image.new("RGB", (w, h), "#cfc8b6")
    scene(ImageDraw.Draw(image), random.Random(seed), w, h)
    return image.filter(ImageFilter.GaussianBlur(1.6))


def on_bench(image: Image.Image) -> tuple[Image.Image, tuple[tuple[float, float], ...]]:
    """The picture as it lies on the bench, a little aslant, and where its corners are, as shares."""
    w, h = image.size
    long = math.hypot(w, h)
    wide, high = round(w + long * 0.12), round(h + long * 0.12)
    seen = [
        ((wide - w) / 2 + dx * w, (high - h) / 2 + dy * h)
        for dx, dy in ((0.02, 0.01), (0.985, 0.0), (1.0, 0.99), (0.0, 0.985))
    ]
    corners = tuple((round(x / wide, 4), round(y / high, 4)) for x, y in seen)
    return laid_on_bench(image, (wide, high), seen), corners


def laid_on_bench(image: Image.Image, size: tuple[int, int], seen: Sequence[tuple[float, float]]) -> Image.Image:
    """The picture with its corners at those places, in px, on a wooden bench of that size."""
    w, h = image.size
    bench = Image.new("RGB", size, "#a98a5e")
    draw = ImageDraw.Draw(bench)
    for y in range(0, size[1], 130):
        draw.line((0, y, size[0], y + 8), fill="#8f7249", width=4)
    turn = perspective(seen, [(0, 0), (w, 0), (w, h), (0, h)])
    warped = image.transform(size, Image.Transform.PERSPECTIVE, turn, Image.Resampling.BICUBIC)
    mask = Image.new("L", size, 0)
    ImageDraw.Draw(mask).polygon(list(seen), fill=255)
    bench.paste(warped, mask=mask)
    return bench
