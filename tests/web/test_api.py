import json
import re
import shutil
import subprocess
import sys
from pathlib import Path

import pytest
from sqlalchemy import create_engine

from shadbo.store.copies import VARIABLE as COPIES
from shadbo.store.database import VARIABLE
from shadbo.web.app import create_app
from tests.web.conftest import browser

GAP = "options/floater/gap"
FRONT = Path(__file__).parents[2] / "frontend"


def gap(typed: str, **more) -> dict:
    return {"at": GAP, "to": {"typed": typed, **more}}


def test_health_and_shop(client):
    assert client.get("/api/health").json() == {
        "status": "ok", "copies": None, "free_mb": None, "waiting": 0, "waits_s": 0}  # fmt: skip
    shop = client.get("/api/shop").json()
    assert {k: shop[k] for k in ("name", "system", "mark")} == {"name": "Workshop", "system": "mm", "mark": "0.5 mm"}
    assert "tape" in [t["tool"] for t in shop["tools"]], "what a reading may be taken with comes from the core"


def test_health_tells_of_the_newest_copy_and_the_room_for_more(client, tmp_path, monkeypatch):
    monkeypatch.setenv(COPIES, str(tmp_path))
    told = client.get("/api/health").json()
    assert told["copies"]["said"] == "no copy was made yet"
    assert told["free_mb"] == pytest.approx(shutil.disk_usage(tmp_path).free / 1e6, rel=0.2)


def test_from_nothing_to_the_cut_list(api, measured):
    job = api.make({"at": "title", "to": "Net loft at dusk"}, {"at": "owner/name", "to": "Pia"})
    empty = api.plan(job).json()
    assert (empty["state"], empty["asks"]) == ("to measure", 6)
    saved = api.save(job, *measured).json()
    assert saved["version"] == 2
    plan = api.plan(saved, view="parts").json()
    assert plan["state"] == "to cut"
    answers = {s["name"]: s["answer"]["mm"] for s in plan["stations"]}
    assert answers["parts"] == "4 rails, 2170 mm"
    assert answers["depth"] == "3 mm back, pad 5 mm"
    assert ">442<" in plan["board"]["svg"]


def test_a_live_plan_saves_nothing(api, measured):
    job = api.make(*measured)
    shown = api.plan(job, gap("8")).json()
    assert next(s for s in shown["stations"] if s["name"] == "sizes")["answer"]["mm"] == "gap 8 mm"
    again = api.plan(job).json()
    assert next(s for s in again["stations"] if s["name"] == "sizes")["answer"]["mm"] == "gap 6 mm"


def test_a_line_opens_with_its_working(api, measured):
    job = api.make(*measured)
    line = api.plan(job, open="rail.width").json()
    assert line["line"]["text"] == {"mm": "442 mm", "inch": "17 13/32 in"}
    assert [t["key"] for t in line["line"]["working"] if t["key"]] == ["inside.width", "profile.wall"]
    assert line["pin"]["at"] == "pins/rail.width"
    assert api.plan(job, open="no.such.line").json()["line"] is None


def test_remedies_come_in_a_second_request(api, measured):
    shallow = {"at": f"{GAP.rsplit('/', 1)[0]}/face", "to": "recessed"}
    job = api.make(*measured, shallow)
    deep = {"at": "pieces/piece/detail/depth", "to": {"typed": "60"}}
    pinned = {"at": "options/floater/profile", "to": api.plan(job).json() and _profile("shallow")}
    plain = api.plan(job, deep, pinned).json()
    assert plain["findings"][0]["remedies"] == []
    body = {"edits": [deep, pinned]}
    advice = api.client.post(f"/api/jobs/{job['id']}/remedies", json=body).json()
    labels = [r["label"]["mm"] for r in advice["findings"][0]["remedies"]]
    assert labels == ["Accept proud 28 mm", "deep"]
    cured = api.save(job, deep, pinned, *advice["findings"][0]["remedies"][1]["edits"]).json()
    assert api.plan(cured).json()["worst"] == "fine"


