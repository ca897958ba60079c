"""A shop of one's own over HTTP: habits set and taken back, things laid in, changed, retired; two at once."""

from uuid import uuid4

import pytest

from shadbo.core.shop.stock_kinds import STOCK_KINDS


def put(api, path: str, **body):
    return api.client.post(path, json={"edit_id": str(uuid4()), **body})


def habit(view: dict, name: str) -> dict:
    return next(row for group in view["groups"] for row in group["rows"] if row["name"] == name)


def wrong(answer) -> dict:
    assert answer.status_code == 422, answer.text
    return answer.json()["errors"][0]


def test_a_habit_is_tried_set_told_and_taken_back(netloft):
    view = netloft.client.get("/api/practice").json()
    border = habit(view, "mat_border_mm")
    assert (border["value"]["mm"], border["own"]) == ("65 mm", False)
    tried = netloft.client.post("/api/practice/try", json={"name": "mat_border_mm", "typed": "80"}).json()
    assert tried["now"]["mm"] != tried["then"]["mm"]
    assert habit(netloft.client.get("/api/practice").json(), "mat_border_mm")["was"] == 65, "nothing is kept of a try"
    done = put(netloft, "/api/practice", name="mat_border_mm", typed="3 in", was=65)
    assert done.status_code == 200, done.text
    now = habit(done.json(), "mat_border_mm")
    assert (now["was"], now["own"]) == (pytest.approx(76.2), True)
    changes = netloft.client.get("/api/stock/changes").json()
    assert changes[0]["says"] == "Border of a mat: 65 mm to 76.2 mm"
    netloft.client.post("/api/stock/undo", json={"version": changes[0]["version"], "edit_id": str(uuid4())})
    assert habit(netloft.client.get("/api/practice").json(), "mat_border_mm")["was"] == 65


def test_two_who_set_one_habit_at_once_see_both_values(netloft):
    assert put(netloft, "/api/practice", name="eye_height_mm", typed="1450", was=1500).status_code == 200
    late = wrong(put(netloft, "/api/practice", name="eye_height_mm", typed="1600", was=1500))
    assert late["at"] == "eye_height_mm"
    assert "1450 mm" in late["message"]
    assert late["found"] == "1600"
    other = put(netloft, "/api/practice", name="mat_border_mm", typed="70", was=65)
    assert other.status_code == 200, "another habit is not in the way"
    assert put(netloft, "/api/practice", name="eye_height_mm", typed=None, was=1450).json()
    assert habit(netloft.client.get("/api/practice").json(), "eye_height_mm")["was"] == 1500


SLIPS = [
    ("mat_border_mm", "9 m", "makes sense"),
    ("mat_border_mm", "wide", "not a length"),
    ("mat_border_mm", "20", "at least"),
    ("wire_most_kg", "heavy", "no number"),
    ("nobody", "1", "no such setting"),
    ("hanger_down_fraction", "60 %", "sense"),
]


@pytest.mark.parametrize(("name", "typed", "word"), SLIPS)
def test_what_makes_no_sense_is_refused_at_the_setting(netloft, name, typed, word):
    bad = wrong(put(netloft, "/api/practice", name=name, typed=typed, was=0 if name == "nobody" else habit(
        netloft.client.get("/api/practice").json(), name)["was"]))  # fmt: skip
    assert bad["at"] == name
    assert word in bad["message"]


def test_a_job_without_cuts_follows_a_habit_and_one_with_pins_keeps_it(netloft):
    sides = {
        "width_top": "420",
        "width_bottom": "420",
        "height_left": "297",
        "height_right": "297",
        "thickness": "0.3",
    }
    edits = [{"at": "pieces/piece/detail", "to": {"kind": "paper"}}]
    edits += [{"at": f"pieces/piece/detail/{k}", "to": {"typed": v, "tool": "rule"}} for k, v in sides.items()]
    free, cut = netloft.make(*edits), netloft.make(*edits)
    netloft.save(cut, {"at": "pins/rail.width", "to": {"typed": "577", "tool": "rule"}})
    put(netloft, "/api/practice", name="mat_border_mm", typed="80", was=65)

    def border(job: dict) -> str:
        asked = {"station": "sizes"}
        plan = netloft.client.post(f"/api/jobs/{job['id']}/plan", json=asked).json()
        rows = next(s for s in plan["stations"] if s["name"] == "sizes")["questions"]
        return next(q for q in rows if q["label"] == "Border of the mat")["value"]["mm"]

    assert border(free).startswith("80")
    assert border(cut).startswith("65")


