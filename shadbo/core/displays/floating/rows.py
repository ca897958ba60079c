"""What the floater asks: moulding, gap, face, pads, screws, real sizes of rails and frame."""

from dataclasses import replace
from typing import Any

from shadbo.core.asking.questions import Choice, Question
from shadbo.core.asking.rows import care, choice_row, length_row, pin_row, reading_row, told
from shadbo.core.build.assembly import Assembly
from shadbo.core.decisions.levers import Home
from shadbo.core.desk import Desk
from shadbo.core.displays.asking import join_rows, money_rows, moulding_row, told_line, yes_no
from shadbo.core.displays.floating.floater.options import HOME as FLOATER
from shadbo.core.displays.floating.options import FloatingOptions
from shadbo.core.displays.floating.plain_floater.options import HOME as PLAIN
from shadbo.core.displays.rabbeted.bench_rows import saw_care
from shadbo.core.displays.rabbeted.joints import joint_questions
from shadbo.core.findings import StationName
from shadbo.core.pieces.pieces import StretchedCanvas
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.words.lengths import Both, texts
from shadbo.core.words.words import both, length, say

FACES = {"recessed": "back", "flush": "flush", "proud": "proud"}


def floater_questions(
    desk: Desk, assembly: Assembly | None, plain: bool = False
) -> dict[StationName, list[Question]]:
    """Rows by station. Before the readings are in, only what can be decided without them."""
    if assembly is None:
        return {"sizes": _gap(desk, plain), "depth": _face(desk, plain)}
    at, options = _own(desk, plain)
    return {
        "display": [] if desk.own_frame is not None else [_moulding(desk, assembly, plain)],
        "sizes": [*_gap(desk, plain), *_sizes(desk)],
        "depth": [*_face(desk, plain), *(_strips(desk) if plain else _pads(desk, assembly))],
        "mount": _mount(desk, assembly, plain),
        "parts": [*_parts(desk, assembly), *joint_questions(desk, assembly, f"{at}/joint", options.joint)],
    }


def _own(desk: Desk, plain: bool) -> tuple[str, FloatingOptions]:
    home: Home[Any] = PLAIN if plain else FLOATER
    return home.at, home.of(desk.job)


def _moulding(desk: Desk, assembly: Assembly, plain: bool) -> Question:
    if plain:
        return moulding_row(desk, assembly, PLAIN.to("stock"), PLAIN.of(desk.job).stock, "Stock for the rails")
    return moulding_row(desk, assembly, FLOATER.to("profile"), FLOATER.of(desk.job).profile)


def _gap(desk: Desk, plain: bool) -> list[Question]:
    at, options = _own(desk, plain)
    return [length_row(desk, f"{at}/gap", "Gap, each side", options.gap, desk.sheet.get("gap.wanted"))]


def _strips(desk: Desk) -> list[Question]:
    o, at = PLAIN.of(desk.job), PLAIN.at
    return [
        *told_line(desk, "strip.wanted", "Support strip, height wanted"),
        pin_row(desk, "strip.height", "Support strip, height as cut"),
        length_row(desk, f"{at}/strip_width", "Support strip, width", o.strip_width, desk.sheet["profile.ledge"]),
        choice_row(
            f"{at}/glued",
            "Strips glued to the rails",
            [
                Choice(word, word, picked=(o.glued or "after joining") == word)
                for word in ("before mitring", "after joining")
            ],
            o.glued is not None,
            "before mitring saves measuring; after joining keeps glue off the mitres",
        ),
        yes_no(
            f"{at}/bevelled",
            "Top strips",
            bool(o.bevelled),
            o.bevelled is not None,
            ("bevelled 45°, as a cleat", "square"),
            "bevelled, the inner one hangs on a second strip screwed to the wall",
        ),
        pin_row(desk, "frame.inside_depth", "Depth in front of the strips"),
        *([pin_row(desk, "face.made", "Face, as it came out")] if desk.sheet["face.made"].value > 0 else []),
    ]


def _sizes(desk: Desk) -> list[Question]:
    s, mark = desk.sheet, desk.mark
    rows = [
        told(
            f"Inside, {axis}",
            say(mark, "{}", s[f"frame.inside_{axis}.middle"]),
            f"frame.inside_{axis}.middle",
        )
        for axis in ("width", "height")
    ]
    rows += [
        told(f"Outside, {axis}", say(mark, "{}", s[f"frame.outside_{axis}"]), f"frame.outside_{axis}")
        for axis in ("width", "height")
    ]
    rows.append(told("Least gap", say(mark, "{}", s["gap.least"]), "gap.least"))
    rows.append(told("Widest gap", say(mark, "{}", s["gap.most"]), "gap.most"))
    return rows


def _face(desk: Desk, plain: bool) -> list[Question]:
    (base, o), p = _own(desk, plain), desk.practice
    school = o.face or "recessed"
    at = f"{base}/face"
    rows = [
        choice_row(
            at,
            "Face against the frame's front edge",
            [Choice(word, label, picked=school == word) for word, label in FACES.items()],
            o.face is not None,
            key="face.wanted",
        )
    ]
    if school != "flush":
        planned = desk.sheet.get("face.wanted")
        label = "Set back by" if school == "recessed" else "Proud by"
        row = length_row(desk, f"{base}/face_by", label, o.face_by, planned)
        if o.face_by is None:
            default = p.recess_mm if school == "recessed" else p.proud_mm
            row = replace(row, value=texts(default, desk.mark))
        rows.append(row)
    return rows


