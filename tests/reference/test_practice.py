"""Check values of the trade: common practice, no source, unless a source is named."""

import math
from itertools import pairwise

import pytest

from shadbo.core.sheet.sheet import Sheet
from shadbo.core.sheet.units import MM
from shadbo.core.shop.shop import Practice
from shadbo.core.sums.fit import frame_axis, hold
from shadbo.core.sums.square import rack
from shadbo.core.sums.weight import solid
from tests import flat
from tests.making import WORKED, canvas, job, length, plan, shop


def test_twelve_millimetres_more_give_a_gap_of_six_a_side():
    """Common practice, no source."""
    p = plan(job(canvas(w=500, h=700)))
    assert p.desk.sheet["frame.inside_width.middle"].value == 512
    assert p.desk.sheet["gap.left.middle"].value == 6


def test_square_stock_without_a_gap():
    """Common practice, no source: 300 × 400 in 18 mm square stock needs rails of 336 and 436 mm."""
    stock = WORKED.model_copy(update={"wall_mm": 18.0})
    p = plan(job(canvas(w=300, h=400)), shop(stock), length("options/floater/gap", 0))
    assert (p.desk.sheet["rail.width"].value, p.desk.sheet["rail.height"].value) == (336, 436)


def test_the_wire_hangs_a_third_down():
    """Common practice, no source."""
    s = plan().desk.sheet
    assert s["hang.down"].value / s["frame.outside_height"].value == pytest.approx(1 / 3, abs=0.001)


def test_fit_chain_of_a_rabbeted_frame():
    """Common practice, no source: package 320 × 420, allowance 3, lip 6, face 22."""
    s = Sheet()
    allowance, zero, lip, face = (s.number(n, MM) for n in (3, 0, 6, 22))
    for axis, package, rabbet, sight, outside in (("width", 320, 323, 311, 355), ("height", 420, 423, 411, 455)):
        q = s.number(package, MM)
        f = frame_axis(s, axis, q, allowance, zero, lip, face, (0.3, 0.3))
        assert (f.least.value, f.sight.value, f.outside.value) == (rabbet, sight, outside)
        held = hold(s, f, q, lip)
        assert (held.worst.value, held.hidden.value) == (3, 4.5)


def test_holds_are_recomputed_from_what_is_cut():
    s = Sheet(grid=1.0)
    package, allowance, zero, lip, face = (s.number(n, MM) for n in (320.4, 3, 0, 6, 22))
    f = frame_axis(s, "width", package, allowance, zero, lip, face, (0.3, 0.3))
    assert f.outside.value == 356
    assert hold(s, f, package, lip).worst.value == pytest.approx(6 - (324 - 320.4))


def test_a_stack_of_layers():
    """Arithmetic of a handbook page: glass 2.5, air 20 (relief 14 + 6), board 5, backing 3, fastener 2: 32.5 mm."""
    assert sum((2.5, 14 + 6, 5, 3, 2)) == 32.5
    p = flat.plan(flat.job("puzzle frame", "puzzle"))
    parts = ("glazing", "spacer", "piece", "board", "backing")
    layers = sum(flat.value(p, f"stack.{n}") for n in parts)
    assert flat.value(p, "depth.package") == pytest.approx(layers)
    assert flat.value(p, "depth.needed") == pytest.approx(layers + flat.value(p, "depth.fastener"))


def test_clips_every_150_and_wire_a_third_down():
    """Common practice, no source."""
    p = flat.plan(flat.job("canvas frame", "canvas"))
    tops = sorted(f.along.value for f in p.assembly.joins[0].fixings if f.side == "top")
    assert max(b - a for a, b in pairwise(tops)) <= 200
    assert Practice().clips_apart_mm == 150


def test_rack_from_diagonals():
    """Plane geometry: width 700, diagonals 862 and 858.5 give 2.15 mm."""
    s = Sheet()
    assert rack(s.number(700, MM), s.number(862, MM), s.number(858.5, MM)).value == pytest.approx(2.15, abs=0.002)


def test_timber_weighs_by_its_section():
    """Usual density of softwood, 450 kg/m³: 0.45 kg/m² for each millimetre. Common practice, no source."""
    s = Sheet()
    assert solid(s, "softwood", s.number(1000, MM), s.number(1000, MM), s.number(1, MM)).value == pytest.approx(0.45)


def test_defaults_of_a_shop():
    """Common practice, no source."""
    p = Practice()
    assert (p.recess_mm, p.screws_apart_mm, p.eye_height_mm, p.hardware_factor) == (3, 350, 1500, 4)
    assert [(g.up_to_mm, g.mm) for g in p.floater_gaps[:3]] == [(400, 5), (900, 6), (1500, 10)]
    assert math.isclose(p.hanger_down_fraction, 1 / 3)
