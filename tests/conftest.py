"""Shared: hypothesis without a clock, so that a slow machine fails nothing; garbage as the server has it.

The tests keep every core busy all the time: heavy work takes its share beside them, or it would never be done.
"""

import os

from hypothesis import settings

from shadbo.web.settle import load, settle
from shadbo.work.limits import SHARING

os.environ.setdefault(SHARING, "shared")

load()
settings.register_profile("shop", deadline=None, max_examples=80, derandomize=True)
settings.load_profile("shop")


def pytest_collection_finish() -> None:
    settle()
