"""Photographs for the demo: the pieces on the bench, seen a little aslant, and where their corners lie."""

import io
from dataclasses import dataclass

from PIL import Image, ImageDraw, ImageFilter

from shadbo.core.job.job import Job
from shadbo.core.pieces.objects import Picture
from shadbo.core.pieces.outlines import garment_lines
from shadbo.demo import paintings
from shadbo.demo.paintings import Scene, laid_on_bench, on_bench, painted

SHIRT = (640.0, 700.0, 500.0)
CORNERS = ((0.09, 0.08), (0.90, 0.06), (0.94, 0.95), (0.06, 0.93))
"""Where the corners of the shirt's box lie on the picture: top left, top right, bottom right, bottom left."""


@dataclass(frozen=True, slots=True)
class Taken:
    """A photograph of a piece as it came in."""

    piece: str
    name: str
    jpeg: bytes
    corners: tuple[tuple[float, float], ...]


SCENES: dict[str, tuple[tuple[str, str, Scene, float, float], ...]] = {
    "Allotment sheds, August": (("piece", "on the bench", paintings.sheds, 916, 610),),
    "Slipway at low water": (("piece", "on the bench", paintings.slipway, 412, 613),),
    "Lifeboat crew, night launch": (("piece", "on the bench", paintings.night, 760, 508),),
    "Regatta in a squall": (("piece", "on the bench", paintings.regatta, 703, 504),),
    "Oyster beds, pastel": (("piece", "on the bench", paintings.oysters, 420, 296),),
    "Dock crane, 1000 pieces": (("piece", "laid out", paintings.crane, 684, 484),),
    "Shirt of the winning eight": (
        ("photo", "crew photograph", paintings.crew, 180, 130),
        ("photo-2", "finish line", paintings.finish, 180, 130),
    ),
}
"""By the job's title: which piece, what the photograph is called, what it shows, width and height in mm."""


def photographed(job: Job) -> tuple[Job, list[Taken]]:
    """The job with its pieces' photographs shown in the drawing, numbered in the order in which they are taken in."""
    taken: list[Taken] = []
    if job.display == "jersey box":
        taken.append(Taken("piece", "the shirt on the bench", shirt_photo(), CORNERS))
    for n, (piece, name, scene, w, h) in enumerate(SCENES.get(job.title, ())):
        image, corners = on_bench(painted(scene, w, h, 7 + n))
        taken.append(Taken(piece, name, _jpeg(image), corners))
    shown = {t.piece: Picture(photo=n, corners=t.corners) for n, t in enumerate(taken, 1)}
    pieces = tuple(p.model_copy(update={"picture": shown.get(p.id)}) for p in job.pieces)
    return job.model_copy(update={"pieces": pieces}), taken


def _jpeg(image: Image.Image) -> bytes:
    kept = io.BytesIO()
    image.save(kept, "JPEG", quality=88)
    return kept.getvalue()


def shirt_photo() -> bytes:
    """A JPEG of 1200 × 1300 pixels: navy cloth with a red band, names in light ink under it, on a wooden bench."""
    flat = Image.new("RGB", (1280, 1400), "#a98a5e")
    draw = ImageDraw.Draw(flat)
    for y in range(0, 1400, 140):
        draw.line((0, y, 1280, y + 10), fill="#8f7249", width=4)
    w, h, body = SHIRT
    ring, _ = garment_lines(w, h, body, "spread")

    def px(x: float, y: float) -> tuple[float, float]:
        return (x + w / 2) * 2, (h / 2 - y) * 2

    draw.polygon([px(x, y) for x, y in ring], fill="#22304f", outline="#141d31")
    draw.polygon([px(*d) for d in ((-250, 60), (250, 60), (250, 110), (-250, 110))], fill="#9c3a33")
    for n in range(8):
        x, y = (-78 + 80 * (n % 2)), 12 - 20 * (n // 2)
        dots = [(x + 6 * i, y + (5 if (i * 7 + n * 3) % 4 < 2 else -4)) for i in range(12)]
        draw.line([px(*d) for d in dots], fill="#e8e2d0", width=4)
    seen = [(x * 1200, y * 1300) for x, y in CORNERS]
    return _jpeg(laid_on_bench(flat, (1200, 1300), seen).filter(ImageFilter.GaussianBlur(0.8)))
