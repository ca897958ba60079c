"""Photographs: what is taken in, and what never comes out again."""

import io

import pytest
from PIL import ExifTags, Image

from shadbo.files.photo import LONG_SIDE, SMALL_SIDE, BadPhoto, take_in


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
