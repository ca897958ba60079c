"""No text mixes systems: whatever an inch shop reads is in inches and pounds, and a metric one's in millimetres."""

import dataclasses
import re
from collections.abc import Iterator

import pytest

from shadbo.core.advise import advise
from shadbo.core.cutting.cut_list import cut_list
from shadbo.core.drawing.board import draw, draw_ladder, views_of
from shadbo.core.next_step import next_step
from shadbo.core.shop.shop import Shop
from shadbo.core.stations import stations
from shadbo.core.words.lengths import Both, System
from shadbo.core.words.words import size_text
from shadbo.demo.jobs import demo_jobs
from shadbo.files.cut_list_file import as_csv
from shadbo.files.plan_table import as_text
from shadbo.files.work_sheet import as_html
from tests.flat import SHOP

INCH = SHOP.model_copy(update={"mark": "1/16 in"})
METRIC = re.compile(r"\b(mm|cm|kg|metres?)\b|\d ?N\b|m²|N/mm")
INCHES = re.compile(r"\d in\b(?! the)|\blbs?\b|\boz\b|\blbf\b|°F|/ ft|sq ft")
OWN = sorted({x.name for home in type(SHOP.stock).model_fields if home != "retired"
              for x in getattr(SHOP.stock, home)}, key=len, reverse=True)  # fmt: skip
SKIPPED = ("edits", "to", "at", "id", "key", "keys", "typed")


def texts(x: object) -> Iterator[Both]:
    """Every text in both systems that stands anywhere in an answer."""
    if isinstance(x, Both):
        yield x
    elif isinstance(x, str):
        yield Both(x, x)
    elif dataclasses.is_dataclass(x):
        for f in dataclasses.fields(x):
            if f.name not in SKIPPED:
                yield from texts(getattr(x, f.name))
    elif isinstance(x, tuple | list):
        for y in x:
            yield from texts(y)


def bare(text: str) -> str:
    """Without the names that the shop itself gave its things."""
    for name in OWN:
        text = text.replace(name, "…")
    return text


def drawn(svg: str) -> list[str]:
    return [re.sub("<[^>]+>", "", t) for t in re.findall(r"<text[^>]*>(.*?)</text>", svg)]


@pytest.mark.parametrize("n", range(len(demo_jobs())))
def test_an_inch_shop_reads_inches_and_a_metric_one_millimetres(n):
    job = demo_jobs()[n]
    cases: tuple[tuple[Shop, System, re.Pattern[str]], ...] = ((INCH, "in", METRIC), (SHOP, "mm", INCHES))
    for shop, system, other in cases:
        plan = advise(job, shop)
        told = [t.pick(system) for part in (stations(plan), plan.findings, next_step(plan)) for t in texts(part)]
        told += [t.pick(system) for row in cut_list(plan) for t in texts(row)]
        for view in views_of(plan):
            told += drawn(draw(plan, view, system).svg)
        told += drawn(draw_ladder(plan, system))
        papers = re.sub(r"<svg.*?</svg>|<style.*?</style>", "", as_html(plan, system), flags=re.S)
        told += re.findall(r">([^<]+)<", papers)
        told += as_csv(plan).splitlines() + as_text(plan).splitlines()
        wrong = [t for t in told if other.search(bare(t))]
        assert wrong == []


def test_no_size_of_a_list_is_nothing():
    mark = INCH.the_mark()
    assert size_text(0.3, mark, "in") == "1/64"
    assert size_text(0.05, mark, "in") == "0.002"
    assert size_text(442.5, mark, "mm") == "442.5"
