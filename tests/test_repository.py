"""Promises of the repository that a test can keep."""

import json
import re
import struct
from pathlib import Path

import pytest

ROOT = Path(__file__).parents[1]
HOSTS = re.compile(r"registry\.npmjs|npmjs\.org|pypi\.org|pythonhosted|yarnpkg|deb\.debian")


@pytest.mark.parametrize(
    "path",
    ["frontend/package-lock.json", "requirements/run.lock", "requirements/test.lock", "requirements/node.lock"],
)
def test_no_registry_stands_in_a_lock_file(path: str):
    assert not HOSTS.search((ROOT / path).read_text())


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
