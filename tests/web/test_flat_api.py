"""Flat work over HTTP: bad input is refused at its place, nothing answers with an error of the server."""

import pytest

from shadbo.core.displays.rabbeted.window_mat.options import MatOptions
from shadbo.core.displays.registry import DISPLAYS
from shadbo.core.drawing.board import VIEWS
from tests.core.test_odd_values import ODD_ANSWERS as ODD

KINDS: tuple[str, ...] = (
    "paper",
    "puzzle",
    "needlework",
    "panel",
    "pressed plant",
    "loose canvas",
    "stretched canvas",
)
SIZED = {
    "garment": {"body_width": "48 cm", "thickness": "14"},
    "flag": {"flat_width": "880", "flat_height": "47 5/8 in", "cloth": "0.9"},
    "badge": {"relief": "4.5", "back_relief": "7"},
    "keepsake": {"depth": "2 1/4 in"},
    "plate": {"thickness": "1"},
}
KINDS += tuple(SIZED)


def readings(kind: str) -> list[dict]:
    if kind in SIZED:
        names = {"width": "300", "height": "15 3/4 in", **SIZED[kind]}
        at = "pieces/piece/detail"
        return [{"at": at, "to": {"kind": kind}}, *(reading(f"{at}/{k}", v) for k, v in names.items())]
    names = {"width_top": "300", "width_bottom": "30.1 cm", "height_left": "400", "height_right": "15 3/4 in"}
    if kind == "stretched canvas":
        names |= {"depth": "20", "bar_face": "45"}
    elif kind != "loose canvas":
        names["thickness"] = "2"
    if kind in ("loose canvas", "needlework"):
        names |= {f"margin_{side}": "90" for side in ("top", "right", "bottom", "left")}
    at = "pieces/piece/detail"
    first = {"at": at, "to": {"kind": kind}}
    return [first, *(reading(f"{at}/{k}", v) for k, v in names.items())]


def reading(at: str, typed: str) -> dict:
    return {"at": at, "to": {"typed": typed, "tool": "tape"}}


@pytest.mark.parametrize("kind", KINDS)
def test_each_kind_is_received_measured_planned_and_undone(api, kind: str):
    job = api.make()
    answer = api.save(job, *readings(kind))
    assert answer.status_code == 200, answer.text
    plan = api.client.post(f"/api/jobs/{job['id']}/plan", json={"view": "front"}).json()
    assert plan["asks"] == 0
    assert plan["board"]["svg"].startswith("<svg")
    assert plan["stations"][0]["name"] == "receive"
    advice = api.client.post(f"/api/jobs/{job['id']}/remedies", json={})
    assert advice.status_code == 200
    undone = api.client.post(f"/api/jobs/{job['id']}/undo", json={"edit_id": "undo-" + kind.replace(" ", "-")})
    assert undone.status_code == 200
    assert api.client.post(f"/api/jobs/{job['id']}/plan", json={}).json()["asks"] > 0


PAIRS = [
    (d.home.kind, kind, (n + k) // 3)
    for n, d in enumerate(DISPLAYS)
    for k, kind in enumerate(KINDS)
    if (n + k) % 3 == 0
]


@pytest.mark.parametrize(("display", "kind", "at"), PAIRS)
def test_any_display_with_any_piece_gives_a_plan(api, display: str, kind: str, at: int):
    """Every third pair, each with two of the views, so that all are asked for; the core plans every pair."""
    job = api.make(*readings(kind), {"at": "display", "to": display})
    first = 2 * at
    for view in (VIEWS[first % len(VIEWS)], VIEWS[(first + 1) % len(VIEWS)]):
        answer = api.client.post(f"/api/jobs/{job['id']}/plan", json={"view": view})
        assert answer.status_code == 200, answer.text
    assert api.client.get(f"/api/jobs/{job['id']}/figures").status_code == 200


@pytest.mark.parametrize("odd", ODD, ids=str)
def test_an_odd_value_in_an_option_is_refused_or_planned_never_an_error(api, odd: object):
    """Over HTTP for one display; the core's own tests put the same into every option of every display."""
    job = api.make(*readings("paper"), {"at": "display", "to": "window mat"})
    for field in list(MatOptions.model_fields)[:4]:
        body = {"edits": [{"at": f"options/window_mat/{field}", "to": odd}]}
        answer = api.client.post(f"/api/jobs/{job['id']}/plan", json=body)
        assert answer.status_code in (200, 422), (field, odd, answer.text)
        if answer.status_code == 422:
            wrong = answer.json()["errors"][0]
            assert wrong["at"].startswith("options/window_mat"), wrong
            assert wrong["message"]


def test_a_set_of_prints_is_received_as_one_job(api):
    job = api.make(*readings("paper"))
    second = [
        {"at": "pieces/piece-2", "to": {"detail": {"kind": "paper"}}},
        {"at": "pieces/piece-2/detail/width_top", "to": {"typed": "320", "tool": "rule"}},
    ]
    assert api.save(job, *second).status_code == 200
    plan = api.client.post(f"/api/jobs/{job['id']}/plan", json={}).json()
    measure = next(s for s in plan["stations"] if s["name"] == "measure")
    assert any(q["label"] == "Width, piece 2" for q in measure["questions"])
    assert api.client.post(f"/api/jobs/{job['id']}/plan", json={"view": "attic"}).status_code == 422
