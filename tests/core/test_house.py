"""The rooms of the house: which may know which, and how large they may grow."""

import ast
import re
from pathlib import Path

import pytest

from shadbo.core.job.options import Options

ROOT = Path(__file__).parents[2] / "shadbo"
FILES = sorted(p for p in ROOT.rglob("*.py") if "migrations" not in p.parts)
MAY_KNOW = {
    "core": {"core"},
    "files": {"core", "files"},
    "store": {"core", "files", "store"},
    "cutter": {"core", "cutter"},
    "web": {"core", "files", "store", "cutter", "web"},
    "demo": {"core", "files", "store", "demo"},
    "cli": {"core", "files", "store", "web", "demo", "cutter", "cli"},
}
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
            public = isinstance(node, ast.FunctionDef | ast.ClassDef) and not node.name.startswith("_")
            if public and not ast.get_docstring(node):
                bare.append(f"{path.name}:{node.name}")
    assert bare == []


def test_the_browser_holds_no_rule():
    """No arithmetic with millimetres and no reading of lengths in TypeScript."""
    for path in (ROOT.parent / "frontend" / "src").rglob("*.ts*"):
        text = path.read_text()
        assert "25.4" not in text, path
        assert not re.search(r"parseFloat|toFixed|Math\.(round|ceil|floor)", text), path
