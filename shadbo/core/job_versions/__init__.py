"""Migrations of the job format, each from one version to the next, on plain data."""

from collections.abc import Callable
from typing import Any

Data = dict[str, Any]
STEPS: dict[int, Callable[[Data], Data]] = {}
"""Version → the function that takes data of that version to the next. Empty while there is one version."""


def upgrade(data: Data) -> Data:
    """Data of any known version, as the newest version writes it."""
    while (step := STEPS.get(data["version"])) is not None:
        data = step(data)
    return data
