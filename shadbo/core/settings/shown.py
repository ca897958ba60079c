"""What a habit comes to in its example: a figure of its plan, or what a check says."""

from shadbo.core.asking.rows import EMPTY
from shadbo.core.change import planned
from shadbo.core.dataclass import dataclass
from shadbo.core.drawing.board import draw
from shadbo.core.plan import Plan
from shadbo.core.settings.examples import EXAMPLES, example, size_of
from shadbo.core.settings.table import Setting
from shadbo.core.shop.shop import Practice, Shop
from shadbo.core.words.lengths import Both, System
from shadbo.core.words.words import Mm, both, say, value_text


@dataclass(frozen=True, slots=True)
class Worked:
    """An example: what it is, what a habit comes to in it now, and what it would with the value tried."""

    title: Both
    now: Both
    then: Both
    picture: str
    line: str


def plan_of(setting: Setting, shop: Shop, practice: Practice) -> Plan | None:
    """The setting's example planned by a practice; None where it has none, or it cannot be planned so."""
    if not setting.example:
        return None
    return planned(example(setting.example), shop.model_copy(update={"practice": practice}))


def figure(setting: Setting, plan: Plan) -> Both:
    """What the line comes to; where none is named, the worst that a check says."""
    if setting.line and setting.line in plan.desk.sheet:
        q = plan.desk.sheet[setting.line]
        label, value = q.label, value_text(q, plan.desk.mark)
        return Both(f"{label} {value.mm}", f"{label} {value.inch}")
    heavy = [f for f in plan.findings if f.severity in ("stop", "caution", "measure")]
    if not heavy:
        return both("nothing to say")
    return Both(f"{heavy[0].severity}: {heavy[0].title.mm}", f"{heavy[0].severity}: {heavy[0].title.inch}")


def worked(setting: Setting, shop: Shop, system: System, tried: Practice | None = None) -> Worked | None:
    """The example before and, where another practice is tried, after; drawn as it would be."""
    before = plan_of(setting, shop, shop.practice)
    if before is None:
        return None
    after = plan_of(setting, shop, tried) if tried is not None else None
    then = EMPTY if tried is None else figure(setting, after) if after is not None else both("cannot be planned so")
    told, _, _, _ = EXAMPLES[setting.example]
    title = say(shop.the_mark(), told[:1].upper() + told[1:], *(Mm(x) for x in size_of(setting.example)))
    shown = after or before
    view = "front" if setting.station in ("sizes", "measure") else "back" if setting.station == "hang" else "edge"
    picture = draw(shown, view, system).svg  # type: ignore[arg-type]
    return Worked(title, figure(setting, before), then, picture, setting.line)
