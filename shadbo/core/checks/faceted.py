"""The facets of a plan that checks ask for: each there or not, read from the sheet once."""

from dataclasses import field
from typing import Generic, TypeVar, cast

from shadbo.core.build import facets
from shadbo.core.build.mounts import MountPlan
from shadbo.core.dataclass import dataclass
from shadbo.core.desk import Desk
from shadbo.core.pieces.pieces import Piece

F = TypeVar("F", bound=facets.Facet)


class _One(Generic[F]):
    """One facet of a sheet, by its class: None where the plan has it not. It is looked for once, and then kept."""

    def __init__(self, kind: type[F]) -> None:
        self.kind = kind

    def __set_name__(self, _: type, name: str) -> None:
        self.name = name

    def __get__(self, faceted: "Faceted", _: object = None) -> F | None:
        found = faceted.__dict__[self.name] = self.kind.of(faceted.desk.sheet)
        return found


@dataclass(frozen=True, kw_only=True)
class Faceted:
    """A sheet seen by its facets."""

    desk: Desk
    _known: dict[object, facets.Facet | None] = field(default_factory=dict, repr=False)

    gaps = _One(facets.Gaps)
    face = _One(facets.Face)
    ledge = _One(facets.Ledge)
    screws = _One(facets.Screws)
    border = _One(facets.Border)
    border_wanted = _One(facets.BorderWanted)
    fit = _One(facets.Fit)
    sag = _One(facets.Sag)
    depth = _One(facets.Depth)
    backing_strip = _One(facets.BackingStrip)
    clips = _One(facets.Clips)
    air = _One(facets.Air)
    spacers = _One(facets.Spacers)
    boards = _One(facets.Boards)
    mat = _One(facets.Mat)
    window = _One(facets.WindowSize)
    stepped = _One(facets.Stepped)
    field = _One(facets.Field)
    pegs = _One(facets.Pegs)
    card = _One(facets.Card)
    wrapped = _One(facets.Wrapped)
    strainer = _One(facets.Strainer)
    letters = _One(facets.Letters)
    artwork = _One(facets.ArtworkLines)
    lamps = _One(facets.Lamps)
    steps = _One(facets.Steps)
    joints = _One(facets.Joints)
    made_frame = _One(facets.MadeFrame)
    stretching = _One(facets.Stretching)
    bracing = _One(facets.Bracing)
    cloth = _One(facets.Cloth)
    rails = _One(facets.Rails)
    inside = _One(facets.Inside)
    wire_room = _One(facets.WireRoom)

    def _facet(self, kind: type[F], **names: str) -> F | None:
        known = (kind, *names.values())
        if known not in self._known:
            self._known[known] = kind.of(self.desk.sheet, **names)
        return cast("F | None", self._known[known])

    def sides(self, piece: Piece) -> facets.Sides | None:
        """The readings round a piece."""
        return self._facet(facets.Sides, start=self.desk.prefix(piece))

    @property
    def taking_up(self) -> facets.TakingUp:
        """What the inside of the frame is made up with."""
        return facets.TakingUp.of(self.desk.sheet) or facets.TakingUp(*[None] * len(facets.TakingUp.keys()))

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
