"""Garbage collection and thread switching, set for a server that makes and drops a plan many times a second.

A plan goes at once when nobody has it any more; what a request makes besides has cycles here and there. Python's
collector would walk every library's objects again and again to find those; what was loaded at the start is
therefore frozen. Nothing of it goes again, so that nothing is looked for while it is loaded.

A thread that waits for the database asks for the interpreter again at every row; with the usual 5 ms
between switches it would wait behind every other request's sums.
"""

import gc
import sys


def load() -> None:
    """Collect nothing until ``settle``. Called once, before all is imported."""
    gc.disable()


def settle() -> None:
    """Freeze what is loaded, and collect in larger lots. Called once, when all is imported."""
    gc.collect()
    gc.freeze()
    gc.enable()
    gc.set_threshold(20_000, 20, 50)
    sys.setswitchinterval(0.0005)
