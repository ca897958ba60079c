"""Who works in the demo's workshop. None has a password: the demo is unlocked."""

from shadbo.core.roles import Role

CREW: tuple[tuple[str, Role], ...] = (
    ("Hedda Sorrel", "owner"),
    ("Piran Oake", "framer"),
    ("Mabyn Thrale", "framer"),
    ("Jory Lusk", "apprentice"),
)
