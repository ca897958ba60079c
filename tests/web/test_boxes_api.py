"""Layouts, places by hand, tables, stock, colours, papers and the cutter over HTTP."""

from collections.abc import Iterator
from uuid import uuid4

import pytest

from shadbo.core.job.job import Job
from shadbo.demo.jobs import demo_jobs
from shadbo.demo.pictures import shirt_photo
from shadbo.files import job_file
from tests.core.test_box_slips import BADGE, PHOTO, SLIPS, jersey
from tests.flat import gathered
from tests.stand_ins import Cutter

HERE = "/api/jobs"


def take_in(api, job: Job) -> int:
    params = {"edit_id": str(uuid4())}
    headers = {"Content-Type": "text/plain"}
    answer = api.client.post("/api/files", params=params, content=job_file.write(job), headers=headers)
    assert answer.status_code == 201, answer.text
    return answer.json()["id"]


def demo(words: str) -> Job:
    return next(j for j in demo_jobs() if words in j.title)


def places(api, job: int) -> list[str]:
    plan = api.client.post(f"{HERE}/{job}/plan", json={"view": "front"}).json()
    sizes = next(s for s in plan["stations"] if s["name"] == "sizes")
    return [q["value"]["mm"] for q in sizes["questions"] if q["kind"] == "move"]


def test_a_proposed_layout_is_taken_with_its_edits(netloft):
    job = take_in(netloft, demo("Four coxswains"))
    found = netloft.client.post(f"{HERE}/{job}/layouts", json={}).json()
    assert len(found) >= 2
    before = places(netloft, job)
    version = netloft.client.get(f"{HERE}/{job}").json()
    assert netloft.save(version, *found[0]["edits"]).status_code == 200
    assert places(netloft, job) != before


def test_a_move_answers_with_the_edits_and_what_lines_up(netloft):
    job = take_in(netloft, gathered("shadow box", {"detail": BADGE}, {"detail": BADGE}))
    body = {"piece": "piece-2", "right": 1.0, "down": 0.0}
    moved = netloft.client.post(f"{HERE}/{job}/move", json=body).json()
    assert moved["edits"][0]["at"] == "options/shadow_box/layout/places/piece-2"
    dragged = netloft.client.post(f"{HERE}/{job}/move", json={**body, "right": 3.0, "scale": 2.0}).json()
    assert dragged["why"] == ["bottom edges in line"]
    bad = netloft.client.post(f"{HERE}/{job}/move", json={**body, "piece": "nobody"})
    assert bad.status_code == 422
    assert bad.json()["errors"][0]["at"] == "pieces/nobody"
    assert netloft.client.post(f"{HERE}/{job}/move", json={**body, "scale": 0}).status_code == 422
    assert netloft.client.post(f"{HERE}/999/move", json=body).status_code == 404


def test_a_table_of_pieces_is_shown_before_anything_is_saved(netloft):
    job = take_in(netloft, gathered("shadow box", {"detail": BADGE}))
    where = f"{HERE}/{job}/pieces/table"
    headers = {"Content-Type": "text/plain"}
    good = netloft.client.post(where, content="kind,width,height,relief\nbadge,44,44,4\n", headers=headers).json()
    assert len(places(netloft, job)) == 1, "nothing is saved by looking"
    version = netloft.client.get(f"{HERE}/{job}").json()
    assert netloft.save(version, *good["edits"]).status_code == 200
    assert len(places(netloft, job)) == 2
    bad = netloft.client.post(where, content="kind,width\nbadge,wide\n", headers=headers).json()
    assert bad["edits"] == []
    assert bad["wrong"][0]["line"] == 1


def test_stock_is_seen_saved_as_a_table_and_taken_in(netloft):
    racks = netloft.client.get("/api/stock").json()
    assert {"Mouldings", "Sheets", "Dowels"} <= {r["title"] for r in racks}
    table = netloft.client.get("/api/stock/table").text
    more = (
        table
        + "moulding,quoin-50,Quoin 50,"
        + ",".join(
            {"face_mm": "50", "height_mm": "70", "rabbet_mm": "60", "lip_mm": "9"}.get(c, "")
            for c in table.splitlines()[0].split(",")[3:]
        )
    )
    headers = {"Content-Type": "text/plain"}
    seen = netloft.client.post("/api/stock/table", content=more, headers=headers).json()
    assert (seen["saved"], seen["taken"]["wrong"]) == (False, [])
    names = [x["name"] for x in netloft.client.get("/api/stock").json()[0]["lines"]]
    assert "Quoin 50" not in names
    saved = netloft.client.post("/api/stock/table", params={"save": True}, content=more, headers=headers).json()
    assert saved["saved"]
    names = [x["name"] for x in netloft.client.get("/api/stock").json()[0]["lines"]]
    assert "Quoin 50" in names
    sheet = netloft.client.get("/api/stock/table.xlsx").content
    text = netloft.client.post("/api/stock/text", content=sheet).json()["text"]
    again = netloft.client.post("/api/stock/table", content=text, headers=headers).json()["taken"]
    assert again["wrong"] == []
    assert any(row["says"].startswith("Quoin 50") for row in again["rows"])
    none = netloft.client.post("/api/stock/text", content=b"no spreadsheet at all")
    assert none.status_code == 422
    assert "save it as one, or as CSV" in none.json()["detail"]
    bad = netloft.client.post("/api/stock/table", params={"save": True}, content="type,id\n", headers=headers).json()
    assert not bad["saved"]
    assert [x["name"] for x in netloft.client.get("/api/stock").json()[0]["lines"]] == names


