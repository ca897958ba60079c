"""The gauge's stand-in: each reading with its number, said again until somebody took it, whatever befalls it."""

import json
from collections.abc import Iterator

import pytest
from fastapi.testclient import TestClient
from starlette.websockets import WebSocketDisconnect

from shadbo.gauge.protocol import KEEP_S, Took
from shadbo.gauge.service import Gauge, Press, create_gauge, two_devices


@pytest.fixture
def client() -> Iterator[TestClient]:
    with TestClient(create_gauge(again_s=0.05)) as client:
        yield client


def press(client: TestClient, **more: object) -> None:
    answer = client.post("/press", json={"device": "caliper-1", "value": 41.02, **more})
    assert answer.status_code == 204


def test_a_reading_is_said_until_it_is_taken_and_then_no_more(client: TestClient):
    with client.websocket_connect("/readings") as socket:
        hello = socket.receive_json()
        assert hello["format"] == "shadbo-gauge"
        assert [d["kind"] for d in hello["devices"]] == ["caliper", "tape"]
        press(client)
        first, again = socket.receive_json(), socket.receive_json()
        assert (first["number"], again["number"]) == (1, 1)
        assert first["unit"] == "mm"
        assert again["age_ms"] >= first["age_ms"]
        socket.send_json({"say": "took", "device": "caliper-1", "number": 1})
        press(client, value=41.1)
        numbers = set()
        while 2 not in numbers:
            numbers.add(socket.receive_json()["number"])
    with client.websocket_connect("/readings") as socket:
        assert socket.receive_json()["devices"][0]["took"] == 1


def test_what_goes_wrong_on_the_way_is_told_apart_by_number_and_age(client: TestClient):
    with client.websocket_connect("/readings") as socket:
        socket.receive_json()
        press(client, how="lost")
        press(client, how="late")
        late = socket.receive_json()
        assert late["number"] == 2
        assert late["age_ms"] >= 8000
        press(client, how="nonsense")
        while "4l.0" not in (said := socket.receive_text()):
            pass
        with pytest.raises(ValueError, match="4l"):
            float(json.loads(said)["value"])


def test_a_page_of_another_host_hears_nothing(client: TestClient):
    with (
        pytest.raises(WebSocketDisconnect),
        client.websocket_connect("/readings", headers={"origin": "https://elsewhere.example"}),
    ):
        pass
    with client.websocket_connect("/readings", headers={"origin": "http://127.0.0.1:8777"}) as socket:
        assert socket.receive_json()["say"] == "hello"


def test_a_key_that_there_is_not_and_a_value_that_is_none_are_refused(client: TestClient):
    assert client.post("/press", json={"device": "spirit-level", "value": 1}).status_code == 404
    assert client.post("/press", json={"device": "tape-1", "value": -1}).status_code == 422
    assert client.post("/press", json={"device": "tape-1", "value": 1, "unit": "cubit"}).status_code == 422
    assert "press its key" in client.get("/").text


def test_after_a_minute_a_reading_is_given_up():
    now = [0.0]
    gauge = Gauge(clock=lambda: now[0], devices=two_devices())
    gauge.press(Press(device="tape-1", value=612))
    assert len(gauge.again()) == 1
    now[0] = KEEP_S + 1
    assert gauge.again() == []
    gauge.took(Took(device="tape-1", number=1))
    assert gauge.devices["tape-1"].took == 1
