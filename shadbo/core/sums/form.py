"""The inner form of a garment: how far inside its outline it ends."""

from shadbo.core.desk import Desk
from shadbo.core.shapes.plane import Ring
from shadbo.core.shapes.polygon import offset


def form_ring(desk: Desk, item_id: str, ring: Ring) -> Ring:
    """The form's outline: inside the garment's by the practice's distance; empty where a collar is narrower."""
    try:
        return offset(ring, -desk.sheet[f"item.{item_id}.form_inside"].value)
    except ValueError:
        return ()
