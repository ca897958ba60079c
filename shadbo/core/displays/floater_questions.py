"""What the floater asks: moulding, gap, face, pads, screws, real sizes of rails and frame."""

from dataclasses import replace

from shadbo.core.assembly import Assembly
from shadbo.core.desk import Desk
from shadbo.core.findings import StationName
from shadbo.core.lengths import Both, texts
from shadbo.core.quantity import Quantity
from shadbo.core.questions import Choice, Question
from shadbo.core.rows import care, choice_row, length_row, pin_row, reading_row, told
from shadbo.core.words import Mm, both, length, say

FACES = {"recessed": "back", "flush": "flush", "proud": "proud"}


def floater_questions(desk: Desk, assembly: Assembly | None) -> dict[StationName, list[Question]]:
    """Rows by station. Before the readings are in, only what can be decided without them."""
    if assembly is None:
        return {"sizes": _gap(desk), "depth": _face(desk)}
    return {
        "display": _moulding(desk, assembly),
        "sizes": [*_gap(desk), *_sizes(desk)],
        "depth": [*_face(desk), *_pads(desk, assembly)],
        "mount": _mount(desk, assembly),
        "parts": _parts(desk, assembly),
    }


def _moulding(desk: Desk, assembly: Assembly) -> list[Question]:
    decided = desk.job.options.floater.profile
    auto = assembly.mouldings[0].profile.name if assembly.mouldings else "none in stock"
    choices = [Choice(None, "The plan chooses", both(auto), decided is None)]
    for held in assembly.mouldings:
        p = held.profile
        size = say(
            desk.mark,
            "inside {}, wall {}, ledge {} × {}",
            *map(Mm, (p.inside_depth_mm, p.wall_mm, p.ledge_mm, p.ledge_thick_mm)),
        )
        verdict = say(desk.mark, "pad {}", Mm(held.pad_mm)) if held.fits else both("; ".join(held.faults))
        price = f"{desk.shop.currency} {held.price:.2f}"
        detail = Both(f"{size.mm} · {verdict.mm} · {price}", f"{size.inch} · {verdict.inch} · {price}")
        picked = decided is not None and decided.id == p.id
        choices.append(Choice(p.model_dump(mode="json"), p.name, detail, picked, held.fits))
    if decided is not None and not any(c.picked for c in choices):
        choices.append(
            Choice(
                decided.model_dump(mode="json"),
                decided.name,
                both("kept in this job, no longer in stock"),
                True,
            )
        )
    return [
        choice_row(
            "options/floater/profile",
            "Moulding",
            choices,
            decided is not None,
            "as the rack has it",
            "profile.inside_depth",
            menu=True,
        )
    ]


def _gap(desk: Desk) -> list[Question]:
    s = desk.sheet
    planned = s.get("gap.wanted")
    return [length_row(desk, "options/floater/gap", "Gap, each side", desk.job.options.floater.gap, planned)]


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


def _face(desk: Desk) -> list[Question]:
    o, p = desk.job.options.floater, desk.practice
    school = o.face or "recessed"
    at = "options/floater/face"
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
        row = length_row(desk, "options/floater/face_by", label, o.face_by, planned)
        if o.face_by is None:
            default = p.recess_mm if school == "recessed" else p.proud_mm
            row = replace(row, value=texts(default, desk.mark))
        rows.append(row)
    return rows


def _pads(desk: Desk, assembly: Assembly) -> list[Question]:
    s, mark = desk.sheet, desk.mark
    detail, at = desk.piece.detail, f"pieces/{desk.piece.id}/detail"
    rows = [
        reading_row(desk, f"{at}/depth", "Canvas depth, bar and cloth", detail.depth, "canvas.depth"),
        told("Pad wanted", say(mark, "{}", s["pad.wanted"]), "pad.wanted"),
    ]
    pads = [p.name.removeprefix("pad, ") for p in assembly.by_role("pad")]
    names = " + ".join(dict.fromkeys(pads)) or "none"
    decided = desk.job.options.floater.pads
    choices = [Choice(None, "The plan stacks them", both(names), decided is None)]
    for stock in desk.stock.pads:
        picked = decided is not None and len(decided) == 1 and decided[0].id == stock.id
        choices.append(Choice([stock.model_dump(mode="json")], stock.name, length(stock.thick_mm, mark), picked))
    if decided is not None and not any(c.picked for c in choices):
        names = " + ".join(p.name for p in decided) or "none"
        choices.append(Choice([p.model_dump(mode="json") for p in decided], names, None, True))
    rows.append(
        choice_row("options/floater/pads", "Pads made of", choices, decided is not None, key="pad.made", menu=True)
    )
    rows.append(pin_row(desk, "pad.made", "Pad, as stacked"))
    if s["face.made"].value > 0:
        rows.append(pin_row(desk, "face.made", "Face, as it came out"))
    return rows


def _mount(desk: Desk, assembly: Assembly) -> list[Question]:
    s, o, mark = desk.sheet, desk.job.options.floater, desk.mark
    lengths = [Choice(None, "the plan's", length(s["screw.length"].value, mark), o.screw_mm is None)]
    lengths += [
        Choice(x, length(x, mark).pick(mark.system), None, o.screw_mm == x) for x in desk.practice.screw_lengths_mm
    ]
    join = assembly.joins[0]
    rows = [
        choice_row(
            "options/floater/screw_mm",
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
        length_row(desk, "options/floater/screws_apart", "Screws at most apart", o.screws_apart, s["screw.apart"]),
    ]
    first = desk.job.options.floater.screw_from_corner
    corner = s.get("screw.top.1")
    rows.append(
        length_row(
            desk,
            "options/floater/screw_from_corner",
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
    for n, op in enumerate(join.operations, 1):
        rows.append(told(f"At the drill, {n}", op))
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
    rows = [
        care("Saw: guard down, push sticks, no short piece held by hand. Opposite rails in pairs against a stop."),
        told(
            "Moulding to order",
            say(mark, "{}", s["rail.order"]),
            "rail.order",
            assembly.moulding.name if assembly.moulding else "",
        ),
        pin_row(desk, "rail.width", "Rails, top and bottom: outside"),
        pin_row(desk, "rail.height", "Rails, left and right: outside"),
    ]
    for part in assembly.by_role("pad"):
        if part.length is not None and part.width is not None:
            size = [texts(q.value, mark, q.way) for q in (part.length, part.width)]
            across = Both(" × ".join(t.mm for t in size), " × ".join(t.inch for t in size))
            rows.append(told(f"{part.count} × {part.name}", across, part.key))
    for axis, ends in (("width", ("top", "middle", "bottom")), ("height", ("left", "middle", "right"))):
        for end in ends:
            rows.append(pin_row(desk, f"frame.inside_{axis}.{end}", f"Inside {axis} as made, {end}"))
    rows.append(pin_row(desk, "frame.inside_depth", "Inside depth as made"))
    rows.append(told("Materials", f"{desk.shop.currency} {s['price.materials'].value:.2f}", "price.materials"))
    return rows
