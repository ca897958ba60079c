"""The section of a rabbeted frame: as the moulding is listed, or as one that exists was read."""

from shadbo.core.desk import Desk
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sheet.units import MM
from shadbo.core.shop.boards import FrameProfile

Section = tuple[Quantity, Quantity, Quantity, Quantity]
LINES = (
    ("profile.face", "face of the moulding"),
    ("profile.lip", "lip"),
    ("profile.height", "height of the moulding"),
    ("profile.rabbet", "rabbet depth, as listed"),
)


def section_read(desk: Desk, profile: FrameProfile, decided: bool) -> Section:
    """Face, lip, height and rabbet, in mm: a frame that exists has the error of its readings, a listed one none."""
    own = desk.own_frame
    if own is not None:
        readings = (own.face, own.lip, own.height, own.rabbet)
        face, lip, high, deep = (
            desk.sheet.choose(key, label, profile.height_mm, MM, "not read: the rabbet, and what is usual over it")
            if reading is None
            else desk.read(key, label.removesuffix(", as listed"), reading)
            for (key, label), reading in zip(LINES, readings, strict=True)
        )
        return face, lip, high, deep
    source = profile.name + ("" if decided else ", the plan's choice")
    listed = (profile.face_mm, profile.lip_mm, profile.height_mm, profile.rabbet_mm)
    face, lip, high, deep = (
        desk.sheet.choose(key, label, mm, MM, source) for (key, label), mm in zip(LINES, listed, strict=True)
    )
    return face, lip, high, deep