def test_colours_of_a_photograph_offer_the_mats_that_the_display_takes(netloft):
    job = take_in(netloft, demo("winning eight"))
    params = {"edit_id": str(uuid4()), "name": "shirt"}
    netloft.client.post(f"{HERE}/{job}/photos", params=params, content=shirt_photo())
    found = netloft.client.get(f"{HERE}/{job}/photos/1/colours").json()
    assert len(found) == 2
    first = found[0]["mats"][0]
    assert "night watch blue" in first["near"]["name"]
    assert first["outer"][0]["at"] == "options/jersey_box/mat"
    version = netloft.client.get(f"{HERE}/{job}").json()
    assert netloft.save(version, *first["inner"]).status_code == 200
    red = netloft.client.get(f"{HERE}/{job}/photos/1/colour", params={"x": 0.5, "y": 0.385}).json()
    assert "buoy red" in red["mats"][0]["near"]["name"]
    assert netloft.client.get(f"{HERE}/{job}/photos/1/colour", params={"x": 2, "y": 0}).status_code == 422
    assert netloft.client.get(f"{HERE}/{job}/photos/9/colours").status_code == 404


def test_papers_are_listed_and_each_can_be_had(netloft):
    job = take_in(netloft, jersey({"detail": PHOTO}))
    listed = netloft.client.get(f"{HERE}/{job}/papers").json()
    assert {p["name"] for p in listed} >= {"work-sheet.pdf", "templates.pdf", "mats.pdf", "cut.dxf", "mat.svg"}
    for name, start in (("mats.pdf", b"%PDF"), ("cut.dxf", b"  0"), ("cut-list.xlsx", b"PK"), ("mat.svg", b"<svg")):
        answer = netloft.client.get(f"{HERE}/{job}/papers/{name}", params={"page": "letter"})
        assert answer.status_code == 200
        assert answer.content.startswith(start)
        assert f"job-{job}-{name}" in answer.headers["content-disposition"]
    assert netloft.client.get(f"{HERE}/{job}/papers/poem.pdf").status_code == 404
    assert netloft.client.get(f"{HERE}/{job}/papers/mats.pdf", params={"page": "a3"}).status_code == 422
    plain = take_in(netloft, gathered("shadow box", {"detail": BADGE}))
    assert netloft.client.get(f"{HERE}/{plain}/papers/mats.pdf").status_code == 404


@pytest.fixture(scope="module")
def cutter() -> Iterator[Cutter]:
    with Cutter(pace=400) as running:
        yield running


def test_a_mat_is_sent_cut_and_done(netloft, cutter, monkeypatch):
    monkeypatch.setenv("SHADBO_CUTTER_URL", cutter.url)
    assert netloft.client.get("/api/cutter").json()["format"] == "shadbo-cut"
    job = take_in(netloft, jersey({"detail": PHOTO}))
    sent = netloft.client.post(f"{HERE}/{job}/cut", json={"sheet": "mat_inner"})
    assert sent.status_code == 201, sent.text
    done = cutter.wait(lambda: netloft.client.get(f"/api/cuts/{sent.json()['id']}").json(), "done")
    assert done["share"] == 1
    assert " m of cut" in done["says"]["mm"]
    assert " ft of cut" in done["says"]["inch"]


def test_what_may_not_be_cut_is_said_and_nothing_is_sent(netloft, cutter, monkeypatch):
    monkeypatch.setenv("SHADBO_CUTTER_URL", cutter.url)
    stopped = take_in(netloft, SLIPS["windows into each other"].job)
    answer = netloft.client.post(f"{HERE}/{stopped}/cut", json={"sheet": "mat"})
    assert answer.status_code == 422
    assert "not cut while something stops the job" in answer.json()["errors"][0]["message"]
    thin = take_in(netloft, SLIPS["a strip that curls"].job)
    refused = netloft.client.post(f"{HERE}/{thin}/cut", json={"sheet": "mat"})
    assert "the cutter refuses" in refused.json()["errors"][0]["message"]
    assert "mm are wanted" in refused.json()["errors"][0]["message"]
    none = take_in(netloft, gathered("shadow box", {"detail": BADGE}))
    assert "no such mat" in netloft.client.post(f"{HERE}/{none}/cut", json={"sheet": "mat"}).text


