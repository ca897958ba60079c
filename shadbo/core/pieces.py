"""The piece: what is to be shown, what the tape read, and what must not happen to it."""

from typing import Annotated, Literal

from pydantic import Field

from shadbo.core.values import Id, Length, Line, Note, Reading, Value

ValueClass = Literal["everyday", "dear", "irreplaceable"]


class Brace(Value):
    """A bar across the stretcher. ``at`` is its centre, from the left edge or the top edge, from the front."""

    id: Id
    runs: Literal["down", "across"] = "down"
    at: Length
    width: Length = Length(mm=40)


class StretchedCanvas(Value):
    """A canvas on its bars. Ends are read over cloth and folds; middles beside the folds; seen from the front."""

    kind: Literal["stretched canvas"] = "stretched canvas"
    width_top: Reading | None = None
    width_middle: Reading | None = None
    width_bottom: Reading | None = None
    height_left: Reading | None = None
    height_middle: Reading | None = None
    height_right: Reading | None = None
    diagonal_down: Reading | None = None
    diagonal_up: Reading | None = None
    depth: Reading | None = None
    bar_face: Reading | None = None
    keyed: bool = True
    braces: tuple[Brace, ...] = ()
    edges: Literal["plain", "painted", "signed"] = "plain"


class Piece(Value):
    """One thing to be shown, with its facts and its measures."""

    id: Id
    name: Line = ""
    maker: Line = ""
    worth: ValueClass = "dear"
    condition: Note = ""
    never: Note = ""
    weight_kg: Annotated[float, Field(gt=0, le=500)] | None = None
    detail: StretchedCanvas = StretchedCanvas()
