"""Shared: hypothesis without a clock, so that a slow machine fails nothing; garbage as the server has it.

The tests keep every core busy all the time: heavy work takes its share beside them, or it would never be done.
"""

import os
from collections.abc import Generator

import pytest
from hypothesis import settings

from shadbo.web.settle import load, settle
from shadbo.work.limits import SHARING

os.environ.setdefault(SHARING, "shared")

settings.register_profile("shop", deadline=None, max_examples=80, derandomize=True)
settings.load_profile("shop")


@pytest.hookimpl(wrapper=True)
def pytest_collection() -> Generator[None, object, object]:
    load()
    try:
        return (yield)
    finally:
        settle()


def pytest_terminal_summary(terminalreporter: pytest.TerminalReporter) -> None:
    """What a test met that was run again: it passed then, and would be forgotten."""
    for report in terminalreporter.stats.get("rerun", ()):
        terminalreporter.section(f"run again: {report.nodeid}", "_")
        terminalreporter.write_line("\n".join(report.longreprtext.splitlines()[-40:]))
