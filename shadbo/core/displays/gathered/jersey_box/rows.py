"""What the jersey box asks: opening and borders, where each piece sits, mats and their colours."""

from shadbo.core.asking.questions import Choice, Question
from shadbo.core.asking.rows import choice_row, length_row, told
from shadbo.core.build.assembly import Assembly
from shadbo.core.desk import Desk
from shadbo.core.displays.asking import colours_row, cutter_row, sheet_row, size_text, told_line, yes_no
from shadbo.core.displays.gathered.jersey_box.options import HOME
from shadbo.core.displays.gathered.rows import box_rows, standing_rows
from shadbo.core.findings import StationName
from shadbo.core.sums.jersey import CORNERS
from shadbo.core.words.words import Mm, say

SEATS = ("window", "window in a notch", "notch", "on the mat")


def jersey_questions(desk: Desk, assembly: Assembly | None) -> dict[StationName, list[Question]]:
    """Rows by station."""
    o, s = HOME.of(desk.job), desk.sheet
    side = o.windows or "beside"
    sizes = [
        length_row(desk, HOME.to("margin"), "Round the garment", o.margin, s.get("layout.margin")),
        length_row(desk, HOME.to("border"), "Border of the mat", o.border, s.get("mat.border")),
        length_row(desk, HOME.to("strip"), "Strip between openings", o.strip, s.get("mat.strip")),
        length_row(desk, HOME.to("overlap"), "Mat over a photograph", o.overlap, s.get("mat.overlap")),
        length_row(desk, HOME.to("notch_room"), "Mat round a badge in its notch", o.notch_room, s.get("notch.room")),
        choice_row(
            HOME.to("windows"),
            "Windows stand",
            [Choice(w, w, picked=w == side) for w in ("beside", "below")],
            o.windows is not None,
            "of the large opening",
        ),
        yes_no(HOME.to("double"), "Mats", o.double is not False, o.double is not None, ("two", "one")),
    ]
    if o.double is not False:
        sizes.append(length_row(desk, HOME.to("reveal"), "Reveal of the inner mat", o.reveal, s.get("mat.reveal")))
    mats = desk.stock.sheets_of("mat")
    display = [
        sheet_row(desk, HOME.to("mat"), "Outer mat", mats, o.mat, "the first that is large enough", "stack.mat")
    ]
    if o.double is not False:
        display.append(sheet_row(desk, HOME.to("inner_mat"), "Inner mat", mats, o.inner_mat, "the first"))
    display.append(colours_row(HOME.at))
    own: dict[StationName, list[Question]] = {"sizes": sizes, "display": display}
    if assembly is None:
        return own
    seats = []
    sits = {x.id: x.seat for x in assembly.shown}
    for piece in desk.pieces[1:]:
        now = o.seats.get(piece.id)
        choices = [Choice(None, "the plan chooses", picked=piece.id not in o.seats)]
        choices += [Choice(w, w, picked=piece.id in o.seats and now == w) for w in SEATS]
        label = f"{piece.name or piece.id} sits in or on"
        seats.append(choice_row(f"{HOME.at}/seats/{piece.id}", label, choices, piece.id in o.seats, menu=True))
        if sits.get(piece.id) == "notch" or now in ("notch", "window in a notch"):
            corner = o.corners.get(piece.id)
            places = [Choice(None, "the plan chooses", picked=corner is None)]
            places += [Choice(c, c, picked=corner == c) for c in CORNERS]
            where = f"{piece.name or piece.id}: its corner"
            seats.append(choice_row(f"{HOME.at}/corners/{piece.id}", where, places, corner is not None, menu=True))
    opening = size_text(desk, s["opening.width"], s["opening.height"])
    back = say(desk.mark, "cut from the back: mirrored left to right; bevel of {}", Mm(s["stack.mat"].value))
    sizes += [*seats, told("Opening, innermost edge", opening, "opening.width", back)]
    sizes += standing_rows(desk, assembly, o.layout)
    own["depth"] = [
        *told_line(desk, "air.relief", "The garment stands out"),
        *told_line(desk, "front.needed", "Between glazing and mat, at least", "for what sits on the mat"),
        *told_line(desk, "behind.needed", "Behind the mat, at least"),
    ]
    own["parts"] = [cutter_row(desk)]
    return box_rows(desk, assembly, HOME.at, o, own)
