"""What undo and redo point at, worked out from the list of revisions."""

from collections.abc import Sequence
from typing import Literal, NamedTuple

Kind = Literal["made", "edit", "undo", "redo", "back"]


class Past(NamedTuple):
    """One revision as far as undo is concerned."""

    version: int
    kind: Kind
    of_version: int | None


def undoable(history: Sequence[Past]) -> tuple[int | None, int | None]:
    """Versions that undo would take back and redo bring again. The making of the job cannot be undone."""
    done: list[int] = []
    undone: list[int] = []
    for past in history:
        if past.kind in ("edit", "back"):
            done.append(past.version)
            undone.clear()
        elif past.kind == "undo" and done:
            undone.append(done.pop())
        elif past.kind == "redo" and undone:
            done.append(undone.pop())
    return (done[-1] if done else None), (undone[-1] if undone else None)
