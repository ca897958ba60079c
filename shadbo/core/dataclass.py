"""Dataclasses that are kept from being changed by the type checker, not while the program runs.

A plan makes some thousands of small values. To make one that Python itself refuses to change takes three to five
times as long as to make one that it would let be changed; that was a seventh of every plan. All code and all tests
are type-checked strictly, which refuses the same; ``tests/core/test_frozen.py`` also runs every demo job with values
that Python refuses to change.
"""

from collections.abc import Callable
from typing import TYPE_CHECKING

if TYPE_CHECKING:
    from dataclasses import dataclass as dataclass
else:
    import dataclasses

    def dataclass(*, frozen: bool = False, eq: bool = True, **more: bool) -> Callable[[type], type]:
        """``dataclasses.dataclass``; a frozen one compares and hashes as there, and its making is quick."""
        return dataclasses.dataclass(unsafe_hash=frozen and eq, eq=eq, **more)
