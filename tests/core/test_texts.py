"""Text follows data: no length stands in a sentence, a number comes from the practice, a code from one check."""

import ast
import re
from collections import defaultdict
from pathlib import Path
from string import Formatter
from typing import get_args

import pytest

from shadbo.core.build import facets
from shadbo.core.build.mount_table import MOUNTS
from shadbo.core.pieces.kinds import KINDS
from shadbo.core.pieces.pieces import Detail
from shadbo.core.shop.shop import Practice
from shadbo.demo.jobs import demo_jobs
from shadbo.demo.shop import demo_shop
from tests.core.test_box_slips import SLIPS as BOXES
from tests.core.test_decided_slips import SLIPS as DECIDED
from tests.core.test_flat_slips import SLIPS as FLAT
from tests.flat import boxed, detail, job, plan

CORE = Path(__file__).parents[2] / "shadbo" / "core"
FILES = sorted(p for p in CORE.rglob("*.py") if p.name not in ("lengths.py", "amounts.py"))
"""All but the grammar of lengths and weights, whose messages show how one is typed."""
LENGTH = re.compile(r"\d+(?:[.,/]\d+)?\s?(?:mm|cm|in|kg|N)\b")
STANDARD = re.compile(r"(ISO|EN|table|equation|ch\.|FPL)[ -]")


def texts(path: Path) -> list[tuple[int, str]]:
    """Every constant text of a module that is no docstring."""
    tree = ast.parse(path.read_text())
    quoted = {id(node.value) for node in ast.walk(tree) if isinstance(node, ast.Expr)}
    return [
        (node.lineno, node.value)
        for node in ast.walk(tree)
        if isinstance(node, ast.Constant) and isinstance(node.value, str) and id(node) not in quoted
    ]


@pytest.mark.parametrize("path", FILES, ids=lambda p: str(p.relative_to(CORE)))
def test_no_length_is_written_into_a_sentence(path: Path):
    lengths = [(n, t) for n, t in texts(path) if LENGTH.search(t) and not STANDARD.search(t)]
    assert [x for x in lengths if (path.name, x[1]) not in MEANT] == []


MEANT = {
    (name, text)
    for name, all_ in {
        "working.py": ("0.1 mm", "1/64 in"),
        "shop.py": ("0.5 mm",),
        "words.py": ("1/16 in", "1/64 in"),
        "writing.py": ("1/64 in",),
    }.items()
    for text in all_
}
"""Names of marks."""


@pytest.mark.parametrize("mount", MOUNTS.values(), ids=lambda m: m.id)
def test_every_place_in_a_step_is_a_length_of_the_practice(mount):
    for text in (*mount.steps, mount.care):
        for _, name, _, _ in Formatter().parse(text):
            assert name is None or name in Practice.model_fields, text


def test_every_code_of_a_finding_comes_from_one_check():
    raised = defaultdict(set)
    for path in (CORE / "checks").rglob("*.py"):
        for check in ast.parse(path.read_text()).body:
            for node in ast.walk(check):
                if not isinstance(node, ast.Call) or not node.args:
                    continue
                if getattr(node.func, "id", "") in ("Finding", "measure_again"):
                    code = node.args[0] if node.func.id == "Finding" else node.args[1]  # type: ignore[attr-defined]
                    for part in ast.walk(code):
                        if isinstance(part, ast.Constant) and isinstance(part.value, str):
                            raised[part.value].add(f"{path.name}:{getattr(check, 'name', '')}")
    assert len(raised) > 60
    assert {code: by for code, by in raised.items() if len(by) > 1} == {}


def test_every_field_of_every_facet_is_a_line_of_some_plan():
    shop = demo_shop()
    plans = [plan(one, shop=shop) for one in demo_jobs()]
    plans += [
        plan(slip.job, *slip.edits, shop=slip.shop) for slip in (*BOXES.values(), *FLAT.values(), *DECIDED.values())
    ]
    large = detail("puzzle", 2600, 900, 2)
    plans += [plan(boxed("paper", glass="left out")), plan(job("backed", large, worth="everyday"))]
    plans.append(plan(job("window mat", "paper", {"window_mat": {"strainer": True}})))
    each = {"top": 50, "right": 60, "bottom": 70, "left": 60}
    borders = {f"border_{side}": {"mm": x, "typed": f"{x}"} for side, x in each.items()}
    opening = {f"opening_{axis}": {"mm": 500, "typed": "500"} for axis in ("width", "height")}
    plans.append(plan(job("window mat", "paper", {"window_mat": borders})))
    plans.append(plan(job("two-pane float", "plant", {"panes": opening})))
    lines = {key for p in plans for key in p.desk.sheet.named}
    missing = []
    for kind in facets.Facet.__subclasses__():
        for key in kind.keys(side="ANY", start="ANY", mount="ANY", id="ANY"):
            pattern = re.compile(re.escape(key).replace("ANY", r"[\w.-]+"))
            if not any(pattern.fullmatch(line) for line in lines):
                missing.append(f"{kind.__name__}: {key}")
    assert missing == []


def test_every_kind_of_piece_has_its_home():
    kinds = {get_args(cls.model_fields["kind"].annotation)[0] for cls in get_args(get_args(Detail)[0])}
    assert kinds == set(KINDS)
    assert {mount for kind in KINDS.values() for mount in kind.mounts} <= set(MOUNTS)
