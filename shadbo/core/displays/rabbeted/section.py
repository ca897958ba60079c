"""The section of a rabbeted frame: as the moulding is listed, or as one that exists was read."""

from shadbo.core.desk import Desk
from shadbo.core.job.own_frame import NAME
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.sheet.units import MM
from shadbo.core.shop.boards import FrameProfile


def own_profile(desk: Desk) -> FrameProfile | None:
    """The section of a frame that exists, as it was read; None where the frame is to be made."""
    own = desk.own_frame
    if own is None or own.face is None or own.lip is None or own.rabbet is None or own.height is None:
        return None
    return FrameProfile(
        id="own-frame",
        name=NAME,
        face_mm=own.face.mm,
        height_mm=own.height.mm,
        rabbet_mm=own.rabbet.mm,
        lip_mm=own.lip.mm,
        species=own.species,
    )


def section_read(desk: Desk, profile: FrameProfile, decided: bool) -> tuple[Quantity, Quantity, Quantity, Quantity]:
    """Face, lip, height and rabbet of the moulding: as it is listed, or as a frame that exists was read."""
    s, own = desk.sheet, desk.own_frame
    lines = (
        ("profile.face", "face of the moulding", profile.face_mm, own and own.face),
        ("profile.lip", "lip", profile.lip_mm, own and own.lip),
        ("profile.height", "height of the moulding", profile.height_mm, own and own.height),
        ("profile.rabbet", "rabbet depth, as listed", profile.rabbet_mm, own and own.rabbet),
    )
    if own is not None and profile.id == "own-frame":
        face, lip, high, deep = (desk.read(key, label, reading) for key, label, _, reading in lines if reading)
        return face, lip, high, deep
    source = profile.name + ("" if decided else ", the plan's choice")
    face, lip, high, deep = (s.choose(key, label, mm, MM, source) for key, label, mm, _ in lines)
    return face, lip, high, deep