def _pads(desk: Desk, assembly: Assembly) -> list[Question]:
    s, mark = desk.sheet, desk.mark
    detail, at = desk.piece.detail, f"pieces/{desk.piece.id}/detail"
    rows: list[Question] = []
    if isinstance(detail, StretchedCanvas):
        rows.append(reading_row(desk, f"{at}/depth", "Canvas depth, bar and cloth", detail.depth, "canvas.depth"))
    rows += [
        told("Pad wanted", say(mark, "{}", s["pad.wanted"]), "pad.wanted"),
    ]
    names = " + ".join(dict.fromkeys(p.name for p in assembly.pads)) or "none"
    decided = FLOATER.of(desk.job).pads
    choices = [Choice(None, "The plan stacks them", both(names), decided is None)]
    for stock in desk.stock.pads:
        picked = decided is not None and len(decided) == 1 and decided[0].id == stock.id
        choices.append(Choice([stock.model_dump(mode="json")], stock.name, length(stock.thick_mm, mark), picked))
    if decided is not None and not any(c.picked for c in choices):
        names = " + ".join(p.name for p in decided) or "none"
        choices.append(Choice([p.model_dump(mode="json") for p in decided], names, None, True))
    rows.append(
        choice_row(FLOATER.to("pads"), "Pads made of", choices, decided is not None, key="pad.made", menu=True)
    )
    rows.append(pin_row(desk, "pad.made", "Pad, as stacked"))
    if s["face.made"].value > 0:
        rows.append(pin_row(desk, "face.made", "Face, as it came out"))
    return rows


def _mount(desk: Desk, assembly: Assembly, plain: bool) -> list[Question]:
    s, mark = desk.sheet, desk.mark
    at, o = _own(desk, plain)
    lengths = [Choice(None, "the plan's", length(s["screw.length"].value, mark), o.screw_mm is None)]
    lengths += [Choice(x, length(x, mark).pick(mark.system), None, o.screw_mm == x) for x in desk.screw_lengths_mm]
    join = assembly.joins[0]
    rows = [
        choice_row(
            f"{at}/screw_mm",
            "Screws",
            lengths,
            o.screw_mm is not None,
            join.item,
            "screw.length",
            menu=True,
        ),
        told(
            "In the bar",
            say(mark, "{}", s["screw.in_bar"]),
            "screw.in_bar",
            say(mark, "{} to the cloth", s["screw.to_cloth"]),
        ),
        told("Screw line", say(mark, "{}", s["screw.line"]), "screw.line", "from the frame's outer edge"),
        length_row(desk, f"{at}/screws_apart", "Screws at most apart", o.screws_apart, s["screw.apart"]),
    ]
    first = o.screw_from_corner
    corner = s.get("screw.top.1")
    rows.append(
        length_row(
            desk,
            f"{at}/screw_from_corner",
            "First screw from the corner",
            first,
            corner,
            "" if first else "clear of keys and folds",
        )
    )
    for side in ("top", "left"):
        places = [s[k] for k in s.named if k.startswith(f"screw.{side}.")]
        both_sides = "top and bottom" if side == "top" else "left and right"
        start = "from the left, seen from behind" if side == "top" else "from the top"
        rows.append(
            told(
                f"Holes, {both_sides}",
                _list(desk, places),
                places[0].key if places else "",
                start,
            )
        )
    for side in ("left", "right", "top", "bottom"):
        rows.append(
            told(
                f"Shim, {side}",
                say(mark, "{}", s[f"shim.{side}"]),
                f"shim.{side}",
                "holds the gap while you fasten",
            )
        )
    rows += join_rows(desk, join)
    rows.append(
        care("Eye protection at the drill. Lay the canvas face down on a clean blanket, nothing under the cloth.")
    )
    return rows


def _list(desk: Desk, places: list[Quantity]) -> Both:
    said = [say(desk.mark, "{}", q) for q in places]
    return Both(
        ", ".join(t.mm.removesuffix(" mm") for t in said), ", ".join(t.inch.removesuffix(" in") for t in said)
    )


def _parts(desk: Desk, assembly: Assembly) -> list[Question]:
    s, mark = desk.sheet, desk.mark
    rows: list[Question] = []
    if "rail.width" in s:
        rows = [
            saw_care(),
            told(
                "Moulding to order",
                say(mark, "{}", s["rail.order"]),
                "rail.order",
                assembly.moulding.name if assembly.moulding else "",
            ),
            told("One frame from one stick", say(mark, "{}", s["rail.stick"]), "rail.stick", ""),
            pin_row(desk, "rail.width", "Rails, top and bottom: outside"),
            pin_row(desk, "rail.height", "Rails, left and right: outside"),
        ]
    for part in assembly.by_role("pad", "strip", "bar"):
        if part.to_cut and part.length is not None and part.width is not None:
            size = [texts(q.value, mark, q.way) for q in (part.length, part.width)]
            across = Both(" × ".join(t.mm for t in size), " × ".join(t.inch for t in size))
            rows.append(told(f"{part.count} × {part.name}", across, part.key))
    if desk.own_frame is None:
        for axis, ends in (("width", ("top", "middle", "bottom")), ("height", ("left", "middle", "right"))):
            rows += [pin_row(desk, f"frame.inside_{axis}.{end}", f"Inside {axis} as made, {end}") for end in ends]
        rows.append(pin_row(desk, "frame.inside_depth", "Inside depth as made"))
    return [*rows, *money_rows(desk)]
