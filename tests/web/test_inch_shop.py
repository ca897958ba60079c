"""A new shop in sixteenths with three mouldings of its own: it plans, prints and cuts without a millimetre."""

import io
import re
from collections.abc import Iterator
from typing import Any

import pdfplumber
import pytest

from tests.web.test_own_shop import put

METRIC = re.compile(r"\d\s?mm\b|millimet|\bcm\b|\bkg\b|\bm²")
MOULDINGS = [
    ("frames", {"name": "Slip 7/8", "face_mm": "7/8", "height_mm": "1 1/8", "rabbet_mm": "11/16", "lip_mm": "1/4"}),
    (
        "frames",
        {"name": "Slip 1 1/4", "face_mm": "1 1/4", "height_mm": "1 1/2", "rabbet_mm": "1 1/8", "lip_mm": "5/16"},
    ),
    (
        "floater_profiles",
        {
            "name": "Dock 1 1/2",
            "wall_mm": "5/16",
            "inside_depth_mm": "1 1/8",
            "ledge_mm": "1",
            "ledge_thick_mm": "3/8",
        },
    ),
]
FLOATER = {"width_top": "24 1/16", "width_bottom": "24", "height_left": "18", "height_right": "18 1/16",
           "depth": "3/4", "bar_face": "1 5/8"}  # fmt: skip
PRINT = {"width_top": "16 1/2", "width_bottom": "16 1/2", "height_left": "11 11/16", "height_right": "11 11/16",
         "thickness": "1/64"}  # fmt: skip


def inches(view: Any) -> Iterator[str]:
    """Everything that is said in inches, or in one text for both."""
    if isinstance(view, dict):
        if set(view) == {"mm", "inch"}:
            yield view["inch"]
        else:
            for key, value in view.items():
                if key not in ("typed", "at", "key", "keys", "to"):
                    yield from inches(value)
    elif isinstance(view, list):
        for value in view:
            yield from inches(value)
    elif isinstance(view, str) and not view.lstrip().startswith("<svg"):
        yield view
    elif isinstance(view, str):
        yield from re.findall(r">([^<>]+)<", re.sub(r"(?s)<(style|desc|metadata).*?</\1>", "", view))


def metric(texts: list[str], shop) -> list[str]:
    """Those in which something metric stands, but for the names that the shop gave to its own stock."""
    names = [line["name"] for rack in shop.client.get("/api/stock").json() for line in rack["lines"]]
    own = re.compile("|".join(re.escape(x) for x in sorted(names, key=len, reverse=True)))
    return [t for t in dict.fromkeys(texts) if METRIC.search(own.sub("", t))]


@pytest.fixture
def shop(netloft):
    about = {"name": "Slipway Frames", "currency": "$", "mark": "1/16 in"}
    assert put(netloft, "/api/practice/about", **about).status_code == 200
    for rack in netloft.client.get("/api/stock").json():
        if rack["home"] in ("frames", "floater_profiles"):
            for line in rack["lines"]:
                put(netloft, "/api/stock/retire", home=rack["home"], id=line["id"], retired=True)
    for home, typed in MOULDINGS:
        answer = put(netloft, "/api/stock/item", home=home, typed=typed, system="in")
        assert answer.status_code == 200, answer.text
    return netloft


def made(shop, display: str, kind: str, sizes: dict[str, str], *more: dict) -> dict:
    read = [{"at": f"pieces/piece/detail/{f}", "to": {"typed": x, "tool": "tape"}} for f, x in sizes.items()]
    edits = [{"at": "pieces/piece/detail", "to": {"kind": kind}}, {"at": "display", "to": display}, *read, *more]
    body = {"edit_id": f"made-{display.replace(' ', '-')}", "edits": edits, "system": "in"}
    answer = shop.client.post("/api/jobs", json=body)
    assert answer.status_code == 201, answer.text
    return answer.json()


JOBS = [
    ("floater", "stretched canvas", FLOATER, []),
    ("window mat", "paper", PRINT, [{"at": "options/window_mat/double", "to": True}]),
]


@pytest.mark.parametrize(("display", "kind", "sizes", "more"), JOBS, ids=["floater", "double mat"])
def test_from_reading_to_paper_there_is_no_millimetre(shop, display, kind, sizes, more):
    job = made(shop, display, kind, sizes, *more)
    names = [s["name"] for s in shop.plan(job, system="in").json()["stations"]]
    texts: list[str] = []
    for station in names:
        for view in ("edge", "front", "back", "parts", "apart"):
            plan = shop.plan(job, system="in", station=station, view=view).json()
            texts += inches(plan)
    bench = shop.client.post(f"/api/jobs/{job['id']}/bench", json={"system": "in", "edits": []})
    assert bench.status_code == 200, bench.text
    texts += inches(bench.json())
    for paper in shop.client.get(f"/api/jobs/{job['id']}/papers", params={"system": "in"}).json():
        answer = shop.client.get(f"/api/jobs/{job['id']}/papers/{paper['name']}", params={"system": "in"})
        assert answer.status_code == 200, paper["name"]
        if answer.content.startswith(b"%PDF"):
            pages = pdfplumber.open(io.BytesIO(answer.content)).pages
            texts += [line for page in pages for line in page.extract_text().splitlines()]
    assert metric(texts, shop) == []
    assert any("1/16" in t for t in texts)


def test_what_is_cut_lies_on_the_marks_and_the_rest_follows(shop):
    job = made(shop, *JOBS[0][:3])
    job = shop.save(job, {"at": "pins/rail.width", "to": {"typed": "25 3/16", "tool": "tape"}}, system="in").json()
    plan = shop.plan(job, system="in", station="parts", view="front").json()
    said = [t for t in inches(plan) if "25 3/16" in t]
    assert said
    bad = shop.save(job, {"at": "pins/rail.height", "to": {"typed": "19 3/17 furlongs", "tool": "tape"}}, system="in")
    assert bad.status_code == 422
    assert "mm" not in bad.json()["errors"][0]["message"].replace("12 mm", "")
