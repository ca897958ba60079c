"""The facets of a plan that checks ask for: each there or not, read from the sheet once."""

from dataclasses import dataclass, field
from typing import TypeVar, cast

from shadbo.core.build import facets
from shadbo.core.build.mounts import MountPlan
from shadbo.core.desk import Desk
from shadbo.core.pieces.pieces import Piece

F = TypeVar("F", bound=facets.Facet)


@dataclass(frozen=True, slots=True, kw_only=True)
class Faceted:
    """A sheet seen by its facets."""

    desk: Desk
    _known: dict[tuple[object, ...], facets.Facet | None] = field(default_factory=dict, repr=False)

    def _facet(self, kind: type[F], **names: str) -> F | None:
        known = (kind, *names.values())
        if known not in self._known:
            self._known[known] = kind.of(self.desk.sheet, **names)
        return cast("F | None", self._known[known])

    @property
    def gaps(self) -> facets.Gaps | None:
        """The gap round a floated canvas."""
        return self._facet(facets.Gaps)

    @property
    def face(self) -> facets.Face | None:
        """Where the face of a floated canvas sits; a floater has pads, one from plain stock has strips."""
        return self._facet(facets.Face)

    @property
    def ledge(self) -> facets.Ledge | None:
        """The ledge that a floated canvas is screwed to."""
        return self._facet(facets.Ledge)

    @property
    def screws(self) -> facets.Screws | None:
        """Screws through the ledge into the bar."""
        return self._facet(facets.Screws)

    @property
    def border(self) -> facets.Border | None:
        """The border round a piece in its opening."""
        return self._facet(facets.Border)

    @property
    def border_wanted(self) -> facets.BorderWanted | None:
        """The border that was asked for."""
        return self._facet(facets.BorderWanted)

    @property
    def fit(self) -> facets.Fit | None:
        """The package in its rabbet: allowance, hold, what the lip hides, bow."""
        return self._facet(facets.Fit)

    @property
    def sag(self) -> facets.Sag | None:
        """The bottom rail under its package."""
        return self._facet(facets.Sag)

    @property
    def depth(self) -> facets.Depth | None:
        """The layers against the depth that there is."""
        return self._facet(facets.Depth)

    @property
    def backing_strip(self) -> facets.BackingStrip | None:
        """What a second sheet must give where one is too small for a backing."""
        return self._facet(facets.BackingStrip)

    @property
    def clips(self) -> facets.Clips | None:
        """Offset clips over the step from canvas to frame."""
        return self._facet(facets.Clips)

    @property
    def air(self) -> facets.Air | None:
        """Air between glazing and piece."""
        return self._facet(facets.Air)

    @property
    def spacers(self) -> facets.Spacers | None:
        """Spacers under the lip."""
        return self._facet(facets.Spacers)

    @property
    def boards(self) -> facets.Boards | None:
        """The boards and the glazing as they are cut."""
        return self._facet(facets.Boards)

    @property
    def mat(self) -> facets.Mat | None:
        """A mat's border, and how it meets the sheet under it."""
        return self._facet(facets.Mat)

    @property
    def window(self) -> facets.WindowSize | None:
        """The window of a mat over paper, and the sheet behind it."""
        return self._facet(facets.WindowSize)

    @property
    def stepped(self) -> facets.Stepped | None:
        """The stepped opening of a jersey box."""
        return self._facet(facets.Stepped)

    @property
    def field(self) -> facets.Field | None:
        """The field that several pieces stand in."""
        return self._facet(facets.Field)

    @property
    def pegs(self) -> facets.Pegs | None:
        """Dowels between an object and its rails."""
        return self._facet(facets.Pegs)

    @property
    def card(self) -> facets.Card | None:
        """The rear card of a sash and its screws."""
        return self._facet(facets.Card)

    @property
    def letters(self) -> facets.Letters | None:
        """Cut-out lettering."""
        return self._facet(facets.Letters)

    @property
    def artwork(self) -> facets.ArtworkLines | None:
        """Cut-out artwork."""
        return self._facet(facets.ArtworkLines)

    @property
    def lamps(self) -> facets.Lamps | None:
        """Lamps, the void that mixes their light, their supply."""
        return self._facet(facets.Lamps)

    @property
    def steps(self) -> facets.Steps | None:
        """The steps of a light box's rails."""
        return self._facet(facets.Steps)

    @property
    def joints(self) -> facets.Joints | None:
        """The corner joint."""
        return self._facet(facets.Joints)

    @property
    def stretching(self) -> facets.Stretching | None:
        """A canvas to be stretched."""
        return self._facet(facets.Stretching)

    @property
    def bracing(self) -> facets.Bracing | None:
        """Bars under the pull of the cloth."""
        return self._facet(facets.Bracing)

    @property
    def cloth(self) -> facets.Cloth | None:
        """Cloth drawn over a board."""
        return self._facet(facets.Cloth)

    @property
    def rails(self) -> facets.Rails | None:
        """Rails as they are cut, and the inside that they were cut for."""
        return self._facet(facets.Rails)

    @property
    def wire_room(self) -> facets.WireRoom | None:
        """How high a wire may rise."""
        return self._facet(facets.WireRoom)

    def sides(self, piece: Piece) -> facets.Sides | None:
        """The readings round a piece."""
        return self._facet(facets.Sides, start=self.desk.prefix(piece))

    def trim(self, side: str) -> facets.Trim | None:
        """What is trimmed off one side of the main piece."""
        return self._facet(facets.Trim, side=side)

    def load(self, plan: MountPlan) -> facets.Load | None:
        """What a fixing of a mount carries."""
        return self._facet(facets.Load, mount=plan.key)

    def count(self, plan: MountPlan) -> facets.MountCount | None:
        """How many fixings a mount has."""
        return self._facet(facets.MountCount, mount=plan.key)

    def pins(self, id_: str) -> facets.Pins | None:
        """Pins of one garment."""
        return self._facet(facets.Pins, id=id_)

    def tilt(self, id_: str) -> facets.Tilt | None:
        """How far one figure can be tilted."""
        return self._facet(facets.Tilt, id=id_)
