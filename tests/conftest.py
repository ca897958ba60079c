"""Shared: hypothesis without a clock, so that a slow machine fails nothing; garbage as the server has it."""

from hypothesis import settings

from shadbo.web.settle import settle

settings.register_profile("shop", deadline=None, max_examples=80, derandomize=True)
settings.load_profile("shop")


def pytest_collection_finish() -> None:
    settle()
