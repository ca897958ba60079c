"""Levers: the choices that a plan can move, each with its place in the job and the type that it takes.

A lever is made beside the option that it moves, so nobody else spells a path. ``set`` writes an edit, ``of``
reads what stands there; the field's type is compared with the lever's when the lever is made.
"""

import types
from collections.abc import Callable
from dataclasses import fields
from typing import Any, Generic, Literal, Protocol, TypeVar, Union, get_args, get_origin

from pydantic import BaseModel

from shadbo.core.dataclass import dataclass
from shadbo.core.decisions.edit import Edit
from shadbo.core.shapes.artwork import Artwork
from shadbo.core.shop.boards import Dowel, FrameProfile, LampStrip, PosterRail, SheetStock, SpacerStock, Supply
from shadbo.core.shop.materials import FloaterProfile, PadStock, PlainStock
from shadbo.core.shop.values import Length, Reading, Value

T = TypeVar("T")
O = TypeVar("O", bound=Value)  # noqa: E741


class Optioned(Protocol):
    """What keeps the options of every display: a job."""

    @property
    def options(self) -> Value:
        """Options by the name of their display."""
        ...


@dataclass(frozen=True, slots=True)
class Lever(Generic[T]):
    """One choice: where it stands in the job, and how it is read there."""

    at: str
    read: Callable[[Optioned], Any]

    def set(self, value: T | None) -> Edit:
        """The edit that decides it; None lets the plan decide again."""
        return Edit(at=self.at, to=written(value))

    def of(self, job: Optioned) -> T | None:
        """What the framer decided; None where the plan decides."""
        decided: T | None = self.read(job)
        return decided


def written(value: object) -> Any:  # noqa: ANN401
    """A value as a job file writes it."""
    if isinstance(value, BaseModel):
        return value.model_dump(mode="json")
    if isinstance(value, tuple | list):
        return [written(v) for v in value]
    return value


@dataclass(frozen=True, slots=True)
class Levers:
    """Every lever that some display has; None where this one has none."""

    profile: Lever[FloaterProfile | FrameProfile | PlainStock] | None = None
    gap: Lever[Length] | None = None
    face: Lever[str] | None = None
    face_by: Lever[Length] | None = None
    pads: Lever[tuple[PadStock, ...]] | None = None
    screw_mm: Lever[float] | None = None
    screw_from_corner: Lever[Length] | None = None
    screws_apart: Lever[Length] | None = None
    strip_width: Lever[Length] | None = None
    allowance: Lever[Length] | None = None
    extension: Lever[Length] | None = None
    strainer: Lever[bool] | None = None
    back: Lever[str] | None = None
    joint: Lever[str] | None = None
    outside_width: Lever[Length] | None = None
    outside_height: Lever[Length] | None = None
    mount: Lever[str] | None = None
    glazing: Lever[SheetStock] | None = None
    contact: Lever[bool] | None = None
    spacer: Lever[SpacerStock] | None = None
    spacer_held: Lever[str] | None = None
    board: Lever[SheetStock] | None = None
    backing: Lever[SheetStock] | None = None
    border: Lever[Length] | None = None
    opening_width: Lever[Length] | None = None
    opening_height: Lever[Length] | None = None
    border_top: Lever[Length] | None = None
    border_right: Lever[Length] | None = None
    border_bottom: Lever[Length] | None = None
    border_left: Lever[Length] | None = None
    mat: Lever[SheetStock] | None = None
    inner_mat: Lever[SheetStock] | None = None
    overlap: Lever[Length] | None = None
    margin: Lever[Length] | None = None
    shows: Lever[str] | None = None
    reveal: Lever[Length] | None = None
    strip: Lever[Length] | None = None
    notch_room: Lever[Length] | None = None
    windows: Lever[str] | None = None
    pane: Lever[SheetStock] | None = None
    second_frame: Lever[bool] | None = None
    glass: Lever[str] | None = None
    packers: Lever[bool] | None = None
    inset: Lever[Length] | None = None
    hung: Lever[str] | None = None
    rail: Lever[PosterRail] | None = None
    bottom: Lever[bool] | None = None
    lining: Lever[str] | None = None
    liner: Lever[SheetStock] | None = None
    layout_width: Lever[Length] | None = None
    layout_height: Lever[Length] | None = None
    islands: Lever[str] | None = None
    bridge: Lever[Length] | None = None
    letter_height: Lever[Length] | None = None
    artwork_width: Lever[Length] | None = None
    step: Lever[Length] | None = None
    light_void: Lever[Length] | None = None
    rows_apart: Lever[Length] | None = None
    supply: Lever[Supply] | None = None
    lamp: Lever[LampStrip] | None = None
    middle: Lever[SheetStock] | None = None
    dowel: Lever[Dowel] | None = None
    pegs: Lever[int] | None = None
    drill: Lever[Reading] | None = None
    peg_read: Lever[Reading] | None = None
    hidden: Lever[Length] | None = None
    core: Lever[SheetStock] | None = None
    card: Lever[SheetStock] | None = None
    card_over: Lever[Length] | None = None
    layers: Lever[int] | None = None
    artwork: Lever[Artwork] | None = None


