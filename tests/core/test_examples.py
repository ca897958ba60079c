"""The worked examples in the docstrings come out as they stand."""

import doctest
import importlib
from pathlib import Path

import pytest

import shadbo

ROOT = Path(shadbo.__file__).parent
MODULES = sorted(
    ".".join(p.relative_to(ROOT.parent).with_suffix("").parts) for p in ROOT.rglob("*.py") if ">>>" in p.read_text()
)


def test_there_are_examples():
    assert len(MODULES) > 6


@pytest.mark.parametrize("name", MODULES)
def test_examples_come_out(name: str):
    done = doctest.testmod(importlib.import_module(name))
    assert done.attempted > 0
    assert done.failed == 0
