"""Lines of a package in its rabbet: fit, depth, air, boards, mats, joints."""

from shadbo.core.build.facets.facet import Axes, Facet, keyed
from shadbo.core.dataclass import dataclass
from shadbo.core.sheet.quantity import Quantity


@dataclass(frozen=True, slots=True)
class Border(Facet):
    """The border round a piece in its opening."""

    least: Quantity = keyed("border.least")
    most: Quantity = keyed("border.most")
    sides: Quantity = keyed("border.sides")
    ends: Quantity = keyed("border.ends")
    differ: Quantity = keyed("border.differ")


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
    top: Quantity | None = keyed("mat.top_cut")
    right: Quantity | None = keyed("mat.right_cut")
    bottom: Quantity | None = keyed("mat.bottom_cut")
    left: Quantity | None = keyed("mat.left_cut")

    @property
    def sides_and_ends(self) -> tuple[Quantity, Quantity] | None:
        """Borders that look alike where they are: at the sides, and above; below too where it is no heavier."""
        if self.top is None or self.right is None or self.bottom is None or self.left is None:
            return None
        ends = self.top if self.bottom.value > self.top.value + 1 else (self.top + self.bottom) / 2
        return (self.left + self.right) / 2, ends

    @property
    def narrowest(self) -> tuple[str, Quantity]:
        """The side with the narrowest border as it is cut, and that border; all alike is the border wanted."""
        cut = {"top": self.top, "right": self.right, "bottom": self.bottom, "left": self.left}
        there = [(side, q) for side, q in cut.items() if q is not None]
        return min(there, key=lambda x: round(x[1].value, 6), default=("", self.border))


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
class Inside(Facet):
    """The inside of a frame: as what goes in asks for, and as it is."""

    wanted: Axes = keyed("inside.{axis}")
    made: Axes = keyed("frame.inside_{axis}.middle")


@dataclass(frozen=True, slots=True)
class MadeFrame(Facet):
    """A frame as it came out: its inside at ends and middle, its outside, how deep it is inside."""

    middle: Axes = keyed("frame.inside_{axis}.middle")
    top: Quantity | None = keyed("frame.inside_width.top")
    bottom: Quantity | None = keyed("frame.inside_width.bottom")
    left: Quantity | None = keyed("frame.inside_height.left")
    right: Quantity | None = keyed("frame.inside_height.right")
    outside: Axes | None = keyed("frame.outside_{axis}")
    rabbet: Quantity | None = keyed("frame.rabbet_depth")
    depth: Quantity | None = keyed("frame.inside_depth")

    @property
    def read(self) -> tuple[Quantity, ...]:
        """What is read of it, in the tape's order."""
        inside = (self.top, self.middle.width, self.bottom, self.left, self.middle.height, self.right)
        return tuple(q for q in (*inside, self.rabbet, self.depth) if q is not None)

    def by_its_rails(self, q: Quantity) -> Quantity:
        """What a reading of the inside should come to by the rails, whatever was read beside it."""
        for middle, ends in (
            (self.middle.width, (self.top, self.bottom)),
            (self.middle.height, (self.left, self.right)),
        ):
            if q is not middle and q not in ends:
                continue
            planned = [x.planned if x.planned is not None else x for x in (*ends, middle) if x is not None]
            return next((p for p in planned if all(arg.kind != "made" for arg in p.args)), planned[-1])
        return q.planned if q.planned is not None else q


@dataclass(frozen=True, slots=True)
class TakingUp(Facet):
    """Lines that the inside of a frame is made up with, as they were wanted; of each build those that it has."""

    gap: Quantity | None = keyed("gap.wanted")
    allowance: Quantity | None = keyed("fit.allowance")
    border: Quantity | None = keyed("border.wanted")
    opening_width: Quantity | None = keyed("opening.width")
    opening_height: Quantity | None = keyed("opening.height")
    mat_border: Quantity | None = keyed("mat.border")
    top: Quantity | None = keyed("mat.top")
    right: Quantity | None = keyed("mat.right")
    bottom: Quantity | None = keyed("mat.bottom_wanted")
    left: Quantity | None = keyed("mat.left")
    margin: Quantity | None = keyed("layout.margin")
    field: Axes | None = keyed("field.{axis}")


@dataclass(frozen=True, slots=True)
class Rails(Facet):
    """Rails as they are cut, and the inside that they were cut for."""

    outside: Axes = keyed("rail.{axis}")
    inside: Axes = keyed("inside.{axis}")
