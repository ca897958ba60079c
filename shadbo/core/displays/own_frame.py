"""A frame that exists, as it is asked for: its section by the form that a display takes, then its sizes."""

from dataclasses import replace

from shadbo.core.asking.questions import Choice, Question
from shadbo.core.asking.rows import beside, choice_row, reading_row, told
from shadbo.core.desk import Desk
from shadbo.core.displays.base import Ask, FrameForm
from shadbo.core.job.own_frame import FRONT_MM, OwnFrame
from shadbo.core.words.words import Mm, both, say

AT = "frame"
SECTION: dict[FrameForm, dict[str, str]] = {
    "rabbet": {
        "face": "face, from the front",
        "lip": "lip over the package",
        "rabbet": "rabbet, from the lip to the back",
        "height": "whole depth, front to back",
    },
    "ledge": {
        "wall": "wall, seen from the front",
        "inside_depth": "inside depth, down to the ledge",
        "ledge": "ledge, from the wall",
        "ledge_thick": "ledge, thickness",
    },
    "none": {},
}
SIZES = {
    "width_top": ("inside width, top", True),
    "width_middle": ("inside width, middle", False),
    "width_bottom": ("inside width, bottom", False),
    "height_left": ("inside height, left", True),
    "height_middle": ("inside height, middle", False),
    "height_right": ("inside height, right", False),
    "outside_width": ("outside width", False),
    "outside_height": ("outside height", False),
}
HANGERS = {
    "none": "none: new ones",
    "on its rails": "its own, on the rails",
    "on a part left out": "on a back or stand that is left out",
}
HANGER_WORDS = {"straps": "two straps", "wire": "wire", "plate": "a plate on the top rail"}


def frame_asks(desk: Desk, form: FrameForm) -> tuple[Ask, ...]:
    """Readings of a frame that exists without which there is no plan; none where it is made."""
    own = desk.job.own_frame
    if own is None or form == "none":
        return ()
    section = [(name, label) for name, label in SECTION[form].items() if name != "height"]
    needed = [*section, *((name, label) for name, (label, so) in SIZES.items() if so)]
    asks = [Ask(f"{AT}/{name}", f"frame, {label}", "display") for name, label in needed if getattr(own, name) is None]
    if own.hangs in ("straps", "wire") and own.hanger_down is None:
        asks.append(Ask(f"{AT}/hanger_down", "its hangers, below the top edge", "display"))
    return tuple(asks)


def frame_rows(desk: Desk, form: FrameForm) -> list[Question]:
    """Whether the frame is made to the piece, and what the tape says of one that exists."""
    own = desk.job.own_frame
    if form == "none" and own is None:
        return []
    read = (desk.job.frame or OwnFrame()).model_dump(mode="json", exclude_defaults=True, exclude={"used"})
    choices = [
        Choice({**read, "used": False} if read else None, "made to the piece", picked=own is None),
        Choice(read, "one that exists", picked=own is not None),
    ]
    rows = [choice_row(AT, "The frame", choices, own is not None, "bought, sent in, or joined already")]
    if own is None or form == "none":
        return rows
    for name, label in SECTION[form].items():
        now, needed = getattr(own, name), name != "height"
        row = reading_row(desk, f"{AT}/{name}", f"Frame, {label}", now, f"profile.{name}", needed)
        unread = None if needed or now else say(desk.mark, "unread: {} over the rabbet", Mm(FRONT_MM))
        rows += beside([replace(row, note=unread)]) if unread else [row]
    for name, (label, needed) in SIZES.items():
        rows.append(reading_row(desk, f"{AT}/{name}", f"Frame, {label}", getattr(own, name), _key(name), needed))
    if form == "rabbet":
        note = "where it goes in again; none: new glazing is cut"
        glass = "Frame, its own glass, thickness"
        rows += beside([reading_row(desk, f"{AT}/glass", glass, own.glass, "stack.glazing", False, note)])
    woods = [Choice(w, w, picked=own.species == w) for w in ("softwood", "hardwood", "mdf", "plywood")]
    rows.append(choice_row(f"{AT}/species", "Its wood", woods, "species" in own.model_fields_set))
    rows.append(
        choice_row(
            f"{AT}/hanger",
            "Its hangers",
            [Choice(w, label, picked=own.hanger == w) for w, label in HANGERS.items()],
            "hanger" in own.model_fields_set,
        )
    )
    if own.hangs is not None:
        choices = [Choice(k, word, picked=own.hanger_kind == k) for k, word in HANGER_WORDS.items()]
        rows.append(choice_row(f"{AT}/hanger_kind", "They are", choices, "hanger_kind" in own.model_fields_set))
        if own.hangs != "plate":
            down = own.hanger_down
            rows.append(reading_row(desk, f"{AT}/hanger_down", "… below its top edge", down, "hang.down", True))
    elif own.hanger == "on a part left out":
        rows.append(told("New hangers", both("as for a frame that is made"), "", "placed at the last station"))
    return rows


def _key(name: str) -> str:
    axis, _, place = name.partition("_")
    return f"frame.outside_{place}" if axis == "outside" else f"frame.inside_{axis}.{place}"
