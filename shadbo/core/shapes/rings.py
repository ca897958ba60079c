"""Outlines that several drawings need: a rectangle, one about the middle, a mitred frame."""

from shadbo.core.shapes.plane import Dot, Ring


def rect(x0: float, y0: float, x1: float, y1: float) -> Ring:
    """A rectangle by two corners."""
    return ((x0, y0), (x1, y0), (x1, y1), (x0, y1))


def centred(width_mm: float, height_mm: float, up_mm: float = 0.0) -> Ring:
    """A rectangle about the frame's middle, in the front plane."""
    w, h = width_mm / 2, height_mm / 2
    return rect(-w, up_mm - h, w, up_mm + h)


def around(width_mm: float, height_mm: float, off_mm: Dot) -> Ring:
    """A rectangle about a point of the front plane."""
    (x, y), w, h = off_mm, width_mm / 2, height_mm / 2
    return rect(x - w, y - h, x + w, y + h)


def mitred(w: float, h: float, face: float) -> tuple[Ring, Ring, Ring, Ring]:
    """Top, bottom, left and right of a frame by half its width and height, in the front plane."""
    return (
        ((-w, h), (w, h), (w - face, h - face), (-w + face, h - face)),
        ((-w, -h), (w, -h), (w - face, -h + face), (-w + face, -h + face)),
        ((-w, -h), (-w + face, -h + face), (-w + face, h - face), (-w, h)),
        ((w, -h), (w, h), (w - face, h - face), (w - face, -h + face)),
    )
