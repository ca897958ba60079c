"""Parts that a canvas off its bars needs before it can be framed: bars, braces, cloth."""

from shadbo.core.build.assembly import Part, Ring
from shadbo.core.desk import Desk
from shadbo.core.pieces.pieces import LooseCanvas


def stretching_parts(desk: Desk) -> list[Part]:
    """Bars in pairs, mitred, each at its long-point length; braces; nothing for a canvas on its bars."""
    detail, s = desk.piece.detail, desk.sheet
    if not isinstance(detail, LooseCanvas):
        return []
    out = []
    for axis, sides in (("width", "top and bottom"), ("height", "left and right")):
        out.append(
            Part(
                f"stretch-{axis}",
                "bar",
                f"stretcher bar, {sides}",
                "stretcher",
                2,
                s[f"stretch.bar_{axis}"],
                s["stretch.bar_face"],
                s["stretch.bar_depth"],
                mitred=True,
                key=f"stretch.bar_{axis}",
                to_cut=True,
                unpriced=True,
            )
        )
    return out


def braces(faces: tuple[Ring, ...]) -> list[Part]:
    """Braces between the bars, one a face; nothing where there are none."""
    if not faces:
        return []
    return [
        Part(
            "brace",
            "brace",
            "brace",
            "stretcher",
            len(faces),
            face=faces,
            seen_from=("back",),
            key="canvas.mass",
            unpriced=True,
        )
    ]
