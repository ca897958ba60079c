"""What displays with several pieces ask: their layout, each one's mount, and what every package asks."""

from dataclasses import replace

from shadbo.core.asking.questions import Choice, Question
from shadbo.core.asking.rows import act, care, choice_row, length_row, text_row, told
from shadbo.core.build.assembly import Assembly
from shadbo.core.build.mounts import MountPlan
from shadbo.core.build.mounts import said as filled
from shadbo.core.decisions.edit import Edit
from shadbo.core.desk import Desk
from shadbo.core.displays.asking import sheet_row, told_line, yes_no
from shadbo.core.displays.gathered.jersey_box.options import JerseyOptions
from shadbo.core.displays.gathered.options import Layout
from shadbo.core.displays.gathered.shadow_box.options import BoxOptions
from shadbo.core.displays.rabbeted.bench_rows import closing_rows
from shadbo.core.displays.rabbeted.rows import merged, package_questions
from shadbo.core.findings import StationName
from shadbo.core.job.edits import length as written_length
from shadbo.core.words.words import both, length, say

Rows = dict[StationName, list[Question]]
RULES = {
    None: "the plan chooses",
    "row": "in a row",
    "column": "in a column",
    "grid": "in rows",
    "symmetric": "in mirrored pairs",
    "around": "round the main piece",
}


def box_questions(desk: Desk, assembly: Assembly | None, at: str, o: BoxOptions) -> Rows:
    """Rows of a shadow box."""
    margin = length_row(desk, f"{at}/margin", "Margin round the group", o.margin, desk.sheet.get("layout.margin"))
    own: Rows = {"sizes": layout_rows(desk, assembly, f"{at}/layout", o.layout, margin)}
    if assembly is None:
        return own
    now = o.lining or "spacers"
    own["depth"] = [
        *told_line(desk, "air.relief", "Stands out farthest"),
        choice_row(
            f"{at}/lining",
            "Glazing kept off by",
            [Choice(w, w, picked=w == now) for w in ("spacers", "lined walls")],
            o.lining is not None,
            "lined walls show inside, and hide the frame's wood",
        ),
    ]
    if now == "lined walls":
        liners = desk.stock.sheets_of("mat", "foam board")
        own["depth"].append(sheet_row(desk, f"{at}/liner", "Walls lined with", liners, o.liner, "the first mat"))
    own["depth"] += told_line(desk, "void.needed", "Void behind the board, at least", "for what stands back")
    return box_rows(desk, assembly, at, o, own)


def box_rows(desk: Desk, assembly: Assembly, at: str, o: BoxOptions | JerseyOptions, own: Rows) -> Rows:
    """The package's rows after the display's own, with one mount for each piece."""
    package = package_questions(desk, assembly, at, o, contact=False)
    package["mount"] = [*mount_rows(desk, assembly), *closing_rows(assembly)]
    return merged(own, package)


def layout_rows(
    desk: Desk, assembly: Assembly | None, at: str, layout: Layout, margin: Question | None = None
) -> list[Question]:
    """Rule, margin, gap, columns, centre, captions; a solver's proposals; and each piece's place."""
    s, pieces = desk.sheet, desk.pieces
    rows: list[Question] = []
    if len(pieces) > 1:
        choices = [Choice(rule, word, picked=layout.rule == rule) for rule, word in RULES.items()]
        note = "" if layout.rule or assembly is None else assembly.arranged
        rows.append(choice_row(f"{at}/rule", "Arranged", choices, layout.rule is not None, note, menu=True))
    else:
        rows.append(told("Arranged", "in the middle", "field.width"))
    rows += [margin] if margin is not None else []
    if len(pieces) > 1:
        rows.append(length_row(desk, f"{at}/gap", "Gap between outlines", layout.gap, s.get("layout.gap")))
        if layout.rule == "grid":
            columns = str(layout.columns) if layout.columns else ""
            rows.append(text_row(f"{at}/columns", "Pieces in a row", columns, "number"))
        if any(getattr(p.detail, "caption_of", None) for p in pieces):
            caption = layout.captions is not False
            words = ("under their pieces", "as pieces")
            rows.append(yes_no(f"{at}/captions", "Captions", caption, layout.captions is not None, words))
    centre = layout.centre or "geometric"
    choices = [Choice(w, w, picked=w == centre) for w in ("geometric", "optical")]
    rows.append(
        choice_row(f"{at}/centre", "Centre", choices, layout.centre is not None, "optical: a little more below")
    )
    rows.append(length_row(desk, f"{at}/width", "Field, width", layout.width, s.get("field.width")))
    rows.append(length_row(desk, f"{at}/height", "Field, height", layout.height, s.get("field.height")))
    return [*rows, *standing_rows(desk, assembly, layout)]


