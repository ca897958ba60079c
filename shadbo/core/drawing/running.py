"""Running distances along two edges of a board, staggered where they come close."""

from collections.abc import Mapping

from shadbo.core.drawing.scene import Dim, Scene

LANES = 3


def running_dims(
    scene: Scene, w: float, h: float, across: Mapping[float, tuple[str, str]], down: Mapping[float, tuple[str, str]]
) -> None:
    """Distances from the left and the top edge of a board of half sizes ``w`` and ``h``: text and key by mm."""
    for upright, lines in ((False, across), (True, down)):
        last, lane = -1e9, 0
        near = (0.09 * max(w, h)) if upright else 0.2 * max(w, h)
        for at in sorted(lines):
            text, key = lines[at]
            lane = lane % LANES + 1 if at - last < near else 1
            last = at
            if upright:
                end = (-w, h - at)
                scene.add(Dim((-w, h), end, text, "upright", 1 + (lane - 1) * 0.5, "low", key, "running"))
            else:
                scene.add(Dim((-w, -h), (at - w, -h), text, "across", lane, "low", key, "running"))
