"""The job: one specification for file, API and database.

Absent means "the plan decides"; present means "the framer decided". Defaults are never written down.
"""

import datetime as dt
from typing import Annotated, Any, Literal

from pydantic import Field, model_validator

from shadbo.core.displays.gathered.options import Layout, Place
from shadbo.core.displays.kinds import HOMES
from shadbo.core.job.options import DisplayKind, Options
from shadbo.core.job.own_frame import OwnFrame
from shadbo.core.job.work import Work
from shadbo.core.pieces.pieces import Brace, LooseCanvas, Piece, StretchedCanvas
from shadbo.core.shop.kept import Materials
from shadbo.core.shop.materials import Hanger, HangerKind, Wire
from shadbo.core.shop.shop import Practice
from shadbo.core.shop.values import Id, Length, Line, Note, Reading, Value, within
from shadbo.core.words.amounts import MOST_MONEY
from shadbo.core.words.lengths import MarkName

FORMAT = "shadbo-job"
VERSION = 1

Pins = dict[Annotated[str, Field(pattern=r"^[a-z][a-z0-9_.-]{0,60}$")], Reading]


Demand = Literal["no wire", "acrylic only", "sealed back", "two fixed points", "busy place"]
"""What a recipient may ask for, and where people pass close by or children play; checked when the back is closed."""


LeadDays = Annotated[int, Field(ge=1, le=365)]
"""Working days until something that was sent out comes back."""
Money = Annotated[float, Field(ge=0, le=MOST_MONEY)]


class Owner(Value):
    """Whose piece it is."""

    name: Line = ""
    contact: Line = ""


class Hanging(Value):
    """How it hangs. Heights are from the floor; ``down`` is from the frame's top edge."""

    kind: HangerKind | None = None
    hanger: Hanger | None = None
    wire: Wire | None = None
    down: Annotated[Length, within(5, 10_000)] | None = None
    rise: Annotated[Length, within(2, 5000)] | None = None
    hooks: Literal[1, 2] | None = None
    eye: Annotated[Length, within(300, 3000)] | None = None
    place: Line = ""
    wall: Literal["solid", "board", "doubtful"] | None = None
    demands: tuple[Demand, ...] = ()


class Job(Value):
    """A framing job. ``pins`` are real sizes of cut and made things, by the key of their line on the sheet.

    ``frame`` is one that exists already, whichever display is built in it.
    ``finish`` is what the moulding is treated with, ``agreed`` the price told to the owner, ``insured`` the sum that
    the piece is insured for while it is here, both in the shop's currency.
    ``finish_days``: the finish is given elsewhere, ``machine_days``: openings are cut by a machine elsewhere, and
    either comes after so many working days; None where it is done here.
    ``work`` is what was done at the bench. ``guided``: it leads whoever is new through, thing by thing.
    ``practice``, ``mark`` and ``materials`` are the shop's as they were when the first part was cut.
    """

    format: Literal["shadbo-job"] = "shadbo-job"
    version: Literal[1] = 1
    title: Line = ""
    owner: Owner = Owner()
    received: dt.date | None = None
    due: dt.date | None = None
    note: Note = ""
    finish: Line = ""
    finish_days: LeadDays | None = None
    machine_days: LeadDays | None = None
    agreed: Money | None = None
    insured: Money | None = None
    pieces: Annotated[tuple[Piece, ...], Field(min_length=1, max_length=60)] = (Piece(id="piece"),)
    display: DisplayKind = "floater"
    same_outside: bool = True
    frame: OwnFrame | None = None
    options: Options = Options()
    hanging: Hanging = Hanging()
    pins: Pins = Field(default_factory=dict)
    practice: Practice | None = None
    mark: MarkName | None = None
    materials: Materials = Materials()
    work: Work = Field(default_factory=dict)
    handed_over: dt.date | None = None
    guided: bool = False

    @property
    def own_frame(self) -> OwnFrame | None:
        """The frame that exists, where the framer means to use it."""
        return self.frame if self.frame is not None and self.frame.used else None

    @property
    def begun(self) -> bool:
        """Whether something of it is cut or done, so that what the shop changes later no longer moves it."""
        return bool(self.pins) or any(done.ended is not None for done in self.work.values())

    @property
    def closed(self) -> bool:
        """Whether it was handed over at the bench: it can be read, or reopened with a reason."""
        return self.handed_over is not None and bool(self.work)

    @model_validator(mode="after")
    def _ids_once(self) -> "Job":
        for where, ids in (
            ("pieces", [p.id for p in self.pieces]),
            *((f"pieces/{p.id}/detail/braces", [b.id for b in _braces(p)]) for p in self.pieces),
            *((f"pieces/{p.id}/edge_marks", [m.id for m in p.edge_marks]) for p in self.pieces),
            *((f"pieces/{p.id}/zones", [z.id for z in p.zones]) for p in self.pieces),
            *((f"options/{home}/layout/places", [x.id for x in places]) for home, places in self._places()),
        ):
            if len(set(ids)) != len(ids):
                raise ValueError(f"{where}: each id may stand only once")
        return self

    def _places(self) -> list[tuple[str, tuple[Place, ...]]]:
        out = []
        for home in HOMES:
            layout = getattr(home.of(self), "layout", None)
            if isinstance(layout, Layout):
                out.append((home.name, layout.places))
        return out

    def as_written(self) -> dict[str, Any]:
        """The job as plain data: what the framer decided, and the format's own marks; no defaults."""
        data: dict[str, Any] = self.model_dump(mode="json", exclude_defaults=True)
        return {"format": FORMAT, "version": VERSION, **data, "pieces": [_piece(p) for p in self.pieces]}


def _braces(piece: Piece) -> tuple[Brace, ...]:
    return piece.detail.braces if isinstance(piece.detail, StretchedCanvas | LooseCanvas) else ()


def _piece(piece: Piece) -> dict[str, Any]:
    data = piece.model_dump(mode="json", exclude_defaults=True)
    detail = {"kind": piece.detail.kind, **data.pop("detail", {})}
    return {"id": piece.id, **data, "detail": detail}


def new_id(taken: list[str], stem: str) -> Id:
    """The first free id of a stem: ``brace``, ``brace-2``, …"""
    if stem not in taken:
        return stem
    return next(f"{stem}-{n}" for n in range(2, len(taken) + 3) if f"{stem}-{n}" not in taken)
