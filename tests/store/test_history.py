"""Undo and redo against the plain model of two stacks."""

from hypothesis import given
from hypothesis import strategies as st

from shadbo.store.history import Kind, Past, undoable


@given(st.lists(st.sampled_from(["edit", "undo", "redo", "back"]), max_size=30))
def test_two_stacks(wishes: list[Kind]):
    history = [Past(1, "made", None)]
    done: list[int] = []
    undone: list[int] = []
    for wish in wishes:
        undo, redo = undoable(history)
        assert undo == (done[-1] if done else None)
        assert redo == (undone[-1] if undone else None)
        version = history[-1].version + 1
        if wish in ("edit", "back"):
            history.append(Past(version, wish, None))
            done.append(version)
            undone.clear()
        elif wish == "undo" and undo is not None:
            history.append(Past(version, "undo", undo))
            undone.append(done.pop())
        elif wish == "redo" and redo is not None:
            history.append(Past(version, "redo", redo))
            done.append(undone.pop())


def test_the_making_of_a_job_is_not_undone():
    assert undoable([Past(1, "made", None)]) == (None, None)
    assert undoable([]) == (None, None)