def test_a_cutter_that_is_not_there_or_is_switched_off(netloft, monkeypatch):
    monkeypatch.delenv("SHADBO_CUTTER_URL", raising=False)
    assert "No mat cutter is set up" in netloft.client.get("/api/cutter").text
    monkeypatch.setenv("SHADBO_CUTTER_URL", "http://127.0.0.1:9")
    off = netloft.client.get("/api/cutter")
    assert off.status_code == 503
    assert "switched on" in off.text
    assert netloft.client.get("/api/cuts/..%2F..").status_code == 404


def test_a_stopped_cut_says_where(netloft, monkeypatch):
    with Cutter(pace=1) as slow:
        monkeypatch.setenv("SHADBO_CUTTER_URL", slow.url)
        job = take_in(netloft, jersey())
        sent = netloft.client.post(f"{HERE}/{job}/cut", json={}).json()
        stopped = netloft.client.delete(f"/api/cuts/{sent['id']}").json()
        assert stopped["state"] == "stopped"
        assert "the blade is lifted" in stopped["says"]["mm"]


def test_artwork_comes_in_from_svg_or_says_why_not(netloft):
    job = take_in(netloft, demo("Pilot cutter"))
    where, headers = f"{HERE}/{job}/artwork", {"Content-Type": "text/plain"}
    svg = '<svg xmlns="http://www.w3.org/2000/svg"><path d="M0 0h40v60z"/></svg>'
    taken = netloft.client.post(where, params={"name": "sail.svg"}, content=svg, headers=headers).json()
    assert taken["why"] == ["sail.svg: 1 outline"]
    version = netloft.client.get(f"{HERE}/{job}").json()
    assert netloft.save(version, *taken["edits"]).status_code == 200
    bad = netloft.client.post(where, content="no drawing", headers=headers)
    assert bad.status_code == 422
    assert "no SVG drawing" in bad.json()["errors"][0]["message"]
    assert netloft.client.post(f"{HERE}/999/artwork", content=svg, headers=headers).status_code == 404


def pins_of(netloft, job: int) -> list[dict]:
    plan = netloft.client.post(f"/api/jobs/{job}/plan", json={}).json()
    stations = {s["name"] for s in plan["stations"]}
    rows = []
    for name in stations:
        answer = netloft.client.post(f"/api/jobs/{job}/plan", json={"station": name}).json()
        rows += [q for s in answer["stations"] for q in s["questions"] if q["kind"] == "pin"]
    return list({q["at"]: q for q in rows}.values())


def test_everything_made_of_a_light_box_can_be_written_down(netloft):
    job = take_in(netloft, demo("lit"))
    version = netloft.client.get(f"{HERE}/{job}").json()["version"]
    rows = pins_of(netloft, job)
    assert len(rows) >= 8
    for q in rows:
        to = {"typed": q["value"]["mm"], "tool": "rule"}
        body = {"version": version, "edit_id": str(uuid4()), "edits": [{"at": q["at"], "to": to}]}
        answer = netloft.client.post(f"{HERE}/{job}/edits", json=body)
        assert answer.status_code == 200, (q["at"], answer.text)
        version = answer.json()["version"]


def test_cheaper_sheets_do_not_move_a_job_that_is_half_cut(netloft):
    job = take_in(netloft, demo("Oyster beds"))
    saved = netloft.client.get(f"{HERE}/{job}").json()
    rail = next(q for q in pins_of(netloft, job) if q["at"] == "pins/rail.width")
    edits = [{"at": rail["at"], "to": {"typed": rail["value"]["mm"], "tool": "rule"}}]
    body = {"version": saved["version"], "edit_id": str(uuid4()), "edits": edits}
    assert netloft.client.post(f"{HERE}/{job}/edits", json=body).status_code == 200

    def told() -> tuple:
        plan = netloft.client.post(f"{HERE}/{job}/plan", json={}).json()
        return plan["state"], plan["worst"], [f["title"]["mm"] for f in plan["findings"]]

    before, figures = told(), netloft.client.get(f"{HERE}/{job}/figures").text
    columns = netloft.client.get("/api/stock/table").text.splitlines()[0].split(",")
    thick = {"kind": "foam board", "thick_mm": "12", "width_mm": "2000", "height_mm": "3000", "price_per_m2": "0.01"}
    rows = [
        ",".join({"type": "sheet", "id": f"x-{kind[:4]}", "name": kind, **thick, "kind": kind}.get(c, "")
                 for c in columns)
        for kind in ("foam board", "backing", "mat")
    ]  # fmt: skip
    table = "\n".join([",".join(columns), *rows])
    done = netloft.client.post(
        "/api/stock/table", params={"save": True}, content=table, headers={"Content-Type": "text/plain"}
    ).json()
    assert done["saved"], done
    assert told() == before
    assert netloft.client.get(f"{HERE}/{job}/figures").text == figures
