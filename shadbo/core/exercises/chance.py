"""Chance by rule: the same seed gives the same, in any process and on any machine."""

from collections.abc import Sequence
from hashlib import blake2s
from typing import TypeVar

T = TypeVar("T")


def share(seed: int, of: str) -> float:
    """A number from 0 to 1, never 1 itself.

    >>> share(7, "size") == share(7, "size"), 0 <= share(8, "size") < 1
    (True, True)
    """
    return int.from_bytes(blake2s(f"{seed} {of}".encode(), digest_size=6).digest()) / 2**48


def pick(seed: int, of: str, among: Sequence[T]) -> T:
    """One of several."""
    return among[int(share(seed, of) * len(among))]
