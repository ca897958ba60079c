"""Promises of the repository that a test can keep."""

import json
import re
import struct
from pathlib import Path

import pytest

ROOT = Path(__file__).parents[1]
ADDRESS = re.compile(r"(?:[a-z][a-z+.-]*:)?//(?!127\.0\.0\.1|localhost)[\w-]+(?:\.[\w-]+)+", re.I)
SETTINGS = [
    *sorted((ROOT / "requirements").iterdir()),
    *(ROOT / "frontend" / n for n in ("package.json", "package-lock.json", ".npmrc", "biome.json", "tsconfig.json")),
    ROOT / "frontend/vite.config.ts",
    ROOT / "pyproject.toml",
    *sorted(p for p in (ROOT / "script").rglob("*") if p.is_file()),
]


@pytest.mark.parametrize("path", SETTINGS, ids=lambda p: str(p.relative_to(ROOT)))
def test_no_address_stands_in_a_lock_file_or_a_setting(path: Path):
    """Where packages come from is each machine's own choice."""
    assert ADDRESS.findall(path.read_text()) == []


@pytest.mark.parametrize("text", ["https://packages.example.org/simple", "git+ssh://example.org/x", "//example.org"])
def test_the_guard_knows_an_address(text: str):
    assert ADDRESS.search(text)


def test_every_python_package_is_pinned_with_its_hashes():
    for name in ("run", "test", "node"):
        text = (ROOT / f"requirements/{name}.lock").read_text()
        pins = re.findall(r"^([a-z0-9][\w.\-]*(?:\[[\w,]+\])?)==", text, re.M)
        assert pins
        assert text.count("--hash=sha256:") >= len(pins)


def test_run_and_test_agree_on_versions():
    def pins(name: str) -> dict[str, str]:
        text = (ROOT / f"requirements/{name}.lock").read_text()
        return dict(re.findall(r"^([\w.\-]+)(?:\[[\w,]+\])?==([\w.]+)", text, re.M))

    run, test = pins("run"), pins("test")
    assert {n: v for n, v in run.items() if test.get(n) != v} == {}


def test_every_node_package_is_locked_with_its_hash():
    lock = json.loads((ROOT / "frontend/package-lock.json").read_text())
    bare = [n for n, p in lock["packages"].items() if n and not p.get("link") and "integrity" not in p]
    bundled = [n for n in bare if not lock["packages"][n].get("inBundle")]
    assert bundled == []


def test_pictures_are_few_linked_and_of_the_right_size():
    pictures = sorted((ROOT / "docs/screenshots").glob("*.png"))
    readme = (ROOT / "README.md").read_text()
    assert 0 < len(pictures) < 20
    for picture in pictures:
        assert f"docs/screenshots/{picture.name}" in readme
        width, height = struct.unpack(">II", picture.read_bytes()[16:24])
        assert (width, height) in ((1280, 800), (800, 1180))
    assert set(re.findall(r"docs/screenshots/([\w-]+\.png)", readme)) == {p.name for p in pictures}


def test_the_built_pages_fetch_nothing_from_elsewhere():
    dist = ROOT / "frontend/dist"
    assert (dist / "index.html").is_file()
    for path in [dist / "index.html", *dist.glob("assets/*.css")]:
        addresses = re.findall(r"(?:src|href|url)[=(]\s*[\"']?(https?:)?//", path.read_text())
        assert addresses == []
    assert list(dist.glob("assets/*.woff2"))


def test_the_two_commands_can_be_run():
    for name in ("script/demo", "script/test", "script/setup", "script/bench", ".ci/run"):
        path = ROOT / name
        assert path.stat().st_mode & 0o111
        assert path.read_text().startswith("#!/usr/bin/env bash")
    assert "script/test" in (ROOT / ".ci/run").read_text()
