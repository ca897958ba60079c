"""Cutting jobs for tests of the cutter's stand-in."""

from typing import Any


def opening(id_: str, left: float, low: float, w: float, h: float, bevelled: bool = True) -> dict[str, Any]:
    points = [[left, low], [left + w, low], [left + w, low + h], [left, low + h]]
    return {"id": id_, "bevelled": bevelled, "points": points}


def cut(*openings: dict[str, Any], width: float = 600, height: float = 400, **more: Any) -> dict[str, Any]:
    board = {"width_mm": width, "height_mm": height, "thick_mm": 1.4, "name": "mat"}
    return {
        "format": "shadbo-cut",
        "version": 1,
        "title": "a test",
        "board": board,
        "openings": list(openings),
        **more,
    }
