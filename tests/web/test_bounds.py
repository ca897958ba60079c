"""What comes in from outside: foreign names and sites, bodies without end, paths that are none, odd values."""

import asyncio
import json
from concurrent.futures import ThreadPoolExecutor

import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from shadbo.web.bounds import MOST_BODY, Body, Refused
from shadbo.web.variables import HOSTS

JSON = {"Content-Type": "application/json"}


def test_another_name_for_this_address_is_refused(client, monkeypatch):
    assert client.get("/api/health", headers={"Host": "evil.test"}).status_code == 421
    assert client.get("/", headers={"Host": "evil.test:8777"}).status_code == 421
    assert client.get("/api/health", headers={"Host": "127.0.0.1:8777"}).status_code == 200
    monkeypatch.setenv(HOSTS, "workbench.lan, shop")
    assert client.get("/api/health", headers={"Host": "workbench.lan:8777"}).status_code == 200


@pytest.mark.parametrize("odd", ["[", "[::1", "a b", "", "://", "[::1]:x", "127.0.0.1:99999999", "%00"])
def test_a_name_that_cannot_be_read_is_no_name(client, odd: str):
    assert client.get("/api/health", headers={"Host": odd}).status_code in (200, 421)
    answer = client.post("/api/stock/undo", json={}, headers={"Origin": f"http://{odd}"})
    assert answer.status_code == 403


def test_another_site_may_not_write(client):
    table = {"content": "type,id,name\n", "headers": {"Content-Type": "text/plain", "Origin": "http://evil.test"}}
    assert client.post("/api/stock/table", **table).status_code == 403
    table["headers"] = {"Content-Type": "text/plain", "Sec-Fetch-Site": "cross-site"}
    assert client.post("/api/stock/table", **table).status_code == 403
    table["headers"] = {"Content-Type": "text/plain", "Origin": "http://127.0.0.1"}
    assert client.post("/api/stock/table", **table).status_code == 200
    table["headers"] = {"Content-Type": "text/plain", "Origin": "http://127.0.0.1:81"}
    assert client.post("/api/stock/table", **table).status_code == 403
    assert client.get("/api/health", headers={"Origin": "http://evil.test"}).status_code == 200


def test_a_body_that_says_it_is_too_large_is_not_read(client):
    answer = client.post("/api/jobs", headers={**JSON, "Content-Length": str(MOST_BODY + 1)}, content=b"{}")
    assert answer.status_code == 413
    assert answer.headers["Content-Type"] == "application/problem+json"


