"""SVG for a cutter: millimetres, one closed path an opening, grouped by the board that it is cut out of."""

from shadbo.core.cutting.mat_lines import Mat
from shadbo.core.shapes.polygon import Ring, mirrored
from shadbo.core.words.signs import xml_text, xml_value


def _path(ring: Ring, mat: Mat) -> str:
    points = " L".join(f"{x + mat.width / 2:.3f} {mat.height / 2 - y:.3f}" for x, y in ring)
    return f"M{points} Z"


def as_cut_svg(mat: Mat, back: bool = True) -> str:
    """One mat at true size; ``back``: as it lies face down, mirrored left to right."""
    side = "from the back, mirrored" if back else "from the front"
    paths = "".join(
        f'<path id={xml_value(w.id)} class="opening" d="{_path(mirrored(w.ring) if back else w.ring, mat)}"/>'
        for w in mat.windows
    )
    w, h = f"{mat.width:.3f}", f"{mat.height:.3f}"
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" width="{w}mm" height="{h}mm" viewBox="0 0 {w} {h}">'
        f"<title>{xml_text(mat.name)}, {side}</title>"
        f'<g fill="none" stroke="#000" stroke-width="0.2"><rect id="board" class="board" width="{w}" height="{h}"/>'
        f"{paths}</g></svg>"
    )
