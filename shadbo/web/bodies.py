"""What requests carry."""

from typing import Annotated, Literal

from pydantic import BaseModel, ConfigDict, Field

from shadbo.core.build.assembly import ViewName
from shadbo.core.decisions.edit import Edit
from shadbo.core.words.lengths import System
from shadbo.store.finding import Shelf

EditId = Annotated[str, Field(min_length=6, max_length=80, pattern=r"^[A-Za-z0-9-]+$")]
Edits = Annotated[list[Edit], Field(max_length=400)]


class Body(BaseModel):
    """Strict: a misspelt field is an error, not silence."""

    model_config = ConfigDict(extra="forbid", allow_inf_nan=False)


class NewJob(Body):
    """A new job, with its first edits if there are any. ``system`` is what a bare number means."""

    edit_id: EditId
    edits: Edits = []
    system: System = "mm"


class Save(Body):
    """Edits made on a version of the job. Sending the same ``edit_id`` again does nothing twice."""

    version: Annotated[int, Field(ge=1)]
    edit_id: EditId
    edits: Annotated[list[Edit], Field(min_length=1, max_length=400)]
    system: System = "mm"


class Step(Body):
    """Undo, redo or going back; with a ``version``, only while that is the newest one."""

    edit_id: EditId
    version: Annotated[int, Field(ge=1)] | None = None


class Copy(Body):
    """Under which id a copy is made, and which piece of a set it is to be about."""

    edit_id: EditId
    first: Annotated[str, Field(max_length=40)] = ""


class OnShelf(Body):
    """The shelf that a job is to stand on."""

    shelf: Shelf


class Hold(Body):
    """Scale and place to keep while someone is typing: px per mm, and where the origin lies."""

    scale: Annotated[float, Field(gt=0, le=1000)]
    x0: Annotated[float, Field(ge=-1e6, le=1e6)]
    y0: Annotated[float, Field(ge=-1e6, le=1e6)]


class Ask(Body):
    """A live plan: edits not saved yet, the view, the system, and the line whose working is open.

    ``station`` is the one whose questions are wanted; all of them where none is named. ``seen`` are marks of the
    pictures that are shown already: they are not sent again. ``turn`` counts steps round what is taken apart,
    either way.
    """

    edits: Edits = []
    system: System = "mm"
    view: ViewName = "edge"
    hold: Hold | None = None
    turn: Annotated[int, Field(ge=-10_000, le=10_000)] = 0
    open: Annotated[str, Field(max_length=80)] = ""
    station: Annotated[str, Field(max_length=20)] = ""
    seen: Annotated[tuple[str, ...], Field(max_length=4)] = ()


class AskBench(Body):
    """The bench of a job with edits that are not saved yet, and the drawing of one step: the next, if none is named.

    ``seen`` is the mark of the drawing that is shown already: it is not sent again. ``since`` is the version at which
    the step came up: what has changed further on since then is told.
    """

    edits: Edits = []
    system: System = "mm"
    since: Annotated[int, Field(ge=1, le=2**31 - 1)] | None = None
    step: Annotated[str, Field(max_length=121)] = ""
    seen: Annotated[str, Field(max_length=40)] = ""


class Advice(Body):
    """Remedies for the job with edits that are not saved yet."""

    edits: Edits = []
    system: System = "mm"


class Move(Body):
    """A piece moved by hand: ``right`` and ``down`` in px of the board at ``scale`` px per mm, or in marks."""

    piece: Annotated[str, Field(max_length=41)]
    right: Annotated[float, Field(ge=-1e5, le=1e5)]
    down: Annotated[float, Field(ge=-1e5, le=1e5)]
    scale: Annotated[float, Field(gt=0, le=1000)] | None = None
    edits: Edits = []
    system: System = "mm"


class CutWhat(Body):
    """Which mat is to be cut; sent again under the same id it is cut once."""

    sheet: Literal["mat", "mat_inner"] = "mat"
    edit_id: EditId | None = None


class StockUndo(Body):
    """Take back the last change of the stock, which was at this version when it was looked at."""

    version: Annotated[int, Field(ge=1, le=2**31 - 1)]
    edit_id: EditId
