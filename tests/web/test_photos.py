"""Photographs and comparisons over HTTP."""

import re
from uuid import uuid4

from tests.files.test_photo import located, picture


def send(api, job: int, data: bytes, **query):
    params = {"edit_id": str(uuid4()), "name": "front.jpg", **query}
    return api.client.post(f"/api/jobs/{job}/photos", params=params, content=data)


def test_a_photograph_goes_in_and_comes_out_clean(api):
    job = api.make()["id"]
    answer = send(api, job, located())
    assert answer.status_code == 201, answer.text
    kept = answer.json()
    assert (kept["id"], kept["width"], kept["height"], kept["name"]) == (1, 400, 800, "front.jpg")
    assert [p["id"] for p in api.client.get(f"/api/jobs/{job}/photos").json()] == [1]
    shown = api.client.get(f"/api/jobs/{job}/photos/1", params={"size": "small"})
    assert shown.headers["content-type"] == "image/jpeg"
    assert b"Exif" not in shown.content
    assert api.client.delete(f"/api/jobs/{job}/photos/1").status_code == 204
    assert api.client.get(f"/api/jobs/{job}/photos/1").status_code == 404


def test_what_is_no_photograph_is_refused_with_the_reason(api):
    job = api.make()["id"]
    answer = send(api, job, b"not a picture", name="notes.txt")
    assert answer.status_code == 422
    assert answer.json()["errors"][0]["at"] == "photos"
    assert "JPEG, PNG or WebP" in answer.json()["errors"][0]["message"]
    assert send(api, job, picture(), name="a\nb").status_code == 422
    assert send(api, 999, picture()).status_code == 404
    large = send(api, job, b"\xff" * 20_000_001)
    assert large.status_code == 422
    assert "20 MB" in large.json()["errors"][0]["message"]


def test_displays_are_compared_with_what_is_not_saved_yet(api):
    sizes = {"width_top": "300", "width_bottom": "300", "height_left": "400", "height_right": "400", "thickness": "2"}
    edits = [{"at": "pieces/piece/detail", "to": {"kind": "puzzle"}}]
    edits += [{"at": f"pieces/piece/detail/{k}", "to": {"typed": v, "tool": "rule"}} for k, v in sizes.items()]
    job = api.make()["id"]
    before = api.client.post(f"/api/jobs/{job}/compare", json={}).json()
    assert {c["kind"] for c in before} == {"floater", "plain floater", "canvas frame"}
    assert all(c["asks"] for c in before)
    after = api.client.post(f"/api/jobs/{job}/compare", json={"edits": edits}).json()
    assert {c["kind"] for c in after} == {"puzzle frame", "ready-made box", "backed", "shadow box"}
    assert next(c for c in after if c["kind"] == "puzzle frame")["picked"]


SIDES = {"width_top": "412", "width_bottom": "412", "height_left": "613", "height_right": "613"}
READINGS = SIDES | {"depth": "38", "bar_face": "45"}
PICTURED = [
    *({"at": f"pieces/piece/detail/{k}", "to": {"typed": v, "tool": "rule"}} for k, v in READINGS.items()),
    {"at": "pieces/piece/picture", "to": {"photo": 1}},
]


def test_a_piece_is_shown_by_its_photograph_squared(api):
    job = api.make()["id"]
    send(api, job, picture((400, 600)))
    asked = {"edits": PICTURED, "view": "front"}
    svg = api.client.post(f"/api/jobs/{job}/plan", json=asked).json()["board"]["svg"]
    href = re.search(r'<image href="([^"]+)"', svg)[1].replace("&amp;", "&")
    shown = api.client.get(href)
    assert shown.status_code == 200, shown.text
    assert shown.headers["content-type"] == "image/jpeg"
    compared = api.client.post(f"/api/jobs/{job}/compare", json={"edits": PICTURED}).json()
    assert "<image" in next(c for c in compared if c["picked"])["front"]
    whole, crossed = "corners=0,0,1,0,1,1,0,1", "corners=0,0,1,1,1,0,0,1"
    for bad in (f"{whole[:-2]}&ratio=1", f"{crossed}&ratio=1", f"{whole}&ratio=0"):
        assert api.client.get(f"/api/jobs/{job}/photos/1/squared?{bad}").status_code == 422, bad
    assert api.client.get(href.replace("photos/1", "photos/2")).status_code == 404


def test_a_drawing_that_is_fetched_carries_its_photographs(api):
    made = api.make(*PICTURED)
    job = made["id"]
    send(api, job, picture((400, 600)))
    assert 'href="data:image/jpeg;base64,' in api.client.get(f"/api/jobs/{job}/drawings/front").text
    api.client.delete(f"/api/jobs/{job}/photos/1")
    assert "<image" not in api.client.get(f"/api/jobs/{job}/drawings/front").text
