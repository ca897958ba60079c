"""The stages of the work, in the order of the trade."""

from typing import Literal

Stage = Literal["receive", "prepare", "frame", "boards", "mount", "fit", "close", "leave"]
"""What could be done now is done in this order."""
STAGES: tuple[Stage, ...] = ("receive", "prepare", "frame", "boards", "mount", "fit", "close", "leave")
STAGE_WORDS: dict[Stage, str] = {
    "receive": "Receive",
    "prepare": "Make ready",
    "frame": "The frame",
    "boards": "Panes and boards",
    "mount": "Mount",
    "fit": "Fit",
    "close": "Close",
    "leave": "Hand over",
}
