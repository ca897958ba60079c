"""The piece: what is to be shown, what the tape read, and what must not happen to it."""

from typing import Annotated, Any, Literal

from pydantic import Field, model_validator

from shadbo.core.pieces.facts import Facts, Told, tell
from shadbo.core.pieces.kinds import ClothSort, PaperSort, noun_of
from shadbo.core.pieces.objects import Badge, Flag, Garment, Keepsake, Picture, Plate, Zone
from shadbo.core.shop.values import Id, Length, Line, Note, Reading, Value, within

ValueClass = Literal["everyday", "dear", "irreplaceable"]
EdgeName = Literal["top", "right", "bottom", "left"]
Size = Annotated[Reading, within(2, 12_000)]
Diagonal = Annotated[Reading, within(2, 17_000)]
Free = Annotated[Reading, within(0.1, 5000)]
Thickness = Annotated[Reading, within(0.01, 300)]


class Brace(Value):
    """A bar across the stretcher. ``at`` is its centre, from the left edge or the top edge, from the front."""

    id: Id
    runs: Literal["down", "across"] = "down"
    at: Annotated[Length, within(1, 12_000)]
    width: Annotated[Length, within(5, 500)] = Length(mm=40)


class EdgeMark(Value):
    """A signature, label or image near an edge: how far in from that edge it begins."""

    id: Id
    side: EdgeName = "bottom"
    inside: Annotated[Length, within(0, 5000)]
    what: Line = "signature"


class Sided(Value):
    """Three widths, three heights, both diagonals and the thickness; seen from the front, top edge up."""

    width_top: Size | None = None
    width_middle: Size | None = None
    width_bottom: Size | None = None
    height_left: Size | None = None
    height_middle: Size | None = None
    height_right: Size | None = None
    diagonal_down: Diagonal | None = None
    diagonal_up: Diagonal | None = None


class StretchedCanvas(Sided):
    """A canvas on its bars. Ends are read over cloth and folds; middles beside the folds; seen from the front."""

    kind: Literal["stretched canvas"] = "stretched canvas"
    depth: Annotated[Reading, within(1, 300)] | None = None
    bar_face: Annotated[Reading, within(2, 500)] | None = None
    keyed: bool = True
    braces: tuple[Brace, ...] = ()
    edges: Literal["plain", "painted", "signed"] = "plain"


class Margined(Sided):
    """A flat piece with free margins round the image, and the strips that are to be trimmed away."""

    margin_top: Free | None = None
    margin_right: Free | None = None
    margin_bottom: Free | None = None
    margin_left: Free | None = None
    trim_top: Annotated[Length, within(0, 5000)] | None = None
    trim_right: Annotated[Length, within(0, 5000)] | None = None
    trim_bottom: Annotated[Length, within(0, 5000)] | None = None
    trim_left: Annotated[Length, within(0, 5000)] | None = None
    keep: Annotated[Length, within(0, 1000)] | None = None


class LooseCanvas(Sided):
    """Painted cloth off its bars: the painted area, the free cloth round it, and the bars it is to go on."""

    kind: Literal["loose canvas"] = "loose canvas"
    margin_top: Free | None = None
    margin_right: Free | None = None
    margin_bottom: Free | None = None
    margin_left: Free | None = None
    printed: bool = False
    face_width: Annotated[Length, within(10, 12_000)] | None = None
    face_height: Annotated[Length, within(10, 12_000)] | None = None
    bar_depth: Annotated[Length, within(5, 300)] | None = None
    bar_width: Annotated[Length, within(8, 500)] | None = None
    edge: Literal["mirrored", "continued", "colour", "white"] | None = None
    back_return: Annotated[Length, within(0, 1000)] | None = None
    pull: Annotated[Length, within(0, 1000)] | None = None
    corner_trim: Annotated[Length, within(0, 3000)] | None = None
    staples: Literal["back", "side"] = "back"
    keyed: bool = True
    braces: tuple[Brace, ...] = ()


class Panel(Sided):
    """A canvas board or painted panel."""

    kind: Literal["panel"] = "panel"
    thickness: Thickness | None = None
    material: Literal["canvas board", "hardboard", "mdf", "plywood"] = "canvas board"


class Paper(Margined):
    """A flat sheet, by its sort."""

    kind: Literal["paper"] = "paper"
    sort: PaperSort = "print"
    thickness: Thickness | None = None


class Puzzle(Sided):
    """A jigsaw puzzle, laid out."""

    kind: Literal["puzzle"] = "puzzle"
    thickness: Thickness | None = None
    state: Literal["loose", "taped", "glued"] = "loose"


class Needlework(Margined):
    """Needlework, quilted, woven or beaded textile, by its sort: the design's size, and the free cloth round it."""

    kind: Literal["needlework"] = "needlework"
    sort: ClothSort = "needlework"
    thickness: Thickness | None = None
    straightest: EdgeName = "bottom"


PRESS_DAYS = (14, 30)
"""Least and usual most under flat weight: common practice, no source."""


class PressedPlant(Sided):
    """A plant pressed flat between acid-free sheets."""

    kind: Literal["pressed plant"] = "pressed plant"
    thickness: Thickness | None = None
    days_pressed: Annotated[int, Field(ge=0, le=3650)] | None = None


Detail = Annotated[
    StretchedCanvas
    | LooseCanvas
    | Panel
    | Paper
    | Puzzle
    | Needlework
    | PressedPlant
    | Garment
    | Flag
    | Badge
    | Keepsake
    | Plate,
    Field(discriminator="kind"),
]


class Piece(Value):
    """One thing to be shown, with its facts and its measures.

    ``condition`` is that on arrival, ``leaves`` that at hand-over;
    ``no_go``: no steam, pin or adhesive there; ``lead_days``: working days until it comes, while it is on order.
    """

    id: Id
    name: Line = ""
    maker: Line = ""
    worth: ValueClass = "dear"
    condition: Note = ""
    leaves: Note = ""
    never: Note = ""
    no_go: Line = ""
    zones: Annotated[tuple[Zone, ...], Field(max_length=20)] = ()
    weight_kg: Annotated[float, Field(gt=0, le=500)] | None = None
    lead_days: Annotated[int, Field(ge=0, le=365)] | None = None
    facts: Facts = Facts()
    edge_marks: tuple[EdgeMark, ...] = ()
    picture: Picture | None = None
    detail: Detail = StretchedCanvas()

    @property
    def noun(self) -> str:
        """What it is called where it has no name."""
        return noun_of(self.detail.kind, self.sort)

    @property
    def sort(self) -> str:
        """Which of its kind it is; empty where the kind has none."""
        return str(vars(self.detail).get("sort", ""))  # a field that is not there costs an exception

    @property
    def comes_in_days(self) -> int | None:
        """Working days until it is here; None for what is here."""
        own = self.detail.lead_days if isinstance(self.detail, Plate) else None
        return self.lead_days or own or None

    @property
    def told(self) -> Told:
        """The facts that count: decided, or usual for its kind and worth."""
        return tell(self.facts, self.detail.kind, self.worth, self.sort)

    @model_validator(mode="before")
    @classmethod
    def _canvas_unless_told(cls, data: Any) -> Any:  # noqa: ANN401
        """A piece without a kind is a canvas on its bars, as in the first job files."""
        if isinstance(data, dict) and isinstance(data.get("detail"), dict) and "kind" not in data["detail"]:
            return {**data, "detail": {"kind": "stretched canvas", **data["detail"]}}
        return data
