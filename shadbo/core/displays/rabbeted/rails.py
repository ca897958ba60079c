"""Rails of a rabbeted frame: mitred pairs with section and faces, and strips that extend a rabbet."""

from collections.abc import Sequence

from shadbo.core.build.assembly import Part, Ring
from shadbo.core.displays.rabbeted.frame import Frame
from shadbo.core.shapes.rings import mitred, rect
from shadbo.core.sheet.units import MM
from shadbo.core.solids.body import Body
from shadbo.core.sums.weight import of_bodies


def rail_parts(frame: Frame, bodies: Sequence[Body]) -> list[Part]:
    """Two pairs of mitred rails with their section and faces, and the extension strips where there are any."""
    s, desk = frame.desk.sheet, frame.desk
    f, lip, front, deep = frame.face.value, frame.lip.value, frame.front.value, frame.profile.height_mm
    wall = f - lip
    inner: list[tuple[float, float]] = [(front, wall)]
    for at, thinner in frame.steps:
        inner += [(at, inner[-1][1]), (at, wall - thinner)]
    section: Ring = ((0, 0), (deep, 0), (deep, inner[-1][1]), *reversed(inner), (front, f), (0, f))
    wood = of_bodies(s, frame.profile.species, bodies)
    mass = s.let("frame.mass", "frame, estimated", wood, "volume of its rails")
    w, h = s["frame.outside_width"].value / 2, s["frame.outside_height"].value / 2
    faces = dict(zip(("top", "bottom", "left", "right"), mitred(w, h, f), strict=True))
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
                section=section if axis == "height" else (),
                face=tuple(faces[side] for side in sides),
                seen_from=("front", "back"),
                key=f"frame.outside_{axis}" if exists else f"rail.{axis}",
                tone=frame.profile.colour or "",
                to_cut=not exists,
                fetched="joined already" if exists else "",
                note="" if exists else "long point to long point, mitres leaning opposite ways",
            )
        )
    if frame.extension is not None:
        ring = rect(deep, 0, deep + frame.extension.value, f - lip)
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
                    section=ring if axis == "height" else (),
                    key="frame.extension",
                    to_cut=True,
                )
            )
    return parts
