"""The rooms of the house: which may know which, and how large they may grow."""

import ast
import re
from functools import cache
from graphlib import TopologicalSorter
from pathlib import Path

import pytest

from bench.mutants import NAMED
from shadbo.core.job.options import Options

ROOT = Path(__file__).parents[2] / "shadbo"
FILES = sorted(p for p in ROOT.rglob("*.py") if "migrations" not in p.parts)
MAY_KNOW = {
    "core": {"core"},
    "files": {"core", "files"},
    "store": {"core", "files", "store"},
    "cutter": {"core", "cutter"},
    "gauge": {"gauge"},
    "work": {"core", "files", "store", "work"},
    "web": {"core", "files", "store", "cutter", "work", "web"},
    "demo": {"core", "files", "store", "demo"},
    "cli": {"core", "files", "store", "work", "web", "demo", "cutter", "gauge", "cli"},
}
ROOMS = (
    "dataclass", "sheet", "words", "shop", "shapes", "solids", "pieces", "layout", "decisions", "findings", "options",
    "job", "desk", "sums", "asking", "season", "build", "hang", "checks", "displays", "plan", "effects", "assess",
    "roles", "next_step", "stations", "guide", "cutting", "steps", "history", "label", "change", "advise", "drawing",
    "compare", "arranging", "settings", "schedule", "record", "learned", "exercises",
)  # fmt: skip
"""Rooms of the core: each may know those before it. ``options`` are those of the displays, wherever they lie."""
OUTSIDE_CORE = {
    "fastapi",
    "starlette",
    "sqlalchemy",
    "alembic",
    "psycopg",
    "os",
    "pathlib",
    "time",
    "random",
    "socket",
}


@cache
def imports(path: Path) -> set[str]:
    names = set()
    for node in ast.walk(ast.parse(path.read_text())):
        if isinstance(node, ast.Import):
            names |= {a.name for a in node.names}
        elif isinstance(node, ast.ImportFrom) and node.module:
            names.add(node.module)
    return names


@pytest.mark.parametrize("path", FILES, ids=lambda p: str(p.relative_to(ROOT)))
def test_arrows_point_one_way(path: Path):
    room = path.relative_to(ROOT).parts[0].removesuffix(".py")
    if room in ("__init__", "__main__"):
        return
    for name in imports(path):
        parts = name.split(".")
        if parts[0] == "shadbo" and len(parts) > 1:
            assert parts[1] in MAY_KNOW[room], f"{path.name} reaches into {name}"
        if room == "core":
            assert parts[0] not in OUTSIDE_CORE, f"the core is pure, and {path.name} imports {name}"


def core_room(module: str) -> str:
    """The room of a module of the core."""
    parts = module.split(".")[2:]
    if parts[:1] == ["displays"] and parts[-1] in ("options", "kinds"):
        return "options"
    return parts[0] if parts else ""


def test_every_room_of_the_core_knows_only_those_before_it():
    wrong = []
    for path in (ROOT / "core").rglob("*.py"):
        module = ".".join(path.relative_to(ROOT.parent).with_suffix("").parts).removesuffix(".__init__")
        here = core_room(module)
        for name in imports(path):
            there = core_room(name) if name.startswith("shadbo.core.") else ""
            if here and there and here != "job_versions" and ROOMS.index(there) > ROOMS.index(here):
                wrong.append(f"{module} knows {name}")
    assert wrong == []


def test_no_module_of_the_core_knows_itself_in_a_circle():
    files = {p: ".".join(p.relative_to(ROOT.parent).with_suffix("").parts) for p in (ROOT / "core").rglob("*.py")}
    modules = set(files.values())
    graph = {name: {x for x in imports(p) if x in modules} for p, name in files.items()}
    assert list(TopologicalSorter(graph).static_order())


def test_only_displays_know_which_display_it_is():
    homes = "|".join(Options.model_fields)
    known = re.compile(
        rf"\.display\s*(==|!=|in\b)|kind\s*(==|!=)\s*\"floater\"|options\.({homes})\b|options/({homes})\b"
    )
    for path in (ROOT / "core").rglob("*.py"):
        if "displays" in path.parts:
            continue
        for n, text in enumerate(path.read_text().splitlines(), 1):
            if "d.home.kind == job.display" in text or "d.home.kind == desk.job.display" in text:
                continue
            assert not known.search(text), f"{path}:{n}: {text.strip()}"


def test_assess_cannot_import_advise():
    for path in (ROOT / "core").rglob("*.py"):
        if path.name != "advise.py":
            assert "shadbo.core.advise" not in imports(path), path


def test_files_stay_small():
    sizes = {str(p.relative_to(ROOT)): len(p.read_text().splitlines()) for p in FILES}
    assert {name: n for name, n in sizes.items() if n > 260} == {}


def test_every_public_thing_of_the_core_says_what_it_is():
    bare = []
    for path in (ROOT / "core").rglob("*.py"):
        tree = ast.parse(path.read_text())
        if path.name != "__init__.py" and not ast.get_docstring(tree):
            bare.append(f"{path.name}")
        for node in tree.body:
            if not isinstance(node, ast.FunctionDef | ast.ClassDef) or node.name.startswith("_"):
                continue
            if not ast.get_docstring(node):
                bare.append(f"{path.name}:{node.name}")
    assert bare == []


def test_the_browser_holds_no_rule():
    """No arithmetic with millimetres and no reading of lengths in TypeScript."""
    for path in (ROOT.parent / "frontend" / "src").rglob("*.ts*"):
        text = path.read_text()
        assert "25.4" not in text, path
        assert not re.search(r"parseFloat|toFixed|Math\.(round|ceil|floor)", text), path


def test_every_error_that_is_planted_has_its_place():
    """The named errors of ``bench.mutants``: what each changes stands in its file once."""
    for mutant in NAMED:
        text = (ROOT / "core" / mutant.path).read_text(encoding="utf-8")
        assert text.count(mutant.old) == 1, mutant.name