def _profile(id_: str) -> dict:
    from tests.making import DEEP, SHALLOW

    return {"shallow": SHALLOW, "deep": DEEP}[id_].model_dump(mode="json")


def test_lengths_are_read_in_the_system_that_is_shown(api, measured):
    job = api.make(*measured)
    api.save(job, gap("1/4", system="in"))
    q = _question(api.plan(job).json(), GAP)
    assert q["value"] == {"mm": "6.35", "inch": "1/4"}
    assert q["typed"] == "1/4"
    stepped = api.client.post("/api/lengths", json={"typed": "6", "system": "mm", "steps": 1}).json()
    assert stepped == {"mm": "6.5", "inch": "1/4"}
    bad = api.client.post("/api/lengths", json={"typed": "six", "system": "mm"})
    assert (bad.status_code, bad.json()["errors"][0]["at"]) == (422, "typed")


def _question(plan: dict, at: str) -> dict:
    return next(q for s in plan["stations"] for q in s["questions"] if q["at"] == at)


def test_saving_twice_is_saving_once(api):
    job = api.make()
    one = api.save(job, gap("8"), edit_id="the-same-id")
    two = api.save(job, gap("8"), edit_id="the-same-id")
    assert one.json() == two.json()
    assert one.json()["version"] == 2


def test_an_answer_that_was_lost_passes_over_nobody(api):
    """Sent again it tells the version that it made, not the newest: what others changed since is not seen by then."""
    job = api.make()
    url = f"/api/jobs/{job['id']}"
    steps = {f"{url}/edits": {"edits": [gap("8")]}, f"{url}/undo": {}, f"{url}/redo": {}, f"{url}/revisions/1": {}}
    version = 1
    for n, (path, body) in enumerate(steps.items()):
        mine = {"version": version, "edit_id": f"mine-{n}-sent", **body}
        made = api.client.post(path, json=mine).json()["version"]
        others = api.save(job, {"at": "title", "to": f"by someone else, {n}"}, version=made).json()["version"]
        assert api.client.post(path, json=mine).json()["version"] == made
        assert api.save(job, {"at": "title", "to": "mine"}, version=made).json()["clashing"] == ["title"]
        version = api.client.post(f"{url}/undo", json={"edit_id": f"theirs-{n}-off", "version": others}).json()[
            "version"
        ]


def test_going_back_passes_over_nobody_either(api):
    job = api.make()
    api.save(job, gap("8"))
    stale = api.client.post(f"/api/jobs/{job['id']}/revisions/1", json={"edit_id": "back-to-1", "version": 1})
    assert (stale.status_code, stale.json()["version"]) == (412, 2)


def test_a_stale_save_is_answered_with_the_edits_since(api):
    job = api.make()
    api.save(job, gap("8"))
    stale = api.save(job, gap("9"), {"at": "title", "to": "x"}, version=1)
    assert stale.status_code == 412
    assert stale.headers["content-type"] == "application/problem+json"
    problem = stale.json()
    assert problem["version"] == 2
    assert problem["since"] == [{"at": GAP, "to": {"typed": "8", "mm": 8.0}}]
    assert problem["clashing"] == [GAP]


def test_undo_redo_history_and_going_back(api):
    job = api.make()
    for n, typed in enumerate(("7", "8"), 1):
        api.save(job, gap(typed), version=n)
    url = f"/api/jobs/{job['id']}"
    undone = api.client.post(f"{url}/undo", json={"edit_id": "undo-one"}).json()
    assert (undone["version"], undone["can_redo"]) == (4, True)
    assert api.client.post(f"{url}/redo", json={"edit_id": "redo-one"}).json()["version"] == 5
    assert [r["kind"] for r in api.client.get(f"{url}/revisions").json()] == ["redo", "undo", "edit", "edit", "made"]
    back = api.client.post(f"{url}/revisions/1", json={"edit_id": "back-one"}).json()
    assert back["version"] == 6
    api.client.post(f"{url}/undo", json={"edit_id": "undo-two"})
    for n in range(2):
        last = api.client.post(f"{url}/undo", json={"edit_id": f"undo-more-{n}"})
    assert last.status_code == 200
    none = api.client.post(f"{url}/undo", json={"edit_id": "undo-none"})
    assert (none.status_code, none.json()["title"]) == (409, "Nothing to do")