def test_the_mark_makes_an_inch_shop(netloft):
    about = {"name": "Net & Loft", "currency": "$", "mark": "1/16 in"}
    assert put(netloft, "/api/practice/about", **about).status_code == 200
    shop = netloft.client.get("/api/shop").json()
    assert (shop["name"], shop["system"], shop["mark"]) == ("Net & Loft", "in", "1/16 in")
    assert put(netloft, "/api/practice/about", **(about | {"name": "  "})).status_code == 422
    hours = {"hours": "tue-fri 9-12, 13-18; sat 9-14", "closed": "24 dec 2026 to 2 jan 2027"}
    told = put(netloft, "/api/practice/about", **(about | hours)).json()["about"]
    assert told["hours"].startswith("Tue-Fri 9:00-12:00, 13:00-18:00")
    assert told["closed"] == "24 Dec 2026 to 2 Jan 2027"
    assert put(netloft, "/api/practice/about", **about).json()["about"]["hours"] == told["hours"], "unsaid, it stays"
    for field, typed in (("hours", "always"), ("hours", ""), ("closed", "some day")):
        answer = put(netloft, "/api/practice/about", **(about | {field: typed}))
        assert answer.status_code == 422
        assert answer.json()["errors"][0]["at"] == field
    assert put(netloft, "/api/practice/about", **(about | {"mark": "1/3 in"})).status_code == 422


MOULDING = {"name": "Lead line 28", "face_mm": "28", "height_mm": "32", "rabbet_mm": "22", "lip_mm": "7"}


def test_a_moulding_is_laid_in_changed_retired_and_offered_again(netloft):
    blank = netloft.client.get("/api/stock/item", params={"home": "frames"}).json()
    assert blank["title"] == "A new moulding"
    drawn = netloft.client.post("/api/stock/try", json={"home": "frames", "typed": MOULDING}).json()
    assert "<svg" in drawn["picture"]
    assert drawn["wrong"] == {}
    edit_id = str(uuid4())
    new = {"home": "frames", "typed": MOULDING, "edit_id": edit_id}
    first = netloft.client.post("/api/stock/item", json=new).json()
    again = netloft.client.post("/api/stock/item", json=new).json()
    assert first["id"] == again["id"] == "lead-line-28"
    racks = {r["home"]: r for r in netloft.client.get("/api/stock").json()}
    assert [x["name"] for x in racks["frames"]["lines"]].count("Lead line 28") == 1
    cheaper = put(netloft, "/api/stock/item", home="frames", id=first["id"], typed={"price_per_m": "4,20"},
                  mark=first["mark"]).json()  # fmt: skip
    price = next(b for b in cheaper["blanks"] if b["name"] == "price_per_m")
    assert price["value"]["mm"] == "4.2"
    late = wrong(
        put(netloft, "/api/stock/item", home="frames", id=first["id"], typed={"lip_mm": "6"}, mark=first["mark"])
    )
    assert "someone else changed it" in late["message"]
    assert put(netloft, "/api/stock/retire", home="frames", id=first["id"], retired=True).json()["retired"]
    line = next(x for r in netloft.client.get("/api/stock").json() for x in r["lines"] if x["id"] == first["id"])
    assert line["retired"]
    assert not put(netloft, "/api/stock/retire", home="frames", id=first["id"], retired=False).json()["retired"]
    says = [c["says"] for c in netloft.client.get("/api/stock/changes").json()]
    assert says[:4] == [
        "Lead line 28: offered again", "Lead line 28: offered no more", "Lead line 28: price a metre",
        "Lead line 28: a new moulding",
    ]  # fmt: skip


def test_what_cannot_be_is_refused_at_its_field(netloft):
    bad = wrong(put(netloft, "/api/stock/item", home="frames", typed=MOULDING | {"lip_mm": "27"}))
    assert (bad["at"], "no wall" in bad["message"]) in (("lip_mm", True), ("name", True))
    assert wrong(put(netloft, "/api/stock/item", home="frames", typed={"name": "x"}))["message"] == "is needed"
    assert put(netloft, "/api/stock/item", home="attic", typed=MOULDING).status_code == 404
    assert put(netloft, "/api/stock/retire", home="frames", id="nothing", retired=True).status_code == 404