@dataclass(frozen=True, slots=True)
class Home(Generic[O]):
    """Where a display keeps its options: its name under ``options``, its kind, its options' class."""

    name: str
    kind: str
    options: type[O]

    @property
    def at(self) -> str:
        """The place of its options in the job."""
        return f"options/{self.name}"

    def of(self, job: Optioned) -> O:
        """This display's options in a job."""
        found = getattr(job.options, self.name)
        assert isinstance(found, self.options)
        return found

    def to(self, path: str) -> str:
        """The place of one option in the job, such as ``gap``; KeyError where there is none."""
        return self.lever(path).at

    def lever(self, path: str, takes: object = None) -> Lever[Any]:
        """The lever that moves one option, such as ``gap`` or ``layout/gap``; KeyError where there is none.

        ``takes`` is the type that the lever is declared with; TypeError where the option's own is another.
        """
        steps = path.split("/")
        model: type[BaseModel] = self.options
        annotation: object = model
        for n, step in enumerate(steps):
            annotation = model.model_fields[step].annotation
            if n < len(steps) - 1:
                assert isinstance(annotation, type)
                model = annotation
        if takes is not None and not _agree(takes, annotation):
            raise TypeError(f"{self.at}/{path} holds {annotation}, and its lever takes {takes}")

        def read(job: Optioned) -> object:
            here: object = self.of(job)
            for step in steps:
                here = getattr(here, step)
            return here

        return Lever(f"{self.at}/{path}", read)

    def levers(self, *names: str, **elsewhere: str) -> Levers:
        """Levers of these options; ``elsewhere`` gives the path of one that is kept under another name."""
        paths = {name: name for name in names} | elsewhere
        takes = {f.name: get_args(get_args(f.type)[0])[0] for f in fields(Levers)}
        return Levers(**{name: self.lever(path, takes[name]) for name, path in paths.items()})


def _agree(takes: object, holds: object) -> bool:
    """Whether an option's annotation is what a lever takes; words of a fixed list are words."""
    kinds = {kind for kind in _parts(holds) if kind is not type(None)}
    return bool(kinds) and all(any(_is(kind, want) for want in _parts(takes)) for kind in kinds)


def _parts(annotation: object) -> list[object]:
    origin = get_origin(annotation)
    if origin in (Union, types.UnionType):
        return [p for a in get_args(annotation) for p in _parts(a)]
    if origin is Literal:
        return [type(v) for v in get_args(annotation)]
    if hasattr(annotation, "__metadata__"):
        return _parts(get_args(annotation)[0])
    return [annotation]


def _is(kind: object, want: object) -> bool:
    if isinstance(kind, type) and isinstance(want, type):
        return issubclass(kind, want)
    return kind == want