@pytest.mark.parametrize(
    ("edit", "at", "says"),
    [
        (gap("wide"), GAP, "not a length"),
        ({"at": "nowhere", "to": 1}, "job", "not a field"),
        ({"at": "pieces/piece/detail/depth", "to": {"typed": "0"}}, "pieces/piece/detail/depth/mm", "more than 0"),
        ({"at": "title", "to": "x" * 300}, "title", "at most 200"),
        ({"at": "hanging/kind", "to": "glue"}, "hanging/kind", "wire"),
        ({"at": "due", "to": "some day"}, "due", "no day"),
        ({"at": "title", "to": "a\x00b"}, "title", "cannot be kept"),
    ],
)
def test_a_bad_edit_is_refused_at_its_place(api, edit: dict, at: str, says: str):
    job = api.make()
    for answer in (api.save(job, edit), api.plan(job, edit)):
        assert answer.status_code == 422
        assert answer.headers["content-type"] == "application/problem+json"
        wrong = answer.json()["errors"][0]
        assert wrong["at"] == at
        assert says in wrong["message"]
    assert api.client.get(f"/api/jobs/{job['id']}").json()["version"] == 1


@pytest.mark.parametrize(
    ("method", "path", "body", "status"),
    [
        ("get", "/api/jobs/999", None, 404),
        ("get", "/api/jobs/none", None, 422),
        ("get", "/api/jobs/99999999999999", None, 404),
        ("get", "/api/nothing", None, 404),
        ("post", "/api/jobs", {"edit_id": "x"}, 422),
        ("post", "/api/jobs", {"edit_id": "long-enough", "misspelt": 1}, 422),
        ("post", "/api/jobs/999/plan", {}, 404),
        ("post", "/api/jobs/999/plan", {"view": "inside"}, 422),
        ("get", "/api/jobs/999/drawings/edge", None, 404),
        ("delete", "/api/jobs", None, 405),
        ("get", "/api/jobs?words=%00", None, 200),
        ("get", "/api/jobs?words=99999999999999", None, 200),
    ],
)
def test_every_error_is_a_problem(client, method: str, path: str, body, status: int):
    answer = client.request(method, path, json=body)
    assert answer.status_code == status, answer.text
    if status != 200:
        assert answer.headers["content-type"] == "application/problem+json"
        assert {"type", "title", "status"} <= set(answer.json())
        assert answer.json()["status"] == status


def test_no_body_makes_it_fall_over(client):
    for raw in (b"", b"{", b"[]", b"null", b'{"edits": [{"at": "title", "to": NaN}]}', b"\xff", b'"\\ud800"'):
        for path in ("/api/jobs", "/api/jobs/101/plan", "/api/jobs/101/edits"):
            answer = client.post(path, content=raw, headers={"content-type": "application/json"})
            assert 400 <= answer.status_code < 500, (path, raw, answer.text)


def test_a_job_file_goes_out_and_comes_in(api, measured):
    job = api.make({"at": "title", "to": "Buoy tender"}, *measured)
    text = api.client.get(f"/api/jobs/{job['id']}/file")
    assert "attachment" in text.headers["content-disposition"]
    plain = {"content-type": "text/plain"}
    copied = api.client.post("/api/files?edit_id=copy-one", content=text.content, headers=plain)
    assert copied.status_code == 201, copied.text
    assert (copied.json()["title"], copied.json()["id"]) == ("Buoy tender", job["id"] + 1)
    bad = api.client.post("/api/files?edit_id=copy-two", content=b'{"format": "x"}', headers=plain)
    assert bad.status_code == 422
    assert bad.json()["errors"][0] == {"at": "format", "message": "expected “shadbo-job”", "found": '"x"'}


