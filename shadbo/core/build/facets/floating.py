"""Lines of a floated canvas: gap, face, ledge, screws, and of the canvas on its bars."""

from shadbo.core.build.facets.facet import Axes, Facet, keyed
from shadbo.core.dataclass import dataclass
from shadbo.core.sheet.quantity import Quantity


@dataclass(frozen=True, slots=True)
class Gaps(Facet):
    """The gap round a floated canvas."""

    wanted: Quantity = keyed("gap.wanted")
    least: Quantity = keyed("gap.least")
    most: Quantity = keyed("gap.most")
    spread: Quantity = keyed("gap.spread")


@dataclass(frozen=True, slots=True)
class Face(Facet):
    """Where the face of a floated canvas sits; a floater has pads, one from plain stock has strips."""

    made: Quantity = keyed("face.made")
    wanted: Quantity = keyed("face.wanted")
    pad_wanted: Quantity = keyed("pad.wanted")
    pad: Quantity | None = keyed("pad.made")
    strip_wanted: Quantity | None = keyed("strip.wanted")
    strip: Quantity | None = keyed("strip.height")
    inside_depth: Quantity = keyed("frame.inside_depth")
    canvas_depth: Quantity = keyed("canvas.depth")


@dataclass(frozen=True, slots=True)
class Ledge(Facet):
    """The ledge that a floated canvas is screwed to."""

    width: Quantity = keyed("profile.ledge")
    thick: Quantity | None = keyed("profile.ledge_thick")
    spare: Quantity = keyed("ledge.spare")


@dataclass(frozen=True, slots=True)
class Screws(Facet):
    """Screws through the ledge into the bar."""

    length: Quantity = keyed("screw.length")
    in_bar: Quantity = keyed("screw.in_bar")
    to_cloth: Quantity = keyed("screw.to_cloth")
    line: Quantity = keyed("screw.line")
    to_bar_edge: Quantity = keyed("screw.to_bar_edge")
    to_ledge_edge: Quantity = keyed("screw.to_ledge_edge")
    to_bar_inside: Quantity = keyed("screw.to_bar_inside")
    apart: Quantity = keyed("screw.apart")


@dataclass(frozen=True, slots=True)
class Stretching(Facet):
    """A canvas to be stretched."""

    pull: Quantity = keyed("stretch.pull")
    back_return: Quantity = keyed("stretch.return")
    bar_depth: Quantity = keyed("stretch.bar_depth")
    spare: Axes | None = keyed("stretch.spare_{axis}")
    beyond: Axes = keyed("stretch.beyond_{axis}")
    corner: Quantity = keyed("stretch.corner")
    corner_spare: Quantity | None = keyed("stretch.corner_spare")


@dataclass(frozen=True, slots=True)
class Bracing(Facet):
    """Bars under the pull of the cloth."""

    span: Axes = keyed("brace.span_{axis}")
    bow: Axes = keyed("brace.bow_{axis}")
    pull: Quantity = keyed("brace.pull")
    canvas: Axes = keyed("canvas.{axis}")
