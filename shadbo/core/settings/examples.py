"""Jobs that show what a habit of the shop changes: one of each build, of usual sizes."""

from collections.abc import Mapping
from functools import cache
from typing import Any

from shadbo.core.job.job import Job


def _wanted(mm: float) -> dict[str, Any]:
    return {"mm": mm, "typed": f"{mm:g} mm"}


def _read(mm: float) -> dict[str, Any]:
    return _wanted(mm) | {"tool": "rule"}


def _round(kind: str, w: float, h: float, **more: Any) -> dict[str, Any]:  # noqa: ANN401
    sides = {"width_top": w, "width_bottom": w, "height_left": h, "height_right": h}
    return {"kind": kind, **{k: _read(x) for k, x in sides.items()}, **_with(more)}


def _sized(kind: str, w: float, h: float, **more: Any) -> dict[str, Any]:  # noqa: ANN401
    return {"kind": kind, "width": _read(w), "height": _read(h), **_with(more)}


def _with(more: Mapping[str, Any]) -> dict[str, Any]:
    numbers = {k: v for k, v in more.items() if isinstance(v, int | float) and not isinstance(v, bool)}
    return {k: _read(numbers[k]) if k in numbers else v for k, v in more.items()}


_CLOTH = dict.fromkeys(("margin_top", "margin_right", "margin_bottom", "margin_left"), 90)
_SASH = {"daylight_width": 486, "daylight_height": 652, "outside_width": 588, "outside_height": 772, "thickness": 40,
         "rebate": 15, "glass": 3}  # fmt: skip

EXAMPLES: dict[str, tuple[str, str, tuple[dict[str, Any], ...], dict[str, Any]]] = {
    "canvas": ("a canvas of {} × {} in a floater", "floater",
               (_round("stretched canvas", 600, 400, depth=20, bar_face=45),), {}),
    "large canvas": ("a canvas of {} × {} in a floater", "floater",
                     (_round("stretched canvas", 1000, 700, depth=20, bar_face=45),), {}),
    "plain": ("a canvas of {} × {} in plain stock", "plain floater",
              (_round("stretched canvas", 600, 400, depth=20, bar_face=45),), {}),
    "cloth": ("painted cloth of {} × {} on bars", "floater", (_round("loose canvas", 900, 600, **_CLOTH),), {}),
    "print to be made": ("a print of {} × {} on bars", "floater",
                         ({"kind": "loose canvas", "printed": True, "face_width": _wanted(900),
                           "face_height": _wanted(600)},), {}),
    "framed canvas": ("a canvas of {} × {} in a rabbeted frame", "canvas frame",
                      (_round("stretched canvas", 600, 400, depth=20, bar_face=45),), {}),
    "print": ("a print of {} × {} in a window mat", "window mat", (_round("paper", 420, 297, thickness=0.3),),
              {"window_mat": {"double": True}}),
    "pastel": ("a pastel of {} × {} in a window mat", "window mat",
               (_round("paper", 420, 297, sort="pastel", thickness=0.4),), {"window_mat": {"shows": "whole sheet"}}),
    "large print": ("a poster of {} × {} in a window mat", "window mat",
                    (_round("paper", 900, 640, thickness=0.3),), {}),
    "puzzle": ("a puzzle of {} × {}", "puzzle frame", (_round("puzzle", 480, 340, thickness=2),), {}),
    "glued puzzle": ("a puzzle of {} × {} without a frame", "backed", (_round("puzzle", 680, 480, thickness=2),), {}),
    "panes": ("a pressed plant of {} × {} between panes", "two-pane float",
              (_round("pressed plant", 210, 300, thickness=0.8),), {}),
    "needlework": ("needlework of {} × {}", "needlework frame",
                   (_round("needlework", 320, 320, thickness=1, **_CLOTH),), {}),
    "badges": ("four badges of {} × {}", "shadow box",
               tuple(_sized("badge", 44, 44, relief=4.5, back_relief=7) for _ in range(4)), {}),
    "shirt": ("a shirt of {} × {} with photographs and badges", "jersey box",
              (_sized("garment", 560, 640, body_width=440, thickness=14, sleeves="spread"),
               _sized("plate", 180, 130, thickness=0.3), _sized("badge", 60, 60, relief=3)), {}),
    "model": ("a model of {} × {} before a lit board", "light box",
              (_sized("keepsake", 330, 170, depth=58, base_depth=40, centre_up=62, stands=True),),
              {"light_box": {"letters": "TIDE"}}),
    "plane": ("a plane of {} × {} on pegs", "open frame", (_sized("keepsake", 420, 130, depth=60),), {}),
    "banner": ("a banner of {} × {} in an old sash", "sash",
               (_sized("flag", 496, 662, flat_width=880, flat_height=1210, cloth=0.9),),
               {"sash": {"sash": _with(_SASH)}}),
    "poster": ("a poster of {} × {} on rails", "poster rails", (_round("paper", 500, 700, thickness=0.25),), {}),
}  # fmt: skip


@cache
def example(id_: str) -> Job:
    """An example as a job."""
    _, display, details, options = EXAMPLES[id_]
    names = ("piece", *(f"piece-{n}" for n in range(2, len(details) + 1)))
    pieces = [{"id": i, "worth": "everyday", "detail": d} for i, d in zip(names, details, strict=True)]
    data = {"format": "shadbo-job", "version": 1, "title": id_, "pieces": pieces, "display": display}
    return Job.model_validate({**data, "options": options})


def size_of(id_: str) -> tuple[float, float]:
    """Width and height of its first piece, mm."""
    first = EXAMPLES[id_][2][0]
    wide = first.get("width") or first.get("width_top") or first["face_width"]
    high = first.get("height") or first.get("height_left") or first["face_height"]
    return wide["mm"], high["mm"]
