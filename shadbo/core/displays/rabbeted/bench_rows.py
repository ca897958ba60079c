"""What is taken care of at the saw, at the glass, and before the back is closed."""

from shadbo.core.asking.questions import Question
from shadbo.core.asking.rows import care, told
from shadbo.core.build.assembly import Assembly
from shadbo.core.build.closing import glazing_kinds

GLASS_DRIES_MIN = 10
"""Common practice, no source."""


def closing_rows(assembly: Assembly) -> list[Question]:
    """What is done before the piece goes down, and before the back is closed."""
    rows: list[Question] = []
    if assembly.glazed:
        kinds, cut = glazing_kinds(assembly), any(p.to_cut for p in assembly.by_role("glazing"))
        if not kinds or ("glass" in kinds and not cut):
            rows.append(care("Glass: gloves and eye protection; leave it in its frame where you can."))
        elif "glass" in kinds:
            rows.append(care("Glass: gloves and eye protection; score and snap away from you."))
        if "acrylic" in kinds:
            rows.append(care("Acrylic: eye protection; fine teeth and low speed, its film left on until the last."))
        rows.append(
            told("Before the piece goes down", f"cleaned glass dries {GLASS_DRIES_MIN} min", "", "both inner faces")
        )
    rows.append(told("Closing", "two fixings a side", "", "then look again from the front, then the rest"))
    return rows


def saw_care() -> Question:
    """What to take care of at the saw."""
    return care("Saw: guard down, push sticks, no short piece held by hand. Opposite rails in pairs against a stop.")