def test_a_body_that_turns_out_too_large_is_given_up(client):
    def pieces():
        for _ in range(MOST_BODY // 1_000_000 + 1):
            yield b" " * 1_000_000

    assert client.post("/api/jobs", headers=JSON, content=pieces()).status_code == 413


def test_a_body_that_does_not_come_is_given_up():
    async def never() -> dict:
        await asyncio.sleep(60)
        return {}

    async def drops() -> dict:
        await asyncio.sleep(0.04)
        return {"type": "http.request", "body": b"x", "more_body": True}

    async def read(receive, wait: float, whole: float) -> int:
        body = Body(receive, wait, whole)
        try:
            while True:
                await body()
        except Refused as bad:
            return bad.problem.status

    with ThreadPoolExecutor(1) as beside:  # this thread may have a loop of its own already
        assert beside.submit(asyncio.run, read(never, 0.05, 10)).result() == 408
        assert beside.submit(asyncio.run, read(drops, 1, 0.3)).result() == 408


@pytest.mark.parametrize("method", ["get", "post", "put", "patch", "delete"])
def test_there_is_nothing_at_other_paths_whatever_is_asked(client, method: str):
    assert getattr(client, method)("/api/nothing").status_code == 404
    assert getattr(client, method)("/api/jobs/1/nothing/more").status_code == 404


def test_another_way_of_asking_is_told_from_nothing_there(client):
    assert client.put("/api/stock").status_code == 405
    assert client.delete("/api/health").status_code == 405


@pytest.mark.parametrize("body", [
    "[" * 20_000 + "]" * 20_000,
    '{"edits":' + '{"a":' * 3000 + "1" + "}" * 3000 + "}",
    '{"edits":[1,null,"x",[]]}',
    '{"edits":',
    "[]", "null", '"x"', "1e999", "",
])  # fmt: skip
def test_a_body_that_cannot_be_understood_is_422(client, api, body: str):
    job = api.make()
    for path in ("plan", "edits", "remedies"):
        assert client.post(f"/api/jobs/{job['id']}/{path}", content=body, headers=JSON).status_code == 422


@pytest.mark.parametrize("number", [2**31, 2**63, 10**30, -1, 0])
def test_no_number_of_a_job_is_too_large_to_be_told_that_it_is_not_there(client, api, number: int):
    api.make()
    assert client.get(f"/api/jobs/{number}").status_code == 404
    assert client.get(f"/api/jobs/101/photos/{number}").status_code in (404, 422)
    body = {"edit_id": "an-edit-id", "version": number}
    assert client.post(f"/api/jobs/101/revisions/{number}", json=body).status_code in (404, 422)
    assert client.post("/api/stock/undo", json=body).status_code in (409, 422)


@pytest.mark.parametrize("odd", ["\\u0000", "\\ud800", "\\udfff\\ud800"])
@pytest.mark.parametrize("where", ["title", "x_own", "x_own in it", "a name"])
def test_signs_that_cannot_be_kept_are_refused_wherever_they_stand(client, api, odd: str, where: str):
    job = api.make()
    to = {"title": f'"a{odd}"', "x_own": f'"{odd}"', "x_own in it": f'{{"a":["{odd}"]}}', "a name": f'{{"{odd}":1}}'}
    at = "title" if where == "title" else "x_own"
    body = f'{{"version":1,"edit_id":"an-edit-id","edits":[{{"at":"{at}","to":{to[where]}}}]}}'
    assert client.post(f"/api/jobs/{job['id']}/edits", content=body, headers=JSON).status_code == 422
    assert client.get(f"/api/jobs/{job['id']}").json()["version"] == 1


@pytest.mark.parametrize("at", ["due", "pieces/piece/worth", "display", "options/floater/gap", "hanging/kind"])
def test_half_a_sign_is_refused_at_its_field(client, api, at: str):
    job = api.make()
    body = f'{{"edits":[{{"at":"{at}","to":"\\ud800"}}]}}'
    answer = client.post(f"/api/jobs/{job['id']}/plan", content=body, headers=JSON)
    assert answer.status_code == 422
    assert answer.json()["errors"][0]["at"].startswith(at.split("/")[0])


def test_a_field_of_another_programs_own_has_bounds(client, api):
    job = api.make()
    deep: object = 1
    for _ in range(40):
        deep = [deep]
    for n, value in enumerate((deep, list(range(5000)), {"a": {"b": 1}})):
        edit = {"version": 1, "edit_id": f"an-edit-{n}", "edits": [{"at": "x_own", "to": value}]}
        answer = client.post(f"/api/jobs/{job['id']}/edits", json=edit)
        assert answer.status_code == (200 if n == 2 else 422)


ODD = st.recursive(
    st.none() | st.booleans() | st.integers() | st.floats() | st.text(max_size=12),
    lambda inner: st.lists(inner, max_size=4) | st.dictionaries(st.text(max_size=8), inner, max_size=4),
    max_leaves=12,
)
PLACES = st.sampled_from([
    "title", "due", "pieces/piece/detail", "pieces/piece/detail/width_top", "display", "pins/rail.width",
    "options/floater/gap", "hanging/kind", "pieces", "practice", "materials", "x_own", "mark", "handed_over",
    "options", "pieces/piece/zones",
])  # fmt: skip


@settings(max_examples=120, suppress_health_check=[HealthCheck.function_scoped_fixture])
@given(PLACES, ODD)
def test_nothing_typed_anywhere_is_an_error_of_the_program(client, at: str, to: object):
    made = client.post("/api/jobs", json={"edit_id": f"job-{abs(hash((at, str(to)))):x}", "edits": []}).json()
    for path, more in (("plan", {}), ("edits", {"version": made["version"], "edit_id": "an-edit-id"})):
        body = json.dumps({"edits": [{"at": at, "to": to}], **more})
        answer = client.post(f"/api/jobs/{made['id']}/{path}", content=body, headers=JSON)
        assert answer.status_code in (200, 412, 422), answer.text
