"""What every rabbeted display asks: moulding, fit, layers, fixings, back; and what it tells of each."""

from shadbo.core.asking.questions import Choice, Question
from shadbo.core.asking.rows import care, choice_row, folded, length_row, pin_row, told
from shadbo.core.build.assembly import Assembly
from shadbo.core.build.mounts import said as filled
from shadbo.core.desk import Desk
from shadbo.core.displays.asking import join_rows, moulding_row, mount_row, sheet_row, size_text, told_line, yes_no
from shadbo.core.displays.rabbeted.bench_rows import closing_rows
from shadbo.core.displays.rabbeted.joints import joint_questions
from shadbo.core.displays.rabbeted.milled import milled_choices
from shadbo.core.displays.rabbeted.options import FrameOptions, GlazedOptions
from shadbo.core.displays.rabbeted.parts_rows import parts_questions
from shadbo.core.displays.rabbeted.slabs import second_of
from shadbo.core.findings import StationName
from shadbo.core.season import seasons
from shadbo.core.words.words import Mm, say

Rows = dict[StationName, list[Question]]


def package_questions(desk: Desk, assembly: Assembly, at: str, options: FrameOptions, contact: bool = True) -> Rows:
    """Rows by station for a rabbeted frame; displays add their own before them.

    ``contact``: whether the piece may be laid against the glazing at all.
    """
    return {
        "display": []
        if desk.own_frame is not None
        else [
            moulding_row(
                desk,
                assembly,
                f"{at}/profile",
                options.profile,
                others=milled_choices(desk, options.profile),
            )
        ],
        "sizes": [*_sizes(desk, at, options), *_season(desk, assembly)],
        "depth": _depth(desk, assembly, at, options, contact),
        "mount": mount_questions(desk, assembly, at),
        "parts": [
            *parts_questions(desk, assembly),
            *joint_questions(desk, assembly, f"{at}/joint", options.joint),
        ],
    }


def _outside(desk: Desk, at: str, options: FrameOptions) -> list[Question]:
    """The outside, where someone wants a size of it; none for a frame that exists."""
    s = desk.sheet
    if desk.own_frame is not None:
        return []
    decided = (options.outside_width, options.outside_height)
    rows = [
        length_row(desk, f"{at}/outside_{axis}", f"Outside, {axis}, to be", length, s.get(f"rail.{axis}"))
        for axis, length in zip(("width", "height"), decided, strict=True)
    ]
    says = "what is inside follows it" if any(decided) else "none: it follows what is inside"
    return folded("outside", "An outside that is given", says, rows)


def _sizes(desk: Desk, at: str, options: FrameOptions) -> list[Question]:
    s = desk.sheet
    sight = size_text(desk, s["frame.sight_width"], s["frame.sight_height"])
    outside = size_text(desk, s["frame.outside_width"], s["frame.outside_height"])
    rows = [
        told("Sight", sight, "frame.sight_width"),
        told("Outside", outside, "frame.outside_width"),
        *_outside(desk, at, options),
        length_row(desk, f"{at}/allowance", "Fit allowance, both sides", options.allowance, s["fit.allowance_width"]),
        *told_line(desk, "fit.worst_hold", "Least hold of the lip", "the package slid to the other side"),
        *told_line(desk, "fit.hidden_width", "Rim hidden, centred"),
        *told_line(desk, "rail.sag", "Bottom rail sags, at most", "upper bound: a stiff pane carries part of it"),
    ]
    for n, piece in enumerate(desk.job.pieces[1:], 2):
        for axis in ("width", "height"):
            other = s.get(f"set.{n}.{axis}")
            if other is not None and f"package.{axis}" in s:
                border = (s[f"package.{axis}"].value - other.value) / 2
                said = say(desk.mark, "{} from the board's edge", Mm(border))
                rows.append(
                    told(f"{piece.name or f'Piece {n}'}, {axis}", said, f"set.{n}.{axis}", "its own mat or margin")
                )
    bowed = any(abs(s[f"fit.bow_{axis}"].value) > 0.05 for axis in ("width", "height"))
    if bowed or options.strainer:
        for axis in ("width", "height"):
            rows += told_line(desk, f"fit.bow_{axis}", f"Rails bow on the {axis}")
    rows.append(
        yes_no(
            f"{at}/strainer",
            "Strainer back",
            bool(options.strainer),
            options.strainer is not None,
            ("screwed in", "none"),
            "pulls bowed rails in and stiffens the bottom rail",
        )
    )
    return rows


def _season(desk: Desk, assembly: Assembly) -> list[Question]:
    """Seven stops of the year, where a sheet moves enough to decide a size."""
    species = assembly.back_rail.species if assembly.back_rail else "softwood"
    rows = []
    for stop in seasons(desk, species):
        note = say(
            desk.mark,
            "{} °C, {} %, wood at {} %: allowance left {}, rail face {} {}",
            stop.celsius,
            stop.rh,
            round(stop.moisture, 1),
            Mm(stop.left_mm, "down"),
            "narrower by" if stop.rail_mm < 0 else "wider by",
            Mm(abs(stop.rail_mm), "up"),
        )
        rows.append(
            told(f"In {stop.name}", say(desk.mark, "hold {}", Mm(stop.hold_mm, "down")), "fit.worst_hold", note)
        )
    return rows