def test_figures_and_drawings_are_files(api, measured):
    job = api.make(*measured)
    csv = api.client.get(f"/api/jobs/{job['id']}/figures").text
    assert "rail.width" in csv
    svg = api.client.get(f"/api/jobs/{job['id']}/drawings/edge?system=in").text
    assert svg.startswith("<svg")
    assert "pad " in svg


def test_the_list_says_how_jobs_stand(api, measured):
    api.make({"at": "title", "to": "Plain"}, *measured)
    api.make({"at": "title", "to": "Proud"}, {"at": "options/floater/profile", "to": _profile("shallow")}, *measured)
    listed = {j["title"]: j for j in api.client.get("/api/jobs").json()["jobs"]}
    assert listed["Plain"]["worst"] == "fine"
    assert listed["Proud"]["state"] == "to solve"
    assert "proud" in listed["Proud"]["says_mm"]
    only = api.client.get("/api/jobs", params={"state": "to solve"}).json()["jobs"]
    assert [j["title"] for j in only] == ["Proud"]


def test_without_a_database_it_says_so():
    nowhere = create_engine("postgresql+psycopg://nobody@127.0.0.1:9/none", connect_args={"connect_timeout": 1})
    with browser(create_app(nowhere, unlocked=True)) as client:
        for path in ("/api/health", "/api/jobs"):
            answer = client.get(path)
            assert answer.status_code == 503
            assert answer.headers["content-type"] == "application/problem+json"


def test_pages_come_with_a_policy(client):
    page = client.get("/jobs/101")
    assert page.status_code == 200
    assert "default-src 'self'" in page.headers["content-security-policy"]
    names = re.findall(r'(?:src|href)="(/assets/[^"]+)"', page.text)
    assert names
    for name in names:
        assert client.get(name).status_code == 200
    assert client.get("/assets/none.js").status_code == 404


def test_the_generated_client_is_fresh(tmp_path: Path):
    done = subprocess.run([sys.executable, "-m", "shadbo", "openapi"], capture_output=True, text=True, check=True)
    committed = json.loads((FRONT / "openapi.json").read_text())
    assert committed == json.loads(done.stdout), "run: shadbo openapi > frontend/openapi.json"
    out = tmp_path / "schema.d.ts"
    command = [str(FRONT / "node_modules/.bin/openapi-typescript"), "openapi.json", "-o", str(out)]
    subprocess.run(command, cwd=FRONT, check=True, capture_output=True)
    assert out.read_text() == (FRONT / "src/api/schema.d.ts").read_text(), "run: npm run api, in frontend/"


def test_the_variable_is_named_when_it_is_missing(monkeypatch: pytest.MonkeyPatch):
    from shadbo.store.database import database_url

    monkeypatch.delenv(VARIABLE, raising=False)
    with pytest.raises(RuntimeError, match="script/demo"):
        database_url()


def test_the_api_has_a_page_that_fetches_nothing(client):
    page = client.get("/api/")
    assert page.headers["content-type"].startswith("text/html")
    document = client.get("/api/openapi.json").json()
    for path in document["paths"]:
        assert f"<code>{path}</code>" in page.text
    for name in document["components"]["schemas"]:
        assert f'id="{name}"' in page.text
    style = '<link rel="stylesheet" href="/api/page.css">'
    assert style in page.text
    assert "url(" not in client.get("/api/page.css").text
    text = page.text.replace(style, "")
    assert not re.findall(r"<(?:script|link|img|iframe|style)|(?:src|href)=\"(?:https?:)?//|@import|url\(", text)
