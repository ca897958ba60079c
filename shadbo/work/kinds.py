"""The kinds of heavy work: each a function of what is asked and what is given, with its limits."""

import base64
import json
from collections.abc import Callable, Mapping
from dataclasses import dataclass
from typing import Any

from pydantic import TypeAdapter

from shadbo.core.arranging.proposals import ProposedLayout, propose_layouts
from shadbo.core.assess import assess
from shadbo.core.drawing.tiles import PAGES
from shadbo.core.job.edits import read_job
from shadbo.core.shop.shop import Shop
from shadbo.core.shop.values import STORED
from shadbo.files.artwork import BadArtwork, read_artwork
from shadbo.files.papers import papers_of
from shadbo.files.photo import BadPhoto, Photo, take_in

JSON = "application/json"
Asked = dict[str, Any]
"""What is asked, as JSON."""
_LAYOUTS = TypeAdapter(list[ProposedLayout])


class WorkRefused(ValueError):
    """What is asked or given cannot be worked on; says why, and at which place."""

    def __init__(self, at: str, says: str) -> None:
        super().__init__(says)
        self.at = at


@dataclass(frozen=True, slots=True)
class Made:
    """What came of it."""

    media: str
    content: bytes


@dataclass(frozen=True, slots=True)
class Kind:
    """One kind of work; the seconds of processor time and the megabytes that one of it may take."""

    name: str
    run: Callable[[Asked, bytes], Made]
    seconds: int
    megabytes: int


def _layouts(asked: Asked, _: bytes) -> Made:
    found = propose_layouts(read_job(asked["job"], STORED), Shop.model_validate(asked["shop"]))
    return Made(JSON, _LAYOUTS.dump_json(found))


def _paper(asked: Asked, _: bytes) -> Made:
    plan = assess(read_job(asked["job"], STORED), Shop.model_validate(asked["shop"]))
    found = next((p for p in papers_of(plan, asked["system"]) if p.name == asked["name"]), None)
    if found is None:
        raise WorkRefused("name", f"This plan has no use for “{asked['name'][:60]}”")
    return Made(found.kind, found.make(plan, PAGES[asked["page"]], asked["system"], asked["job_id"]))


def _photo(_: Asked, given: bytes) -> Made:
    try:
        photo = take_in(given)
    except BadPhoto as bad:
        raise WorkRefused("photos", str(bad)) from None
    full, small = (base64.b64encode(x).decode() for x in (photo.full, photo.small))
    return Made(
        JSON, json.dumps({"width": photo.width, "height": photo.height, "full": full, "small": small}).encode()
    )


def photo_of(made: Made) -> Photo:
    """The photograph that the work gave."""
    data = json.loads(made.content)
    full, small = (base64.b64decode(data[x]) for x in ("full", "small"))
    return Photo(data["width"], data["height"], full, small)


def _artwork(asked: Asked, given: bytes) -> Made:
    try:
        drawn = read_artwork(given.decode("utf-8", "replace"), asked["name"])
    except BadArtwork as bad:
        raise WorkRefused("artwork", str(bad)) from None
    return Made(JSON, drawn.model_dump_json().encode())


KINDS: Mapping[str, Kind] = {
    kind.name: kind
    for kind in (
        Kind("layouts", _layouts, 60, 1500),
        Kind("paper", _paper, 60, 1500),
        Kind("photo", _photo, 20, 1000),
        Kind("artwork", _artwork, 20, 1000),
    )
}
"""Time and memory are several times what the largest of the tests take."""
