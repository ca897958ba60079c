"""A moulding's end, photographed and marked: what is to be marked, and the sizes that come of it."""

from dataclasses import dataclass
from typing import Annotated

from fastapi import APIRouter, HTTPException
from pydantic import Field

from shadbo.core.decisions.edit import BadEdit
from shadbo.core.shapes.traced import (
    LEAST_KNOWN_MM,
    TRACINGS,
    BadTrace,
    Spot,
    Tracing,
    remarks,
    trace,
    traced_text,
)
from shadbo.core.shop.stock_kinds import LABELS
from shadbo.core.words.lengths import Both, NotALength, System, parse
from shadbo.core.words.words import both
from shadbo.web.bodies import Body
from shadbo.web.deps import EnteredDep, JobsDep
from shadbo.web.opens import opens_to
from shadbo.web.problems import RESPONSES

router = APIRouter(prefix="/api/stock", tags=["stock"], responses=RESPONSES)
Pixel = Annotated[float, Field(ge=-100_000, le=100_000)]


@dataclass(frozen=True, slots=True)
class KnownSize:
    """A size that can be read by hand: its field, and what it is called."""

    name: str
    label: Both


@dataclass(frozen=True, slots=True)
class Tracer:
    """How a moulding is traced: what to mark, in order, and which size can be read by hand."""

    spots: tuple[Spot, ...]
    known: tuple[KnownSize, ...]


@dataclass(frozen=True, slots=True)
class Corner:
    """A place on the photograph, in its pixels."""

    x: float
    y: float


@dataclass(frozen=True, slots=True)
class TracedView:
    """What was traced, as it is typed into the fields; the section's corners on the photograph; and remarks."""

    typed: dict[str, str]
    outline: tuple[Corner, ...]
    remarks: tuple[Both, ...]


class Marked(Body):
    """Marks on a photograph in its own pixels, in order; a size as it was read by hand; how coarsely it was seen."""

    home: Annotated[str, Field(max_length=40)]
    marks: Annotated[tuple[Annotated[tuple[Pixel, Pixel], Field()], ...], Field(max_length=12)]
    known: Annotated[str, Field(max_length=40)]
    typed: Annotated[str, Field(max_length=40)]
    px_seen: Annotated[float, Field(gt=0, le=100)] = 1.0
    system: System = "mm"


def _tracing(home: str) -> Tracing:
    if home not in TRACINGS:
        raise HTTPException(404, f"Nothing in “{home}” has a section to be traced")
    return TRACINGS[home]


@router.get("/tracer")
@opens_to("look")
def tracer(who: EnteredDep, home: str) -> Tracer:
    """What is to be marked on a photograph of a moulding's end."""
    tracing = _tracing(home)
    known = tuple(KnownSize(name, both(LABELS[name])) for name in tracing.sizes)
    return Tracer(tracing.spots, known)


@router.post("/traced")
@opens_to("look")
def traced(jobs: JobsDep, body: Marked) -> TracedView:
    """The sizes of a moulding by its marks; nothing is kept, and the photograph stays where it was opened."""
    tracing, mark = _tracing(body.home), jobs.shop().the_mark()
    jobs.let_go()
    if len(body.marks) != len(tracing.spots):
        raise BadEdit("marks", f"{len(tracing.spots)} marks are needed", str(len(body.marks)))
    if body.known not in tracing.sizes:
        raise BadEdit("known", f"one of {', '.join(LABELS[x] for x in tracing.sizes)}", body.known)
    try:
        known_mm = parse(body.typed, body.system)
        if known_mm < LEAST_KNOWN_MM:
            raise NotALength("no moulding is so small")
        got = trace(tracing, body.marks, body.known, known_mm, body.px_seen)
    except NotALength as bad:
        raise BadEdit("typed", str(bad), body.typed) from None
    except BadTrace as bad:
        raise BadEdit("marks", str(bad)) from None
    typed = {field: traced_text(mm, body.system) for field, mm in got.sizes_mm.items()}
    typed[body.known] = body.typed
    return TracedView(typed, tuple(Corner(x, y) for x, y in got.outline), remarks(got, mark))
