"""The cutter's open protocol: a cutting job as JSON, lengths in mm, the board face down, origin at its lower left.

POST /cuts takes a job and answers 201 with its id, or 422 with every reason for refusing it. GET /cuts/{id} tells how
far it is. DELETE /cuts/{id} stops it. GET / says what the machine is and can take. A job with a key that the machine
knows is not cut again: the answer tells of the cut that it has.
"""

from typing import Annotated, Literal

from pydantic import BaseModel, ConfigDict, Field

Mm = Annotated[float, Field(ge=-10_000, le=10_000, allow_inf_nan=False)]
Point = tuple[Mm, Mm]
FORMAT = "shadbo-cut"


class Strict(BaseModel):
    """Unknown fields are refused."""

    model_config = ConfigDict(extra="forbid", allow_inf_nan=False)


class Board(Strict):
    """The board on the table."""

    width_mm: Annotated[float, Field(gt=0, le=10_000)]
    height_mm: Annotated[float, Field(gt=0, le=10_000)]
    thick_mm: Annotated[float, Field(gt=0, le=20)]
    name: Annotated[str, Field(max_length=200)] = ""


class Opening(Strict):
    """A closed outline; its last point joins its first. ``bevelled``: the blade leans by 45°."""

    id: Annotated[str, Field(min_length=1, max_length=60)]
    bevelled: bool = True
    points: Annotated[list[Point], Field(min_length=3, max_length=400)]


class CutJob(Strict):
    """One board and what is to be cut out of it. The same ``key`` sent again is the same cut, and is cut once."""

    format: Literal["shadbo-cut"] = "shadbo-cut"
    version: Literal[1] = 1
    key: Annotated[str, Field(max_length=80)] = ""
    title: Annotated[str, Field(max_length=200)] = ""
    board: Board
    openings: Annotated[list[Opening], Field(min_length=1, max_length=200)]


class Refusal(Strict):
    """Why a job is not cut: which opening, and what is wrong with it."""

    code: Literal["outside", "overlap", "strip", "outline", "board"]
    opening: str
    other: str = ""
    message: str


class Progress(Strict):
    """How far a job is. ``done_mm`` of ``path_mm`` are cut; ``seconds_left`` at the machine's own pace."""

    id: str
    title: str
    state: Literal["waiting", "cutting", "done", "stopped"]
    path_mm: float
    done_mm: float
    seconds: float
    seconds_left: float
    opening: str


class Machine(Strict):
    """What the machine is."""

    name: str
    format: str
    version: int
    most_width_mm: float
    most_height_mm: float
    strip_least_mm: float
    cut_mm_per_s: float
    move_mm_per_s: float
