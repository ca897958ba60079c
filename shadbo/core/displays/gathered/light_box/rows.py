"""What the light box asks: letters, voids, steps, lamps, supply, cable, access."""

from shadbo.core.asking.questions import Choice, Question
from shadbo.core.asking.rows import act, care, choice_row, length_row, pin_row, text_row, told
from shadbo.core.build.assembly import Assembly
from shadbo.core.decisions.edit import Edit
from shadbo.core.desk import Desk
from shadbo.core.displays.asking import moulding_row, sheet_row, told_line
from shadbo.core.displays.gathered.light_box.options import HOME
from shadbo.core.displays.gathered.rows import layout_rows, mount_rows
from shadbo.core.displays.rabbeted.joints import joint_questions
from shadbo.core.displays.rabbeted.parts_rows import parts_questions
from shadbo.core.findings import StationName
from shadbo.core.words.words import Mm, both, say


def light_questions(desk: Desk, assembly: Assembly | None) -> dict[StationName, list[Question]]:
    """Rows by station."""
    o, s = HOME.of(desk.job), desk.sheet
    margin = length_row(desk, HOME.to("margin"), "Margin round the group", o.margin, s.get("layout.margin"))
    sizes = layout_rows(desk, assembly, HOME.to("layout"), o.layout, margin)
    letters = [text_row(HOME.to("letters"), "Cut-out lettering", o.letters, note="capitals, figures, - . + !")]
    if "letters.height" in s:
        letters.append(
            length_row(desk, HOME.to("letter_height"), "Letters, height", o.letter_height, s["letters.height"])
        )
        letters += told_line(desk, "letters.width", "Lettering, width")
    letters.append(Question(id="artwork", kind="artwork", label="Artwork to cut out (SVG)", at=HOME.to("artwork")))
    if o.artwork is not None:
        letters.append(act("artwork-away", "Leave the artwork out", Edit(at=HOME.to("artwork"))))
        width = s.get("artwork.width")
        letters.append(length_row(desk, HOME.to("artwork_width"), "Artwork, width", o.artwork_width, width))
        letters += told_line(desk, "artwork.height", "Artwork, height", o.artwork.name)
    loose = sum(s[k].value for k in ("letters.islands", "artwork.islands") if k in s)
    if loose > 0:
        now = o.islands or "bridges"
        kinds = ("bridges", "translucent sheet", "left as they are")
        choices = [Choice(k, k, picked=k == now) for k in kinds]
        note = f"{loose:g} middles would fall out; bridges are for letters, artwork brings its own"
        letters.append(
            choice_row(HOME.to("islands"), "Closed letters and shapes", choices, o.islands is not None, note)
        )
        if "bridge.width" in s:
            letters.append(length_row(desk, HOME.to("bridge"), "Bridges", o.bridge, s["bridge.width"]))
    own: dict[StationName, list[Question]] = {"sizes": [*letters, *sizes]}
    if assembly is None:
        return own
    stock = desk.stock
    own["display"] = [moulding_row(desk, assembly, HOME.to("stock"), o.stock, "Board for the rails")]
    glazing = [x for x in stock.sheets if x.glazing]
    middles = stock.sheets_of("mdf", "hardboard", "mat", "foam board")
    backs = stock.sheets_of("hardboard", "backing", "mdf")
    lamps = [Choice(None, "The plan chooses", both(""), o.lamp is None)]
    lamps += [Choice(x.model_dump(mode="json"), x.name, picked=o.lamp == x) for x in stock.lamps]
    supplies = [Choice(None, "The plan chooses", both(""), o.supply is None)]
    supplies += [Choice(x.model_dump(mode="json"), x.name, picked=o.supply == x) for x in stock.supplies]
    name = next((p.name for p in assembly.by_role("glazing")), "")
    own["depth"] = [
        sheet_row(desk, HOME.to("glazing"), "Glazing", glazing, o.glazing, name, "stack.glazing"),
        *told_line(
            desk,
            "stack.front_void",
            "Front void",
            say(desk.mark, "the deepest object and {} on both sides", Mm(desk.practice.void_round_object_mm)),
        ),
        sheet_row(desk, HOME.to("middle"), "Middle board", middles, o.middle, "stiff", "stack.middle"),
        length_row(desk, HOME.to("light_void"), "Light void", o.light_void, s["stack.light_void"]),
        *told_line(desk, "lamp.void_least", "… at least", "the pitch of the light; half as much again is even"),
        sheet_row(desk, HOME.to("backing"), "Back", backs, o.backing, "stiff", "stack.backing"),
        length_row(desk, HOME.to("step"), "Step of each layer", o.step, s["step.width"]),
        *told_line(
            desk,
            "step.middle",
            "Step for the middle board, from the front",
            say(desk.mark, "the layer and {} deep", Mm(desk.practice.layer_room_mm)),
        ),
        *told_line(desk, "step.backing", "Step for the back, from the front"),
        *told_line(desk, "step.wall_left", "Wall behind the last step"),
        *told_line(desk, "rail.ripped", "Rails, ripped to"),
        choice_row(HOME.to("lamp"), "Lamps", lamps, o.lamp is not None, menu=True, key="lamp.length"),
        length_row(desk, HOME.to("rows_apart"), "Rows of lamps, apart", o.rows_apart, s["lamp.rows_apart"]),
        *told_line(desk, "lamp.rows", "Rows"),
        *told_line(desk, "lamp.each", "Each row, cut to"),
        *told_line(desk, "lamp.watts", "The strips draw, W"),
        *told_line(
            desk, "supply.needed", "Supply, at least, W", f"{desk.practice.supply_times:g} times what they draw"
        ),
        choice_row(HOME.to("supply"), "Supply", supplies, o.supply is not None, menu=True, key="supply.watts"),
        care("Only a listed low-voltage supply, outside the box. Local code and a licensed electrician decide."),
        care("Let the heat out: vent holes at top and bottom of the light void, baffled so that no light leaks."),
    ]
    side, access = o.cable or "bottom", o.access or "screwed back"
    sides = ("bottom", "left", "right", "top")
    own["mount"] = mount_rows(desk, assembly)
    own["mount"].append(told("Before closing", "lamps on, an hour", "", "feel for heat; look for leaks and spots"))
    own["parts"] = [
        choice_row(HOME.to("cable"), "Cable leaves at the", [Choice(x, x, picked=x == side) for x in sides],
                   o.cable is not None),
        *told_line(desk, "cable.hole", "Cable hole", "the plug goes through; a grommet in it"),
        told("… stands", say(desk.mark, "{} along, {} deep", s["cable.along"], s["cable.deep"]), "cable.along"),
        choice_row(HOME.to("access"), "Access to the lamps",
                   [Choice(x, x, picked=x == access) for x in ("screwed back", "hinged back")], o.access is not None,
                   "no glue: lamps fail before the box does"),
        told("Joints", "tape each inside", "", "light-tight: black tape, or paint before the glue-up"),
        *parts_questions(desk, assembly),
        pin_row(desk, "middle.width", "Middle board as cut, width"),
        pin_row(desk, "middle.height", "Middle board as cut, height"),
        *joint_questions(desk, assembly, HOME.to("joint"), o.joint),
    ]  # fmt: skip
    return own