@pytest.mark.parametrize("home", [d.home for d in STOCK_KINDS])
def test_every_kind_is_written_down_in_an_inch_shop_without_a_millimetre(netloft, home):
    racks = {r["home"]: r for r in netloft.client.get("/api/stock").json()}
    line = racks[home]["lines"][0]
    assert " mm" not in line["says"]["inch"] + line["price"]["inch"]
    item = netloft.client.get("/api/stock/item", params={"home": home, "id": line["id"], "system": "in"}).json()
    for blank in item["blanks"]:
        assert " mm" not in blank["value"]["inch"] + blank["label"]["inch"]
        assert "metre" not in blank["label"]["inch"]
    typed = {b["name"]: b["value"]["inch"] for b in item["blanks"]}
    body = {"home": home, "typed": typed | {"name": "another"}, "system": "in"}
    drawn = netloft.client.post("/api/stock/try", json=body).json()
    assert drawn["wrong"] == {}
    assert " mm" not in drawn["picture"]


FLAT_END = {"marks": [[330, 820], [873.2, 906], [931.7, 536.6], [1083.8, 560.7], [843.6, 277.7]], "home": "frames"}


def test_a_moulding_is_traced_from_the_marks_on_a_photograph(netloft):
    asked = netloft.client.get("/api/stock/tracer", params={"home": "frames"}).json()
    assert len(asked["spots"]) == 5
    body = FLAT_END | {"known": "face_mm", "typed": "32"}
    got = netloft.client.post("/api/stock/traced", json=body).json()
    assert got["typed"] == {"face_mm": "32", "height_mm": "28", "rabbet_mm": "17", "lip_mm": "7"}
    drawn = netloft.client.post("/api/stock/try", json={"home": "frames", "typed": got["typed"]}).json()
    assert "rabbet 17" in drawn["picture"]
    assert drawn["wrong"] == {"name": "is needed"}
    inches = netloft.client.post("/api/stock/traced", json=body | {"typed": "1 1/4", "system": "in"}).json()
    assert inches["typed"]["face_mm"] == "1 1/4"
    assert " mm" not in inches["remarks"][0]["inch"]


@pytest.mark.parametrize(
    ("change", "at"),
    [
        ({"typed": "wide"}, "typed"),
        ({"typed": "0"}, "typed"),
        ({"typed": "999 m"}, "typed"),
        ({"known": "price"}, "known"),
        ({"marks": FLAT_END["marks"][:4]}, "marks"),
        ({"marks": [[1, 1]] * 5}, "marks"),
        ({"marks": [[0, 0], [400, 0], [480, 250], [620, 250], [100, 400]]}, "marks"),
        ({"marks": [[1e9, 0]] * 5}, "marks/0/0"),
    ],
)
def test_marks_that_no_moulding_has_are_refused_at_their_field(netloft, change, at):
    answer = netloft.client.post("/api/stock/traced", json=FLAT_END | {"known": "face_mm", "typed": "32"} | change)
    assert answer.status_code == 422
    assert answer.json()["errors"][0]["at"].startswith(at)
    assert (
        netloft.client.post(
            "/api/stock/traced", json=FLAT_END | {"home": "sheets", "known": "x", "typed": "1"}
        ).status_code
        == 404
    )


def test_lengths_that_screws_are_sold_in_are_set_and_taken_back(netloft):
    def row(view):
        return habit(view, "screw_lengths_mm")

    was = row(netloft.client.get("/api/practice").json())
    body = {"name": "screw_lengths_mm", "typed": "15, 18; 22", "was": was["was"]}
    now = row(put(netloft, "/api/practice", **body).json())
    assert now["value"]["mm"] == "15, 18, 22 mm"
    assert "someone else set it to 15, 18, 22 mm" in wrong(put(netloft, "/api/practice", **body))["message"]
    back = put(netloft, "/api/practice", **body | {"typed": None, "was": now["was"]})
    assert row(back.json())["value"] == was["value"]
