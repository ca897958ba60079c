"""A mat as a cutting job for the machine: face down, from the lower left corner of the board as it lies."""

from typing import Any

from shadbo.core.cutting.mat_lines import Mat
from shadbo.core.shapes.polygon import anticlockwise, mirrored


def cut_job(mat: Mat, title: str, key: str = "") -> dict[str, Any]:
    """The job as plain data, in the cutter's open format; sent again under the same key it is cut once."""
    return {
        "format": "shadbo-cut",
        "version": 1,
        "key": key,
        "title": f"{title}: {mat.name}"[:200],
        "board": {"width_mm": mat.width, "height_mm": mat.height, "thick_mm": mat.thick, "name": mat.name},
        "openings": [
            {
                "id": w.id,
                "bevelled": w.bevelled,
                "points": [
                    [round(x + mat.width / 2, 4), round(y + mat.height / 2, 4)]
                    for x, y in anticlockwise(mirrored(w.ring))
                ],
            }
            for w in mat.windows
        ],
    }
