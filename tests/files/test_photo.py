"""Photographs: what is taken in, and what never comes out again."""

import io

import pytest
from PIL import ExifTags, Image

from shadbo.demo.paintings import laid_on_bench
from shadbo.files.photo import LONG_SIDE, SMALL_SIDE, BadPhoto, squared, take_in


def picture(size=(640, 480), kind="JPEG", mode="RGB", **more) -> bytes:
    out = io.BytesIO()
    Image.new(mode, size, (120, 90, 60, 128)[: len(mode)]).save(out, kind, **more)
    return out.getvalue()


def located() -> bytes:
    exif = Image.Exif()
    exif[ExifTags.Base.Orientation] = 6
    exif[ExifTags.Base.Model] = "harbour cam"
    place = exif.get_ifd(ExifTags.IFD.GPSInfo)
    place[ExifTags.GPS.GPSLatitudeRef] = "N"
    place[ExifTags.GPS.GPSLatitude] = (55.0, 30.0, 0.0)
    return picture((800, 400), exif=exif)


def test_the_place_and_all_else_the_camera_wrote_is_left_out():
    data = located()
    assert Image.open(io.BytesIO(data)).getexif().get_ifd(ExifTags.IFD.GPSInfo), "it was there before"
    photo = take_in(data)
    for kept in (photo.full, photo.small):
        image = Image.open(io.BytesIO(kept))
        assert dict(image.getexif()) == {}
        assert b"harbour cam" not in kept
        assert b"Exif" not in kept
    assert (photo.width, photo.height) == (400, 800), "turned upright"


def test_large_ones_are_made_smaller_and_keep_their_shape():
    photo = take_in(picture((5000, 2500)))
    assert (photo.width, photo.height) == (LONG_SIDE, LONG_SIDE // 2)
    assert max(Image.open(io.BytesIO(photo.small)).size) == SMALL_SIDE


@pytest.mark.parametrize(("kind", "mode"), [("PNG", "RGBA"), ("PNG", "L"), ("WEBP", "RGB"), ("JPEG", "RGB")])
def test_kinds_that_are_taken(kind: str, mode: str):
    assert Image.open(io.BytesIO(take_in(picture(kind=kind, mode=mode)).full)).format == "JPEG"


@pytest.mark.parametrize(
    "data",
    [b"", b"GIF89a", b"<svg/>", picture(kind="GIF"), picture()[:200], b"\x00" * 5000, picture(kind="BMP")],
    ids=["empty", "stub", "svg", "gif", "cut off", "zeros", "bmp"],
)
def test_what_is_no_photograph_is_said(data: bytes):
    with pytest.raises(BadPhoto, match="JPEG, PNG or WebP"):
        take_in(data)


def test_too_many_bytes_or_pixels():
    with pytest.raises(BadPhoto, match="20 MB"):
        take_in(b"\xff" * 20_000_001)
    with pytest.raises(BadPhoto, match="too many"):
        take_in(picture((9000, 9000), mode="L", kind="PNG"))


def test_what_lies_aslant_comes_out_square():
    flat = Image.new("RGB", (600, 400), "white")
    for x in range(0, 600, 100):
        for y in range(0, 400, 100):
            if (x + y) // 100 % 2:
                flat.paste((20, 20, 20), (x, y, x + 100, y + 100))
    seen = [(120, 90), (820, 60), (860, 640), (80, 600)]
    out = io.BytesIO()
    laid_on_bench(flat, (960, 720), seen).save(out, "JPEG", quality=95)
    corners = [(x / 960, y / 720) for x, y in seen]
    again = Image.open(io.BytesIO(squared(out.getvalue(), corners, 1.5))).convert("L")
    assert again.width / again.height == pytest.approx(1.5, abs=0.01)
    w, h = again.width / 6, again.height / 4
    for i in range(6):
        for j in range(4):
            tone = again.tobytes()[round((j + 0.5) * h) * again.width + round((i + 0.5) * w)]
            assert (tone < 60) == bool((i + j) % 2), (i, j, tone)


def test_a_squared_one_is_never_larger_than_it_was_photographed():
    small = picture((80, 60))
    assert Image.open(io.BytesIO(squared(small, [(0, 0), (1, 0), (1, 1), (0, 1)], 4 / 3))).size == (80, 60)
    wide = Image.open(io.BytesIO(squared(picture((2400, 100)), [(0, 0), (1, 0), (1, 1), (0, 1)], 24)))
    assert wide.width <= 900
    assert wide.height >= 1