def _depth(desk: Desk, assembly: Assembly, at: str, options: FrameOptions, contact: bool) -> list[Question]:
    rows: list[Question] = []
    stock = desk.stock
    if isinstance(options, GlazedOptions):
        glazing = [x for x in stock.sheets if x.glazing]
        name = _name(assembly, "glazing")
        rows.append(sheet_row(desk, f"{at}/glazing", "Glazing", glazing, options.glazing, name, "stack.glazing"))
        rows += told_line(desk, "air.needed", "Air in front of the piece, at least")
        rows += told_line(desk, "air.sag", "The glazing sags, lying flat", "an aid to judgement")
        if contact:
            rows.append(
                yes_no(
                    f"{at}/contact",
                    "In front of the piece",
                    bool(options.contact),
                    options.contact is not None,
                    ("against the glazing", "air"),
                    "air is the rule; contact is a caution",
                )
            )
        if "stack.spacer" in desk.sheet:
            rows += _piled(desk, assembly, "spacer", "Spacers")
            held = options.spacer_held or "by friction"
            choices = [Choice(w, w, picked=w == held) for w in ("by friction", "adhesive strip")]
            rows.append(
                choice_row(
                    f"{at}/spacer_held",
                    "Spacers held",
                    choices,
                    options.spacer_held is not None,
                    "under the lip, hard against the rabbet's wall",
                )
            )
        boards = stock.sheets_of("mat", "foam board", "hardboard", "mdf")
        rows.append(
            sheet_row(
                desk, f"{at}/board", "Mount board", boards, options.board, _name(assembly, "board"), "stack.board"
            )
        )
        backs = stock.sheets_of("backing", "foam board", "corrugated plastic", "hardboard")
        rows.append(
            sheet_row(
                desk, f"{at}/backing", "Backing", backs, options.backing, _name(assembly, "backing"), "stack.backing"
            )
        )
    rows += told_line(desk, "depth.package", "Package")
    if "clip.offset" not in desk.sheet:
        rows += told_line(desk, "depth.needed", "Rabbet needed", "with room for the fasteners")
    rows.append(pin_row(desk, "frame.rabbet_depth", "Rabbet depth as made"))
    rows += _piled(desk, assembly, "filler", "Filled with")
    if "clip.offset" not in desk.sheet:
        rows += told_line(desk, "depth.left", "Over")
    rows.append(length_row(desk, f"{at}/extension", "Rabbet extension strips", options.extension, None, "none"))
    back = assembly.back
    choices = [Choice(w, w, picked=w == back) for w in ("sealed paper", "vented paper", "tape")]
    why = (
        "canvas breathes: both faces see the same air"
        if back == "vented paper"
        else "behind glazing it is sealed against dust, damp and insects"
    )
    rows.append(choice_row(f"{at}/back", "Back closed with", choices, options.back is not None, why))
    return rows


def _piled(desk: Desk, assembly: Assembly, layer: str, label: str) -> list[Question]:
    """A line for each thickness that a pile is made of, with what of."""
    names = {p.id: p.name for p in assembly.parts}
    roles = ((layer, label), (second_of(layer), f"{label}, more"))
    return [x for role, said in roles for x in told_line(desk, f"stack.{role}", said, names.get(role, ""))]


def _name(assembly: Assembly, role: str) -> str:
    return next((p.name for p in assembly.by_role(role)), "none")


def mount_questions(desk: Desk, assembly: Assembly, at: str) -> list[Question]:
    """Which mount and why, its fixings and what each carries, how it is done."""
    s = desk.sheet
    rows: list[Question] = []
    row = mount_row(desk, assembly, f"{at}/mount")
    if row is not None:
        rows.append(row)
    if "mount.count" in s and s["mount.count"].value > 1:
        rows += told_line(desk, "mount.count", "How many")
    rows += told_line(desk, "mount.demand", "Each carries")
    rows += told_line(desk, "mount.rating", "Each may carry", "maker's rating, before the factor")
    rows += told_line(desk, "mount.factor", "Factor")
    for join in assembly.joins:
        for side in ("top", "left"):
            places = [f.along for f in join.fixings if f.side == side]
            if places:
                said = [say(desk.mark, "{}", q) for q in places]
                mm = ", ".join(t.mm.removesuffix(" mm") for t in said)
                inch = ", ".join(t.inch.removesuffix(" in") for t in said)
                where = "top and bottom" if side == "top" else "left and right"
                if not any(f.side == "bottom" for f in join.fixings):
                    where = side
                rows.append(told(f"{join.name}, {where}", type(said[0])(mm, inch), places[0].key, "from the corner"))
        rows += join_rows(desk, join)
    if assembly.mount is not None:
        for n, step in enumerate(assembly.mount.taken.mount.steps, 1):
            rows.append(told(f"Step {n}", filled(desk, step)))
        if assembly.mount.taken.mount.care:
            rows.append(care(filled(desk, assembly.mount.taken.mount.care).pick(desk.mark.system)))
    for side in ("left", "right", "top", "bottom"):
        rows += told_line(desk, f"border.{side}.middle", f"Corner mark, from the {side}", "low tack, four of them")
    return [*rows, *closing_rows(assembly)]


def merged(first: Rows, *others: Rows) -> Rows:
    """Rows of several makers, station by station, in the order given."""
    out: Rows = {name: list(rows) for name, rows in first.items()}
    for other in others:
        for name, rows in other.items():
            out[name] = [*out.get(name, []), *rows]
    return out
