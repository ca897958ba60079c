"""Photographs in the database: kept once, counted, never seen from another workshop."""

import inspect

import pytest
from sqlalchemy.orm import Session

from shadbo.files.photo import Photo
from shadbo.store.jobs import Jobs
from shadbo.store.photos import MOST_ASIDE, MOST_PHOTOS, NoSuchPhoto, Photos, TooManyPhotos
from shadbo.store.records import NoSuchJob
from tests.making import job

PHOTO = Photo(4, 3, b"full", b"small")


@pytest.fixture
def photos(session: Session) -> Photos:
    Jobs(session, "here").make(job(), "make-1")
    return Photos(session, "here")


def test_kept_listed_shown_taken_away(photos: Photos):
    first = photos.add(101, PHOTO, "front.jpg", "edit-1")
    second = photos.add(101, PHOTO, "back.jpg", "edit-2")
    assert [(p.id, p.name) for p in photos.of(101)] == [(1, "front.jpg"), (2, "back.jpg")]
    assert photos.pixels(101, first.id, small=True) == b"small"
    assert photos.pixels(101, second.id, small=False) == b"full"
    photos.remove(101, 1)
    photos.remove(101, 1)
    assert [p.id for p in photos.of(101)] == [2]
    with pytest.raises(NoSuchPhoto):
        photos.pixels(101, 1, small=True)


def test_what_was_taken_away_comes_back_where_it_stood(photos: Photos):
    for n in range(3):
        photos.add(101, PHOTO, f"{n}.jpg", f"edit-{n}")
    photos.remove(101, 1)
    photos.remove(101, 3)
    assert [p.id for p in photos.aside(101)] == [3, 1]
    photos.bring_back(101, 1)
    photos.bring_back(101, 1)
    assert [p.id for p in photos.of(101)] == [1, 2]
    assert photos.pixels(101, 1, small=False) == b"full"
    assert photos.add(101, PHOTO, "new.jpg", "edit-9").id == 4
    with pytest.raises(NoSuchPhoto):
        photos.bring_back(101, 9)


def test_a_full_job_takes_none_back(photos: Photos):
    for n in range(MOST_PHOTOS + 1):
        photos.add(101, PHOTO, "", f"edit-{n}")
        if n == 0:
            photos.remove(101, 1)
    with pytest.raises(TooManyPhotos):
        photos.bring_back(101, 1)


def test_only_so_many_lie_aside(photos: Photos):
    for n in range(MOST_ASIDE + 4):
        photos.add(101, PHOTO, "", f"edit-{n}")
        photos.remove(101, n + 1)
    assert [p.id for p in photos.aside(101)] == list(range(MOST_ASIDE + 4, 4, -1))
    with pytest.raises(NoSuchPhoto):
        photos.bring_back(101, 1)


def test_a_retry_keeps_one(photos: Photos):
    assert photos.add(101, PHOTO, "a", "edit-1").id == photos.add(101, PHOTO, "a", "edit-1").id
    assert len(photos.of(101)) == 1


def test_a_job_keeps_so_many(photos: Photos):
    for n in range(MOST_PHOTOS):
        photos.add(101, PHOTO, "", f"edit-{n}")
    with pytest.raises(TooManyPhotos, match="take one away"):
        photos.add(101, PHOTO, "", "one-more")


def test_every_method_keeps_to_its_workshop(photos: Photos, session: Session):
    """Each public method, called for a job of another workshop, finds nothing there."""
    photos.add(101, PHOTO, "front.jpg", "edit-1")
    there = Photos(session, "there")
    calls = {
        "of": lambda: there.of(101),
        "add": lambda: there.add(101, PHOTO, "", "edit-9"),
        "pixels": lambda: there.pixels(101, 1, small=True),
        "remove": lambda: there.remove(101, 1),
        "aside": lambda: there.aside(101),
        "bring_back": lambda: there.bring_back(101, 1),
    }
    public = {n for n, _ in inspect.getmembers(Photos, inspect.isfunction) if not n.startswith("_")}
    assert set(calls) == public - {"let_go"}
    for name, call in calls.items():
        if name == "remove":
            call()
            continue
        with pytest.raises((NoSuchJob, NoSuchPhoto)):
            call()
    assert len(photos.of(101)) == 1
