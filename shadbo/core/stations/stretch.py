"""Stretching, as it is asked and told where the canvas is measured."""

from shadbo.core.asking.questions import Choice, Question
from shadbo.core.asking.rows import care, choice_row, length_row, pin_row, told
from shadbo.core.desk import Desk
from shadbo.core.pieces.pieces import LooseCanvas
from shadbo.core.sums.stretch import EDGE_WORDS
from shadbo.core.words.lengths import Both
from shadbo.core.words.words import say, sizes


def stretch_questions(desk: Desk, detail: LooseCanvas, at: str) -> list[Question]:
    """Bars, face, edge, cloth; then how to go round it with the stapler."""
    s, mark = desk.sheet, desk.mark
    chosen = detail.model_fields_set
    edge = detail.edge or "mirrored"
    rows = [
        length_row(desk, f"{at}/bar_depth", "Bars, depth", detail.bar_depth, s.get("stretch.bar_depth")),
        length_row(desk, f"{at}/bar_width", "Bars, width", detail.bar_width, s.get("stretch.bar_face")),
        *(() if detail.printed else _face(desk, detail, at)),
        choice_row(
            f"{at}/edge",
            "Edge of the canvas",
            [Choice(k, k, picked=edge == k) for k in _edges(detail, edge)],
            "edge" in chosen,
            EDGE_WORDS[edge],
        ),
        choice_row(
            f"{at}/staples",
            "Staples",
            [
                Choice("back", "on the back", picked=detail.staples == "back"),
                Choice("side", "on the sides", picked=detail.staples == "side"),
            ],
            "staples" in chosen,
        ),
        length_row(
            desk, f"{at}/back_return", "Cloth turned onto the back", detail.back_return, s.get("stretch.return")
        ),
        length_row(desk, f"{at}/pull", "Pull for the pliers", detail.pull, s.get("stretch.pull")),
    ]
    if "stretch.bar_width" not in s:
        return rows
    rows += [
        pin_row(desk, "stretch.bar_width", "Bars, top and bottom"),
        pin_row(desk, "stretch.bar_height", "Bars, left and right"),
    ]
    cloth = sizes(mark, s["stretch.cloth_width"], s["stretch.cloth_height"])
    rows.append(
        told("Cloth to cut", cloth, "stretch.cloth_width", "face, and bar depth, return and pull on both sides")
    )
    if "stretch.file_width" in s:
        file = sizes(mark, s["stretch.file_width"], s["stretch.file_height"])
        rows.append(told("Print file", file, "stretch.file_width", EDGE_WORDS[edge]))
    span = max((s["brace.span_width"], s["brace.span_height"]), key=lambda q: q.value)
    bow = max((s["brace.bow_width"], s["brace.bow_height"]), key=lambda q: q.value)
    rows += [
        told("Longest clear span of a bar", say(mark, "{}", span), span.key),
        told(
            "It bows inwards by",
            say(mark, "{}", bow),
            bow.key,
            say(mark, "the cloth pulls {}; common practice", s["brace.pull"]),
        ),
        length_row(desk, f"{at}/corner_trim", "Cloth kept along the corner", detail.corner_trim, s["stretch.corner"]),
        told(
            "Staples",
            Both(f"{s['stretch.staples'].value:.0f}", f"{s['stretch.staples'].value:.0f}"),
            "stretch.staples",
            "numbered on the back view: middles first, pulling, then outwards in opposite pairs, corners last",
        ),
        told("Keys", "two a corner" if detail.keyed else "none: fixed corners", "", "tap them in after the tape"),
        told("Finish", "tape over the cut cloth", "", "a cheap tape that shrinks or curls is a false saving"),
        care("Stapler and knife: eye protection, a fresh blade, hand behind the rule."),
    ]
    return rows


def _face(desk: Desk, detail: LooseCanvas, at: str) -> list[Question]:
    """The face that it is to have, where that is another than the painted area."""
    s = desk.sheet
    return [
        length_row(desk, f"{at}/face_width", "Face, width", detail.face_width, s.get("stretch.face_width")),
        length_row(desk, f"{at}/face_height", "Face, height", detail.face_height, s.get("stretch.face_height")),
    ]


def _edges(detail: LooseCanvas, now: str) -> list[str]:
    """Edges that it can have: cloth that is painted already turns its rim, or what lies beside it."""
    return list(EDGE_WORDS) if detail.printed else ["continued", now if now != "continued" else "mirrored"]
