"""Windows of a mat over paper, and their dimensions."""

from shadbo.core.build.assembly import Dimension
from shadbo.core.build.marked import Window
from shadbo.core.displays.rabbeted.frame import Frame
from shadbo.core.shapes.rings import centred
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sheet.units import MM


def openings(
    window: tuple[Quantity, Quantity], outer: tuple[Quantity, Quantity], shift: float, double: bool
) -> tuple[Window, ...]:
    """The window of each mat, innermost edge; none where the overlap leaves none."""
    if window[0].value <= 0 or window[1].value <= 0:
        return ()
    ring = centred(window[0].value, window[1].value, shift)
    if not double:
        return (Window("window", "window", ring, "mat", key="window.width"),)
    wide = centred(outer[0].value, outer[1].value, shift)
    return (
        Window("window", "window", wide, "mat", key="window.outer_width"),
        Window("window-inner", "window, inner", ring, "mat_inner", key="window.width"),
    )


def window_dims(
    frame: Frame, window: tuple[Quantity, Quantity], outer: tuple[Quantity, Quantity], shift: float
) -> list[Dimension]:
    """Window and borders as they are cut, from the front; the borders are those of the outer mat."""
    s = frame.desk.sheet
    half, up = (s["package.height"] - outer[1]) / 2, s.number(shift, MM)
    border = s.let("mat.top_cut", "border of the mat at the top, as cut", half - up)
    below = s.let("mat.bottom_cut", "border of the mat at the bottom, as cut", half + up)
    edge, high = outer[0].value / 2, outer[1].value / 2
    w, h = window[0].value / 2, window[1].value / 2
    top, bottom = shift + h, shift - h
    mat_half = s["package.height"].value / 2
    return [
        Dimension("front", (-w, top), (w, top), window[0], "across", 1, "high", "window"),
        Dimension("front", (-w, bottom), (-w, top), window[1], "upright", 1, "low", "window"),
        Dimension("front", (edge, mat_half), (edge, shift + high), border, "upright", 0, "low", "border", "tape"),
        Dimension("front", (edge, shift - high), (edge, -mat_half), below, "upright", 0, "low", "bottom", "tape"),
    ]
