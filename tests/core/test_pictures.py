"""Photographs in the front view: each over its piece at true size, wherever that is shown."""

import re

import pytest
from pydantic import ValidationError

from shadbo.core.assess import assess
from shadbo.core.drawing.board import draw
from shadbo.core.drawing.marks import Image
from shadbo.core.pieces.objects import Picture
from shadbo.core.shapes.polygon import box_of
from shadbo.demo.jobs import demo_jobs
from tests.flat import SHOP

CORNERS = ((0.1, 0.1), (0.9, 0.12), (0.88, 0.9), (0.12, 0.92))
IMAGE = re.compile(r'<image href="p(\d+)" x="([-\d.]+)" y="([-\d.]+)" width="([\d.]+)" height="([\d.]+)"')


def with_pictures(job):
    pieces = [
        p.model_copy(update={"picture": Picture(photo=n, corners=CORNERS)}) for n, p in enumerate(job.pieces, 1)
    ]
    return job.model_copy(update={"pieces": tuple(pieces)})


def album(image: Image) -> str:
    return f"p{image.photo}"


@pytest.mark.parametrize("n", range(len(demo_jobs())))
def test_every_display_shows_the_photograph_where_the_piece_stands(n):
    job = with_pictures(demo_jobs()[n])
    plan = assess(job, SHOP)
    drawn = draw(plan, "front", "mm", album=album)
    a = plan.assembly
    if a is None:
        pytest.skip("readings are still to be taken")
    images = [(int(p), *map(float, rest)) for p, *rest in IMAGE.findall(drawn.svg)]
    shown = {x.id for x in a.shown} or {job.pieces[0].id}
    assert {job.pieces[k - 1].id for k, *_ in images} == shown
    by_body = {b.id.removeprefix("item-"): b for b in a.bodies}
    for k, x, y, w, h in images:
        piece = job.pieces[k - 1]
        box = next(p.picture.box for p in a.parts if p.picture is not None and p.picture.photo == k)
        left, top = drawn.fit.put((box[0], box[3]))
        scale = drawn.fit.scale
        assert (x, y, w, h) == pytest.approx(
            (left, top, (box[2] - box[0]) * scale, (box[3] - box[1]) * scale), abs=0.01
        )
        body = by_body.get(piece.id) or by_body.get("piece") or by_body.get("canvas") or by_body["item"]
        around = box_of(body.prisms[0].ring)
        cloth = piece.detail.kind in ("needlework", "flag")  # its body is drawn over a core beyond what is measured
        near = 40 if cloth else 0.6
        assert all(abs(u - v) <= near for u, v in zip(box, around, strict=True)), (piece.id, box, around)


def test_a_picture_stands_at_its_true_size_also_where_a_window_leaves_only_part_of_it():
    certificate = next(j for j in demo_jobs() if j.title == "Lifeboat medal certificate")
    plan = assess(with_pictures(certificate), SHOP)
    part = next(p for p in plan.assembly.parts if p.picture is not None)
    s, box = plan.desk.sheet, part.picture.box
    assert box[2] - box[0] == pytest.approx(s["piece.width"].value)
    assert box[3] - box[1] == pytest.approx(s["piece.height"].value)
    window = box_of(next(w.ring for w in plan.assembly.windows if w.id == part.id))
    assert window[0] > box[0]
    assert window[3] < box[3]
    assert window[3] - box[3] == pytest.approx(box[1] - window[1], abs=0.01), "as much hidden above as below"


def test_without_an_album_or_a_photograph_the_piece_is_hatched():
    job = with_pictures(demo_jobs()[1])
    plan = assess(job, SHOP)
    assert "<image" not in draw(plan, "front", "mm").svg
    assert "<image" not in draw(plan, "front", "mm", album=lambda image: "").svg
    assert "<image" not in draw(assess(demo_jobs()[1], SHOP), "front", "mm", album=album).svg


@pytest.mark.parametrize(
    "corners",
    [
        ((0.1, 0.1), (0.9, 0.9), (0.9, 0.1), (0.1, 0.9)),
        ((0.1, 0.1), (0.5, 0.1), (0.9, 0.1), (0.1, 0.9)),
        ((0.1, 0.1), (0.1, 0.1), (0.1, 0.1), (0.1, 0.1)),
        ((0.1, 0.1), (0.9, 0.1), (0.3, 0.3), (0.1, 0.9)),
    ],
)
def test_corners_that_no_rectangle_has_are_refused(corners):
    with pytest.raises(ValidationError, match="go round"):
        Picture(photo=1, corners=corners)
