"""Questions that several displays ask in the same words."""

from collections.abc import Sequence

from shadbo.core.asking.questions import Choice, Question
from shadbo.core.asking.rows import choice_row, told
from shadbo.core.build.assembly import Assembly, Join
from shadbo.core.desk import Desk
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.shop.boards import SheetStock
from shadbo.core.shop.stock_words import price_of
from shadbo.core.shop.values import Value
from shadbo.core.words.lengths import Both
from shadbo.core.words.words import both, drill_text, length, say, sizes


def moulding_row(
    desk: Desk,
    assembly: Assembly,
    at: str,
    decided: Value | None,
    label: str = "Moulding",
    others: Sequence[Choice] = (),
) -> Question:
    """Every moulding of the rack held against the piece; a decided one stays even when it left the rack.

    ``others`` are mouldings that do not lie in the rack: those that can be made.
    """
    auto = assembly.mouldings[0].profile.name if assembly.mouldings else "none in stock"
    choices = [Choice(None, "The plan chooses", both(auto), decided is None)]
    for held in assembly.mouldings:
        faults = [fault.said(desk.mark) for fault in held.faults]
        verdict = say(desk.mark, "; ".join("{}" for _ in faults), *faults) if faults else held.says.said(desk.mark)
        price = f"{desk.shop.currency} {held.price:.2f}"
        size = held.size.said(desk.mark)
        detail = Both(f"{size.mm} · {verdict.mm} · {price}", f"{size.inch} · {verdict.inch} · {price}")
        picked = decided is not None and getattr(decided, "id", "") == held.profile.id
        choices.append(
            Choice(
                held.profile.model_dump(mode="json"),
                held.profile.name,
                detail,
                picked,
                held.fits,
                held.profile.colour or "",
            )
        )
    choices += others
    if decided is not None and not any(c.picked for c in choices):
        name = getattr(decided, "name", "")
        choices.append(
            Choice(decided.model_dump(mode="json"), name, both("kept in this job, no longer in stock"), True)
        )
    return choice_row(at, label, choices, decided is not None, "as the rack has it", menu=True)


def money_rows(desk: Desk) -> list[Question]:
    """What the materials cost, the price that was agreed, and what of it is left for the work."""
    currency, materials = desk.shop.currency, desk.sheet["price.materials"]
    label = "Materials" if desk.of_set == 1 else f"Materials, one frame of {desk.of_set}"
    rows = [told(label, f"{currency} {materials.value:.2f}", "price.materials")]
    agreed = desk.job.agreed
    if agreed is not None:
        left = agreed - materials.value * desk.of_set
        note = f"{currency} {abs(left):.2f} {'left for the work' if left >= 0 else 'under the materials'}"
        rows.append(told("Price agreed", f"{currency} {agreed:.2f}", "", note))
    return rows


def sheet_row(
    desk: Desk, at: str, label: str, stock: list[SheetStock], decided: SheetStock | None, planned: str, key: str = ""
) -> Question:
    """A sheet from the rack, or the plan's choice."""
    choices = [Choice(None, "The plan chooses", both(planned), decided is None)]
    for sheet in stock:
        size = length(sheet.thick_mm, desk.mark)
        price = price_of(sheet, desk.shop.currency)
        picked = decided is not None and decided.id == sheet.id
        detail = Both(f"{size.mm} · {price.mm}", f"{size.inch} · {price.inch}")
        choices.append(Choice(sheet.model_dump(mode="json"), sheet.name, detail, picked, swatch=sheet.colour or ""))
    if decided is not None and not any(c.picked for c in choices):
        choices.append(Choice(decided.model_dump(mode="json"), decided.name, both("kept in this job"), True))
    return choice_row(at, label, choices, decided is not None, key=key, menu=True)


def mount_row(desk: Desk, assembly: Assembly, at: str) -> Question | None:
    """How the piece is held: why this one, why not the others."""
    plan = assembly.mount
    if plan is None or len(plan.weighed) < 2:
        return None
    choices = [Choice(None, "The plan chooses", both(plan.taken.mount.name), not plan.decided)]
    for w in plan.weighed:
        detail = both(w.said_for if w.serves else "not here: " + "; ".join(w.against))
        picked = plan.decided and plan.taken.mount.id == w.mount.id
        choices.append(Choice(w.mount.id, w.mount.name, detail, picked, w.serves))
    why = plan.taken.said_for if plan.taken.serves else "; ".join(plan.taken.against)
    return choice_row(at, "Held by", choices, plan.decided, why, menu=True)


def told_line(desk: Desk, key: str, label: str, note: Both | str = "") -> list[Question]:
    """A line of the sheet as a row; none where the plan has no such line."""
    q = desk.sheet.get(key)
    return [told(label, say(desk.mark, "{}", q), key, note)] if q is not None else []


def join_rows(desk: Desk, join: Join) -> list[Question]:
    """What the bench does for a join, in order, and the drill for its pilot holes."""
    rows = [told(f"{join.name}: {n}", op) for n, op in enumerate(join.operations, 1)]
    if join.drill_mm > 0:
        rows.append(told(f"{join.name}: drill", drill_text(join.drill_mm), "", f"pilot holes in {join.wood}"))
    return rows


def size_text(desk: Desk, *of: Quantity) -> Both:
    """Width × height, or more."""
    return sizes(desk.mark, *of)


def yes_no(at: str, label: str, now: bool, decided: bool, words: tuple[str, str], note: str = "") -> Question:
    """Two answers side by side."""
    choices = [Choice(True, words[0], picked=now), Choice(False, words[1], picked=not now)]
    return choice_row(at, label, choices, decided, note)


def colours_row(at: str) -> Question:
    """Mats by the colours of a photograph."""
    return Question(id="colours", kind="colours", label="Colours by the photograph", at=at)


def cutter_row(desk: Desk) -> Question:
    """The mat cutter; ``typed`` names the mats that there are to send to it."""
    there = [mat for mat in ("mat", "mat_inner") if f"stack.{mat}" in desk.sheet]
    return Question(id="cutter", kind="cutter", label="Mat cutter", typed=" ".join(there))
