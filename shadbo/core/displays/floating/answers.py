"""What the docket says of a floater, station by station."""

from shadbo.core.desk import Desk
from shadbo.core.words.lengths import Both
from shadbo.core.words.words import Mm, both, say, sizes


def answers(desk: Desk) -> dict[str, tuple[Both, Both]]:
    """Short answers for sizes, depth, mount and parts."""
    s, mark = desk.sheet, desk.mark
    face, pad = s["face.made"], s.get("pad.made")
    word = "flush" if abs(face.value) < 0.05 else "back" if face.value > 0 else "proud"
    first = both(word) if word == "flush" else say(mark, f"{{}} {word}", Mm(abs(face.value)))
    under = say(mark, ", pad {}", pad) if pad is not None and pad.value > 0 else both(", no pad")
    if "strip.height" in s:
        under = say(mark, ", strips {}", s["strip.height"])
    deep = s["canvas.depth"].value + (pad.value if pad is not None else 0) + max(face.value, 0)
    used = min(deep, s["frame.inside_depth"].value)
    size = say(mark, "outside {}", sizes(mark, s["frame.outside_width"], s["frame.outside_height"]))
    return {
        "sizes": (say(mark, "gap {}", s["gap.wanted"]), size),
        "depth": (
            Both(first.mm + under.mm, first.inch + under.inch),
            say(mark, "{} of {} used", Mm(used), s["frame.inside_depth"]),
        ),
        "mount": (
            say(mark, "{} screws, {}", f"{s['screw.count'].value:.0f}", s["screw.length"]),
            say(mark, "screw line {}", s["screw.line"]),
        ),
        "parts": (
            say(mark, "4 rails, {}", s["rail.total"]) if "rail.total" in s else both("joined already"),
            both(""),
        ),
    }
