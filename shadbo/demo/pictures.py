"""A photograph for the demo, drawn: the winning eight's shirt on a bench, seen a little aslant."""

import io

from PIL import Image, ImageDraw, ImageFilter

from shadbo.core.pieces.outlines import garment_lines
from shadbo.core.pieces.zones import perspective

SHIRT = (640.0, 700.0, 500.0)
CORNERS = ((0.09, 0.08), (0.90, 0.06), (0.94, 0.95), (0.06, 0.93))
"""Where the corners of the shirt's box lie on the picture: top left, top right, bottom right, bottom left."""


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
    out = Image.new("RGB", (1200, 1300), "#a98a5e")
    target = [(x * 1200, y * 1300) for x, y in CORNERS]
    source = [(0, 0), (1280, 0), (1280, 1400), (0, 1400)]
    turn = perspective(target, source)
    warped = flat.transform(out.size, Image.Transform.PERSPECTIVE, turn, Image.Resampling.BICUBIC)
    mask = Image.new("L", out.size, 0)
    ImageDraw.Draw(mask).polygon(target, fill=255)
    out.paste(warped, mask=mask)
    kept = io.BytesIO()
    out.filter(ImageFilter.GaussianBlur(0.8)).save(kept, "JPEG", quality=88)
    return kept.getvalue()
