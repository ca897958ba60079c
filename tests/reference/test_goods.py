"""Sheet goods and paper sizes: published densities and ISO 216; placing against a second solver and polygons."""

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from scipy.optimize import linprog
from shapely import Polygon, box

from shadbo.core.drawing.outlines import seen_of
from shadbo.core.shop.boards import KG_PER_M2_MM, SheetStock
from tests.flat import detail, job, plan, r, value


def test_glass_and_acrylic_weigh_what_the_standards_say():
    """EN 572-1: 2500 kg/m³; ISO 7823-1: 1190 kg/m³."""
    assert KG_PER_M2_MM["glass"] == 2500 / 1000
    assert KG_PER_M2_MM["acrylic"] == 1190 / 1000
    for kind, thick, mass in (("glass", 2, 1.00), ("acrylic", 3, 0.71)):
        sheet = SheetStock(id="x", name="x", kind=kind, thick_mm=thick)
        assert 0.4 * 0.5 * sheet.kg_per_m2 == pytest.approx(mass, abs=0.005)


def iso_a(n: int) -> tuple[int, int]:
    """ISO 216: A0 has an area of 1 m² and sides as 1 to √2; each next size is half, rounded down to millimetres."""
    w, h = 841, 1189
    for _ in range(n):
        w, h = h // 2, w
    return w, h


@pytest.mark.parametrize(("n", "size"), [(1, (594, 841)), (2, (420, 594)), (3, (297, 420)), (4, (210, 297))])
def test_papers_of_iso_216_in_their_windows(n: int, size: tuple[int, int]):
    assert iso_a(n) == size
    p = plan(job("window mat", detail("paper", *size, 0.3)))
    assert (value(p, "window.width"), value(p, "window.height")) == (size[0] - 8, size[1] - 8)


lean = st.floats(-2.5, 2.5)


@settings(max_examples=30)
@given(st.floats(200, 600), st.floats(200, 600), lean, lean)
def test_the_evenest_border_by_a_second_solver(w: float, h: float, dw: float, dh: float):
    """The same programme given to SciPy's own front end: no placement has a smaller largest spread."""
    p = plan(job("puzzle frame", detail("puzzle", w, h, 2, width_bottom=r(w + dw), height_right=r(h + dh))))
    s = p.desk.sheet
    sight = s["frame.sight_width"].value / 2, s["frame.sight_height"].value / 2
    ring = next(b for b in p.assembly.bodies if b.id == "piece").prisms[0].ring
    turn, dx, dy = (s[f"place.{n}"].value for n in ("turn", "right", "up"))
    back = [((x - dx) + turn * (y - dy), (y - dy) - turn * (x - dx)) for x, y in ring]
    names = ("top left", "top", "top right", "right", "bottom right", "bottom", "bottom left", "left")
    rows, bounds = [], []
    cost = [0, 0, 0, 0, 0, 0, 0, 1.0]
    for name, (x, y) in zip(names, back, strict=True):
        for side, (ox, oy), low in (("left", (-1, 0), 3), ("right", (1, 0), 3), ("top", (0, 1), 5),
                                    ("bottom", (0, -1), 5)):  # fmt: skip
            if side not in name:
                continue
            g = (sight[0] if ox else sight[1]) - ox * x - oy * y
            slope = (-ox, -oy, -(oy * x - ox * y))
            below = [-slope[0], -slope[1], -slope[2], 0, 0, 0, 0, 0]
            below[low] = 1
            above = [*slope, 0, 0, 0, 0, 0]
            above[low + 1] = -1
            rows += [below, above]
            bounds += [g, -g]
    for low in (3, 5):
        spread = [0.0] * 8
        spread[low], spread[low + 1], spread[7] = -1, 1, -1
        rows.append(spread)
        bounds.append(0)
    best = linprog(cost, A_ub=rows, b_ub=bounds, bounds=[(None, None)] * 8)
    spreads = []
    for pair in (("left", "right"), ("top", "bottom")):
        gaps = [q.value for k, q in s.named.items() if k.startswith(tuple(f"border.{x}." for x in pair))]
        spreads.append(max(gaps) - min(gaps))
    assert max(spreads) == pytest.approx(best.fun, abs=0.01)


@settings(max_examples=30)
@given(st.floats(200, 600), st.floats(200, 600), st.integers(5, 60), lean)
def test_borders_are_distances_between_polygons(w: float, h: float, margin: int, dw: float):
    """Shapely's distance from the piece to the lip is the least border that the plan names."""
    piece = detail("puzzle", w, h, 2, width_bottom=r(w + dw))
    p = plan(job("puzzle frame", piece, {"puzzle": {"margin": {"mm": margin}}}))
    sw, sh = value(p, "frame.sight_width") / 2, value(p, "frame.sight_height") / 2
    ring = Polygon(next(b for b in p.assembly.bodies if b.id == "piece").prisms[0].ring)
    sight = box(-sw, -sh, sw, sh)
    assert sight.contains(ring)
    assert sight.exterior.distance(ring) == pytest.approx(value(p, "border.least"), abs=0.05)


def test_every_part_fits_into_the_frame_it_is_cut_for():
    """Areas by a geometry library: what is drawn inside the rails lies inside the rabbet."""
    for display, what in (("window mat", "paper"), ("two-pane float", "plant"), ("needlework frame", "needlework")):
        p = plan(job(display, what))
        assert p.assembly is not None
        w, h = value(p, "frame.inside_width.middle") / 2, value(p, "frame.inside_height.middle") / 2
        whole = box(-w, -h, w, h).buffer(1e-6)
        for part in p.assembly.parts:
            if part.seen_from == ("front",):
                rings = [Polygon(x.ring) for x in seen_of(p.assembly, part, "front")]
                assert all(whole.contains(ring) for ring in rings), (display, part.id)
