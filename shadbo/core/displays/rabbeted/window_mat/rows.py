"""What the window mat asks before what every package asks."""

from shadbo.core.asking.questions import Choice, Question
from shadbo.core.asking.rows import choice_row, folded, length_row
from shadbo.core.desk import Desk
from shadbo.core.displays.asking import colours_row, cutter_row, sheet_row, size_text, told_line, yes_no
from shadbo.core.displays.rabbeted.window_mat.options import HOME, MatOptions
from shadbo.core.findings import StationName
from shadbo.core.words.words import Mm, say


def mat_questions(desk: Desk) -> dict[StationName, list[Question]]:
    """Window, borders, one mat or two; which mats."""
    o, s = HOME.of(desk.job), desk.sheet
    shows, borders = o.shows or "image", o.borders or "weighted"
    sizes = [
        choice_row(
            HOME.to("shows"),
            "The mat shows",
            [Choice(w, w, picked=w == shows) for w in ("image", "whole sheet", "no mat")],
            o.shows is not None,
            "over the sheet's edge, clear of it, or spacers alone and no mat",
        ),
    ]
    if shows == "no mat":
        label = "Air round the sheet, 0 for edge to edge"
        sizes.append(length_row(desk, HOME.to("margin"), label, o.margin, s.get("border.wanted")))
        return {"sizes": [*sizes, *told_line(desk, "border.least", "Least air seen round it")]}
    sizes = [
        yes_no(HOME.to("double"), "Mats", bool(o.double), o.double is not None, ("two", "one")),
        length_row(desk, HOME.to("border"), "Border of the mat", o.border, s.get("mat.border")),
        *sizes,
        length_row(desk, HOME.to("overlap"), "Mat over the sheet", o.overlap, s.get("mat.overlap"))
        if shows == "image"
        else length_row(desk, HOME.to("margin"), "Air round the sheet", o.margin, s.get("mat.margin")),
        choice_row(
            HOME.to("borders"),
            "Borders",
            [Choice(w, w, picked=w == borders) for w in ("equal", "weighted")],
            o.borders is not None,
            "weighted: a little more at the bottom",
        ),
        *folded("borders", "Borders, each side", _each_says(o), _each(desk, o)),
        yes_no(
            HOME.to("stands_off"),
            "The mat lies",
            bool(o.stands_off),
            o.stands_off is not None,
            ("on spacers, off the surface", "on the sheet"),
            "off a loose surface, so that nothing rubs it",
        ),
    ]
    if o.double:
        sizes.append(length_row(desk, HOME.to("reveal"), "Reveal of the inner mat", o.reveal, s.get("mat.reveal")))
    if "window.width" in s:
        sizes += told_line(desk, "mat.bottom_cut", "Border at the bottom, as cut")
        window = size_text(desk, s["window.width"], s["window.height"])
        from_back = say(desk.mark, "cut from the back: mirrored left to right; bevel of {}", Mm(s["stack.mat"].value))
        sizes.append(
            Question(
                id="told:window",
                kind="told",
                label="Window, innermost edge",
                value=window,
                key="window.width",
                tape="window.width",
                note=from_back,
            )
        )
    mats = desk.stock.sheets_of("mat")
    display = [sheet_row(desk, HOME.to("mat"), "Outer mat", mats, o.mat, "the first in the rack", "stack.mat")]
    if o.double:
        display.append(sheet_row(desk, HOME.to("inner_mat"), "Inner mat", mats, o.inner_mat, "the first in the rack"))
    display.append(colours_row(HOME.at))
    rows: dict[StationName, list[Question]] = {"sizes": sizes, "display": display}
    if "window.width" in s:
        rows["parts"] = [cutter_row(desk)]
    return rows


def _each(desk: Desk, o: MatOptions) -> list[Question]:
    """The border of each side by itself."""
    s = desk.sheet
    return [
        length_row(desk, HOME.to("border_top"), "Border, top", o.border_top, s.get("mat.top_cut")),
        length_row(desk, HOME.to("border_right"), "Border, right", o.border_right, s.get("mat.right_cut")),
        length_row(desk, HOME.to("border_bottom"), "Border, bottom", o.border_bottom, s.get("mat.bottom_cut")),
        length_row(desk, HOME.to("border_left"), "Border, left", o.border_left, s.get("mat.left_cut")),
    ]


def _each_says(o: MatOptions) -> str:
    own = sum(x is not None for x in (o.border_top, o.border_right, o.border_bottom, o.border_left))
    return f"{own} decided" if own else "as above"
