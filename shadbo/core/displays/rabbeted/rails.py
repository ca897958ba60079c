"""Rails of a rabbeted frame: mitred pairs, and strips that extend a rabbet."""

from collections.abc import Sequence

from shadbo.core.build.assembly import Part
from shadbo.core.displays.rabbeted.frame import Frame
from shadbo.core.sheet.units import MM
from shadbo.core.solids.body import Body
from shadbo.core.sums.weight import of_bodies


def rail_parts(frame: Frame, bodies: Sequence[Body]) -> list[Part]:
    """Two pairs of mitred rails, and the extension strips where there are any."""
    s, desk = frame.desk.sheet, frame.desk
    wood = of_bodies(s, frame.profile.species, bodies)
    mass = s.let("frame.mass", "frame, estimated", wood, "volume of its rails")
    parts, exists = [], desk.own_frame is not None
    for axis, sides in (("width", ("top", "bottom")), ("height", ("left", "right"))):
        parts.append(
            Part(
                f"rail-{axis}",
                "rail",
                f"rail, {' and '.join(sides)}: {frame.profile.name}",
                "wood",
                2,
                s[f"frame.outside_{axis}" if exists else f"rail.{axis}"],
                frame.face,
                frame.depth,
                mitred=True,
                mass=mass if axis == "width" else None,
                seen_from=("front", "back"),
                key=f"frame.outside_{axis}" if exists else f"rail.{axis}",
                tone=frame.profile.colour or "",
                to_cut=not exists,
                fetched="joined already" if exists else "",
                note="" if exists else "long point to long point, mitres leaning opposite ways",
            )
        )
    if frame.extension is not None:
        for axis in ("width", "height"):
            short = 2 * (frame.face - frame.lip) if axis == "height" else s.number(0, MM)
            length = s.cut(
                f"extension.{axis}",
                f"rabbet extension, {axis}",
                s[f"frame.outside_{axis}"] - short,
                "nearest",
                desk.practice.cut_tolerance_mm,
            )
            parts.append(
                Part(
                    f"extension-{axis}",
                    "strip",
                    "rabbet extension",
                    "stretcher",
                    2,
                    length,
                    s["rail.extension_width"]
                    if "rail.extension_width" in s
                    else s.let("rail.extension_width", "rabbet extension, width", frame.face - frame.lip),
                    frame.extension,
                    key="frame.extension",
                    to_cut=True,
                )
            )
    return parts
