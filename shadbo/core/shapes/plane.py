"""Points and closed outlines in a plane, in millimetres."""

Dot = tuple[float, float]
Ring = tuple[Dot, ...]
Box = tuple[float, float, float, float]
"""Left, low, right, high."""
