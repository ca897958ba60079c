"""Photographs of a piece: taken in, listed, shown, taken away."""

from dataclasses import dataclass
from typing import Annotated, Literal

from fastapi import APIRouter, Query, Request, Response, status
from fastapi.concurrency import run_in_threadpool
from sqlalchemy.orm import Session

from shadbo.core.assess import assess
from shadbo.core.cutting.mat_choice import taking
from shadbo.core.decisions.edit import BadEdit, Edit
from shadbo.core.shapes.perspective import is_view_of_a_rectangle
from shadbo.files.colours import Nearest, main_colours, nearest, sample
from shadbo.files.photo import MOST_BYTES, Photo, squared
from shadbo.store.entrance import within
from shadbo.store.jobs import Jobs
from shadbo.store.photos import KeptPhoto, Photos
from shadbo.web.bodies import EditId
from shadbo.web.deps import EnteredDep, JobsDep, PhotosDep
from shadbo.web.heavy import Given, made
from shadbo.web.opens import opens_to
from shadbo.web.problems import RESPONSES
from shadbo.work.kinds import photo_of

router = APIRouter(prefix="/api/jobs/{job_id}/photos", tags=["photos"], responses=RESPONSES)
asides = APIRouter(prefix="/api/jobs/{job_id}/photos-aside", tags=["photos"], responses=RESPONSES)
_BODY = {
    "requestBody": {"required": True, "content": {"image/*": {"schema": {"type": "string", "format": "binary"}}}}
}


@router.get("")
@opens_to("look")
def list_photos(photos: PhotosDep, job_id: int) -> list[KeptPhoto]:
    """All photographs of the job."""
    return photos.of(job_id)


@router.post("", status_code=status.HTTP_201_CREATED, openapi_extra=_BODY)
@opens_to("work")
async def add_photo(
    request: Request,
    photos: PhotosDep,
    who: EnteredDep,
    job_id: int,
    edit_id: Annotated[EditId, Query()],
    name: Annotated[str, Query(max_length=120, pattern=r"^[^\x00-\x1f]*$")] = "",
) -> KeptPhoto:
    """Take a photograph in. What the camera wrote into it, where it was taken among it, is left out."""
    data = bytearray()
    async for chunk in request.stream():
        data += chunk
        if len(data) > MOST_BYTES:
            raise BadEdit("photos", f"the file is larger than {MOST_BYTES // 1_000_000} MB", name)
    await run_in_threadpool(photos.let_go)
    photo = photo_of(await made(request, who.workshop_id, Given("photo", job_id, {}, bytes(data))))
    return await run_in_threadpool(_keep, request, who.workshop_id, job_id, photo, name, edit_id)


def _keep(request: Request, workshop_id: str, job_id: int, photo: Photo, name: str, edit_id: str) -> KeptPhoto:
    """In a transaction of its own: the request's ended before the photograph was looked at."""
    with Session(request.app.state.engine, expire_on_commit=False) as s, s.begin():
        within(s, workshop_id)
        return Photos(s, workshop_id).add(job_id, photo, name, edit_id)


@router.get("/{photo_id}", response_class=Response)
@opens_to("look")
def show_photo(photos: PhotosDep, job_id: int, photo_id: int, size: Literal["small", "full"] = "full") -> Response:
    """The photograph as JPEG."""
    pixels = photos.pixels(job_id, photo_id, size == "small")
    return Response(pixels, media_type="image/jpeg", headers={"Cache-Control": "private, max-age=3600"})


_SHARE = r"(0(\.\d{1,6})?|1(\.0{1,6})?)"
_Eight = Annotated[str, Query(pattern=rf"^{_SHARE}(,{_SHARE}){{7}}$")]


@router.get("/{photo_id}/squared", response_class=Response)
@opens_to("look")
def squared_photo(
    photos: PhotosDep, job_id: int, photo_id: int, corners: _Eight, ratio: Annotated[float, Query(ge=0.01, le=100)]
) -> Response:
    """What lies between four corners, seen square on; x and y of each as shares, clockwise from the top left."""
    shares = [float(x) for x in corners.split(",")]
    seen = tuple(zip(shares[::2], shares[1::2], strict=True))
    if not is_view_of_a_rectangle(seen):
        raise BadEdit("corners", "the four corners go round the piece", corners)
    pixels = photos.pixels(job_id, photo_id, False)
    photos.let_go()
    picture = squared(pixels, seen, ratio)
    return Response(picture, media_type="image/jpeg", headers={"Cache-Control": "private, max-age=3600"})


@dataclass(frozen=True, slots=True)
class MatOffer:
    """A mat near a colour, and the edits that take it as outer or inner mat; none where the display has none."""

    near: Nearest
    outer: tuple[Edit, ...]
    inner: tuple[Edit, ...]


@dataclass(frozen=True, slots=True)
class Sampled:
    """A colour of a photograph, and the mats of the stock nearest to it."""

    colour: str
    mats: list[MatOffer]


def _offers(jobs: Jobs, job_id: int, colours: list[str]) -> list[Sampled]:
    _, job, shop = jobs.laid_out(job_id)
    desk = assess(job, shop).desk
    mats = {m.id: m for m in desk.stock.sheets_of("mat")}
    return [
        Sampled(c, [MatOffer(n, *taking(desk, mats[n.id])) for n in nearest(c, list(mats.values()))]) for c in colours
    ]


@router.get("/{photo_id}/colours")
@opens_to("look")
def main_colours_of(photos: PhotosDep, jobs: JobsDep, job_id: int, photo_id: int) -> list[Sampled]:
    """The dominant colour and the second, each with the nearest mats: outer and inner."""
    return _offers(jobs, job_id, main_colours(photos.pixels(job_id, photo_id, True)))


@router.get("/{photo_id}/colour")
@opens_to("look")
def colour_at(
    photos: PhotosDep,
    jobs: JobsDep,
    job_id: int,
    photo_id: int,
    x: Annotated[float, Query(ge=0, le=1)],
    y: Annotated[float, Query(ge=0, le=1)],
) -> Sampled:
    """The colour at a place of a photograph, as shares of its width and height."""
    return _offers(jobs, job_id, [sample(photos.pixels(job_id, photo_id, False), x, y)])[0]


@asides.get("")
@opens_to("look")
def photos_aside(photos: PhotosDep, job_id: int) -> list[KeptPhoto]:
    """Those that were taken away and can come back, the last one first."""
    return photos.aside(job_id)


@asides.post("/{photo_id}")
@opens_to("work")
def bring_back(photos: PhotosDep, job_id: int, photo_id: int) -> list[KeptPhoto]:
    """A photograph that was taken away comes back; all of the job."""
    photos.bring_back(job_id, photo_id)
    return photos.of(job_id)


@router.delete("/{photo_id}", status_code=status.HTTP_204_NO_CONTENT)
@opens_to("work")
def remove_photo(photos: PhotosDep, job_id: int, photo_id: int) -> None:
    """Take a photograph away."""
    photos.remove(job_id, photo_id)
