"""Windows of a mat over paper, and their dimensions."""

from shadbo.core.build.assembly import Dimension
from shadbo.core.build.marked import Window
from shadbo.core.displays.rabbeted.frame import Frame
from shadbo.core.shapes.plane import Dot
from shadbo.core.shapes.rings import around
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sheet.units import MM


def openings(
    window: tuple[Quantity, Quantity], outer: tuple[Quantity, Quantity], off: Dot, double: bool
) -> tuple[Window, ...]:
    """The window of each mat, innermost edge; none where the overlap leaves none."""
    if window[0].value <= 0 or window[1].value <= 0:
        return ()
    ring = around(window[0].value, window[1].value, off)
    if not double:
        return (Window("window", "window", ring, "mat", key="window.width", sizes=window),)
    wide = around(outer[0].value, outer[1].value, off)
    return (
        Window("window", "window", wide, "mat", key="window.outer_width", sizes=outer),
        Window("window-inner", "window, inner", ring, "mat_inner", key="window.width", sizes=window),
    )


def window_dims(
    frame: Frame, window: tuple[Quantity, Quantity], outer: tuple[Quantity, Quantity], off: Dot
) -> list[Dimension]:
    """Window and borders as they are cut, from the front; the borders are those of the outer mat."""
    s = frame.desk.sheet
    (right, above), across = off, (s["package.width"] - outer[0]) / 2
    half, up, aside = (s["package.height"] - outer[1]) / 2, s.number(above, MM), s.number(right, MM)
    border = s.let("mat.top_cut", "border of the mat at the top, as cut", half - up)
    below = s.let("mat.bottom_cut", "border of the mat at the bottom, as cut", half + up)
    s.let("mat.left_cut", "border of the mat at the left, as cut", across + aside)
    beside = s.let("mat.right_cut", "border of the mat at the right, as cut", across - aside)
    edge, high = right + outer[0].value / 2, outer[1].value / 2
    w, h = window[0].value / 2, window[1].value / 2
    top, bottom = above + h, above - h
    mat_w, mat_h = s["package.width"].value / 2, s["package.height"].value / 2
    out = [
        Dimension("front", (right - w, top), (right + w, top), window[0], "across", 1, "high", "window"),
        Dimension("front", (right - w, bottom), (right - w, top), window[1], "upright", 1, "low", "window"),
        Dimension("front", (edge, mat_h), (edge, above + high), border, "upright", 0, "low", "border", "tape"),
        Dimension("front", (edge, above - high), (edge, -mat_h), below, "upright", 0, "low", "bottom", "tape"),
    ]
    if right:
        out.append(Dimension("front", (edge, above), (mat_w, above), beside, "across", 0, "low", "right", "tape"))
    return out
