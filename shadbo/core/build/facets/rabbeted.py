"""Lines of a package in its rabbet: fit, depth, air, boards, mats, joints."""

from dataclasses import dataclass

from shadbo.core.build.facets.facet import Axes, Facet, keyed
from shadbo.core.sheet.quantity import Quantity


@dataclass(frozen=True, slots=True)
class Border(Facet):
    """The border round a piece in its opening."""

    least: Quantity = keyed("border.least")
    most: Quantity = keyed("border.most")


@dataclass(frozen=True, slots=True)
class BorderWanted(Facet):
    """The border that was asked for."""

    wanted: Quantity = keyed("border.wanted")


@dataclass(frozen=True, slots=True)
class Fit(Facet):
    """The package in its rabbet: allowance, hold, what the lip hides, bow."""

    worst_hold: Quantity = keyed("fit.worst_hold")
    allowance: Axes = keyed("fit.allowance_{axis}")
    hidden: Axes = keyed("fit.hidden_{axis}")
    bow: Axes = keyed("fit.bow_{axis}")
    growth: Axes | None = keyed("season.growth_{axis}")
    lip: Quantity = keyed("profile.lip")


@dataclass(frozen=True, slots=True)
class Sag(Facet):
    """The bottom rail under its package."""

    least: Quantity = keyed("rail.sag_least")
    most: Quantity = keyed("rail.sag")
    load: Quantity = keyed("package.load")


@dataclass(frozen=True, slots=True)
class Strainer(Facet):
    """A strainer back: its bars, and the screws that hold it in the rails."""

    bar: Quantity = keyed("strainer.bar")
    screw: Quantity = keyed("strainer.screw")
    screw_least: Quantity = keyed("strainer.screw_least")
    screw_most: Quantity = keyed("strainer.screw_most")


@dataclass(frozen=True, slots=True)
class Depth(Facet):
    """The layers against the depth there is: ``rabbet`` as listed, ``box`` to the tabs or behind the glass."""

    left: Quantity = keyed("depth.left")
    package: Quantity = keyed("depth.package")
    rabbet: Quantity | None = keyed("profile.rabbet")
    box: Quantity | None = keyed("box.depth")
    box_glass: Quantity | None = keyed("box.glass")
    glass_packer: Quantity | None = keyed("stack.glass_packer")


@dataclass(frozen=True, slots=True)
class BackingStrip(Facet):
    """What a second sheet must give where one is too small for a backing."""

    strip: Quantity = keyed("backing.strip")


@dataclass(frozen=True, slots=True)
class Clips(Facet):
    """Offset clips over the step from canvas to frame."""

    step: Quantity = keyed("clip.step")
    offset: Quantity = keyed("clip.offset")
    off: Quantity = keyed("clip.off")


@dataclass(frozen=True, slots=True)
class Air(Facet):
    """Air between glazing and piece."""

    needed: Quantity = keyed("air.needed")
    made: Quantity | None = keyed("air.made")
    left: Quantity | None = keyed("air.left")
    sag: Quantity | None = keyed("air.sag")


@dataclass(frozen=True, slots=True)
class Spacers(Facet):
    """Spacers under the lip: the width of a strip, and of those of another height on top of it."""

    thick: Quantity = keyed("spacer.thick")
    second: Quantity | None = keyed("spacer_2.thick")


@dataclass(frozen=True, slots=True)
class Boards(Facet):
    """The boards and the glazing as they are cut."""

    package: Axes = keyed("package.{axis}")


@dataclass(frozen=True, slots=True)
class Mat(Facet):
    """A mat's border, and how it meets the sheet under it."""

    border: Quantity = keyed("mat.border")
    overlap: Quantity | None = keyed("mat.overlap")
    margin: Quantity | None = keyed("mat.margin")
    reveal: Quantity | None = keyed("mat.reveal")


@dataclass(frozen=True, slots=True)
class WindowSize(Facet):
    """The window of a mat over paper, and the sheet behind it."""

    size: Axes = keyed("window.{axis}")
    sheet: Axes = keyed("piece.{axis}")
    border: Quantity = keyed("mat.border")


@dataclass(frozen=True, slots=True)
class Joints(Facet):
    """The corner joint."""

    mitre: Quantity = keyed("joint.mitre")
    room: Quantity | None = keyed("joint.room")
    plate: Quantity | None = keyed("joint.plate")
    screw: Quantity | None = keyed("joint.screw")


@dataclass(frozen=True, slots=True)
class Cloth(Facet):
    """Cloth drawn over a board."""

    turn: Quantity = keyed("cloth.turn")
    spare: Axes = keyed("cloth.spare_{axis}")
    border: Quantity = keyed("border.wanted")


@dataclass(frozen=True, slots=True)
class Rails(Facet):
    """Rails as they are cut, and the inside that they were cut for."""

    outside: Axes = keyed("rail.{axis}")
    inside: Axes = keyed("inside.{axis}")
