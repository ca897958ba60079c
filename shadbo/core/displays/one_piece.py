"""What displays that show one piece share."""

from shadbo.core.desk import Desk
from shadbo.core.displays.base import Ask, FrameForm
from shadbo.core.pieces.measures import measures


class OnePiece:
    """A display that shows the main piece alone, and needs its readings."""

    gathers = False
    frames: FrameForm = "none"

    def asks(self, desk: Desk) -> list[Ask]:
        """Readings of the piece without which there is no plan."""
        at, detail = f"pieces/{desk.piece.id}/detail", desk.piece.detail
        return [
            Ask(f"{at}/{m.name}", m.label) for m in measures(detail) if m.needed and getattr(detail, m.name) is None
        ]
