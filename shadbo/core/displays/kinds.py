"""The displays there are: one line each, its family and its folder. Adding one is a folder and a line here.

Only options are taken in from here, so that the job can be read before anything is built; the builds are taken
in by ``registry``.
"""

from importlib import import_module
from typing import Any

from shadbo.core.decisions.levers import Home

KINDS: tuple[str, ...] = (
    "floating.floater",
    "floating.plain_floater",
    "rabbeted.canvas_frame",
    "rabbeted.window_mat",
    "rabbeted.puzzle",
    "rabbeted.needlework",
    "rabbeted.panes",
    "rabbeted.ready_made",
    "frameless.backed",
    "frameless.poster_rails",
    "gathered.shadow_box",
    "gathered.jersey_box",
    "gathered.sash",
    "gathered.light_box",
    "gathered.pegs",
)
"""In the order in which they are offered."""


def module(kind: str, name: str) -> Any:  # noqa: ANN401
    """A module of a display's folder: its ``options`` or its ``build``."""
    return import_module(f"{__package__}.{kind}.{name}")


HOMES: tuple[Home[Any], ...] = tuple(module(kind, "options").HOME for kind in KINDS)
"""Where each display keeps its options, in the same order."""