def standing_rows(desk: Desk, assembly: Assembly | None, layout: Layout) -> list[Question]:
    """Proposed layouts, and where each piece stands."""
    rows: list[Question] = []
    if len(desk.pieces) > 1:
        rows.append(Question(id="layouts", kind="layouts", label="Proposed layouts"))
    if assembly is None:
        return rows
    return [*rows, *place_rows(desk, assembly, layout)]


def place_rows(desk: Desk, assembly: Assembly, layout: Layout) -> list[Question]:
    """Every piece's distances; typed ones put it there, and it can be given back to the rule."""
    s = desk.sheet
    hand = {p.id: p for p in layout.places}
    rows: list[Question] = []
    for shown in assembly.shown:
        if shown.seat == "opening" or f"item.{shown.id}.left" not in s:
            continue
        key, put = f"item.{shown.id}", hand.get(shown.id)
        left, top = s[f"{key}.left"], s[f"{key}.top"]
        rows.append(
            Question(
                id=f"move:{shown.id}",
                kind="move",
                label=shown.name,
                at=shown.at,
                key=f"{key}.left",
                value=say(desk.mark, "{} from the left, {} from the top", left, top),
                note=both("put there by hand" if put else "by the rule"),
                decided=put is not None,
                typed=shown.id,
                edits=() if put is not None else (Edit(at=shown.at, to=here(left.value, top.value)),),
            )
        )
        if put is not None:
            rows.append(length_row(desk, f"{shown.at}/left", f"{shown.name}: from the left", put.left, left))
            rows.append(length_row(desk, f"{shown.at}/top", f"{shown.name}: from the top", put.top, top))
            rows.append(act(f"rule:{shown.id}", f"Give {shown.name} back to the rule", Edit(at=shown.at)))
    return rows


def here(left_mm: float, top_mm: float) -> dict[str, object]:
    """Where a piece stands by the rule, as a place of its own."""
    return {"left": written_length(left_mm), "top": written_length(top_mm)}


def mount_rows(desk: Desk, assembly: Assembly) -> list[Question]:
    """One mount for each piece: which, why, what its fixings carry and where they go."""
    rows: list[Question] = []
    for zone in assembly.zones:
        off = length(desk.practice.steam_clear_mm, desk.mark).pick(desk.mark.system)
        rows.append(care(f"No steam, pin or adhesive on the {zone.name}; no steam within {off} of ink."))
    for plan in assembly.mounts:
        rows += _of_mount(desk, plan)
    return rows


def _of_mount(desk: Desk, plan: MountPlan) -> list[Question]:
    s, key = desk.sheet, f"item.{plan.of}"
    choices = [Choice(None, "The plan chooses", both(plan.taken.mount.name), not plan.decided)]
    for w in plan.weighed:
        said = both(w.said_for if w.serves else "not here: " + "; ".join(w.against))
        picked = plan.decided and plan.taken.mount.id == w.mount.id
        choices.append(Choice(w.mount.id, w.mount.name, said, picked, w.serves))
    why = plan.taken.said_for if plan.taken.serves else "; ".join(plan.taken.against)
    rows = [choice_row(plan.at, f"{plan.name}: held by", choices, plan.decided, why, menu=True)]
    if f"{key}.form_width" in s:
        size = say(desk.mark, "{} × {}", s[f"{key}.form_width"], s[f"{key}.form_height"])
        rows.append(told(f"{plan.name}: inner form", size, f"{key}.form_width", "cut to its full-size template"))
    rows += told_line(desk, f"{key}.pins", f"{plan.name}: pins", "along the seams, slanted; none in a zone")
    for n in ("hole", "support1", "support2", "support3"):
        if f"{key}.{n}_left" in s:
            word = "hole" if n == "hole" else f"support {n[-1]}"
            where = say(desk.mark, "{} from the left, {} from the top", s[f"{key}.{n}_left"], s[f"{key}.{n}_top"])
            rows.append(told(f"{plan.name}: {word}", where, f"{key}.{n}_left", "of the board, seen from the front"))
    rows += told_line(desk, f"{key}.tip", f"{plan.name}: tips over at", "degrees, without its ties")
    rows += told_line(desk, f"{plan.key}.demand", f"{plan.name}: a fixing carries")
    rows += told_line(desk, f"{plan.key}.rating", f"{plan.name}: it may carry", "maker's rating, before the factor")
    for i, step in enumerate(plan.taken.mount.steps, 1):
        rows.append(replace(told(f"{plan.name}: {i}", filled(desk, step)), label=f"Step {i}"))
    if plan.taken.mount.care:
        rows.append(care(filled(desk, plan.taken.mount.care).pick(desk.mark.system)))
    return rows
