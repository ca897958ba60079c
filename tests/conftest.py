"""Shared: hypothesis without a clock, so that a slow machine fails nothing."""

from hypothesis import settings

settings.register_profile("shop", deadline=None, max_examples=80, derandomize=True)
settings.load_profile("shop")
