"""What was really cut and made, against the plan."""

from collections.abc import Iterator

from shadbo.core.checks.own_frame import OUTSIDES
from shadbo.core.checks.view import Look
from shadbo.core.decisions.edit import Edit
from shadbo.core.findings import Finding, Proposal
from shadbo.core.sheet.quantity import Quantity
from shadbo.core.words.words import Mm


def inside_for_outside(look: Look) -> Iterator[Finding]:
    """A rail typed in at its inside length, or an inside at the outside: the commonest slip of all."""
    pins = look.desk.job.pins
    for axis in ("width", "height"):
        rail_key, inside_key = f"rail.{axis}", f"frame.inside_{axis}.middle"
        if look.rails is None:
            return
        inside, rail = look.rails.inside[axis].value, look.rails.outside[axis]
        outside = rail.planned.value if rail.planned is not None else rail.value
        near = min(3.0, (outside - inside) / 4)
        for key, other_key, meant, wanted in (
            (rail_key, inside_key, inside, "outside, long point to long point"),
            (inside_key, rail_key, outside, "inside"),
        ):
            pin = pins.get(key)
            if pin is None or abs(pin.mm - meant) > near:
                continue
            moved = [Edit(at=f"pins/{key}")]
            if other_key not in pins:
                moved.append(Edit(at=f"pins/{other_key}", to=pin.model_dump(mode="json")))
            is_inside = key == rail_key
            yield Finding(
                "built.inside",
                "stop",
                "parts",
                look.say(
                    f"{{}} is the {'inside' if is_inside else 'outside'} {axis}, not the {wanted.split(',')[0]}",
                    Mm(pin.mm),
                ),
                look.say(f"this line asks for the {wanted}: {{}} was planned", Mm(outside if is_inside else inside)),
                place=axis,
                keys=(key,),
                proposals=(
                    Proposal(look.say(f"It was the {'inside' if is_inside else 'outside'}"), tuple(moved), 1),
                ),
                root=True,
            )


def wood_left(look: Look) -> Iterator[Finding]:
    """An outside as built that is no rail's round this inside: it was read wrong, or the inside was."""
    wall = _wall(look)
    for q in look.desk.sheet.disagreements():
        if not _no_rail(look, q):
            continue
        assert q.planned is not None
        left = wall + (q.value - q.planned.value) / 2
        yield Finding(
            "built.wall",
            "stop",
            "parts",
            look.say(f"{q.label} {{}} leaves {{}} of wood, and its rails have {{}}", q, Mm(left), Mm(wall)),
            look.say(
                "with the inside as it was made the outside comes to {}: one of them was read wrong",
                Mm(q.planned.value),
            ),
            place=q.key,
            keys=(q.key,),
            proposals=(Proposal(look.say("Measure it again"), (Edit(at=f"pins/{q.key}"),), 4),),
        )


def _wall(look: Look) -> float:
    rail = look.assembly.back_rail
    return rail.wall.value if rail is not None else 0.0


def _no_rail(look: Look, q: Quantity) -> bool:
    """Whether a pinned outside is off by more than half of the wood on each side: common practice, no source."""
    if q.key not in OUTSIDES or q.planned is None or q.key not in look.desk.job.pins:
        return False
    return abs(q.value - q.planned.value) > _wall(look) > 0


def off_plan(look: Look) -> Iterator[Finding]:
    """A real size outside what its own formula allows: kept, and said."""
    own = look.desk.own_frame.pins() if look.desk.own_frame is not None else {}
    for q in look.desk.sheet.disagreements():
        if q.planned is None or q.key in own or _no_rail(look, q):
            continue
        off = q.value - q.planned.value
        yield Finding(
            "built.off",
            "note",
            "parts",
            look.say(f"{q.label}: {{}} as built, {{}} planned", q, Mm(q.planned.value)),
            look.say(
                f"{{}} {'more' if off > 0 else 'less'}; all that follows reckons with the real size",
                Mm(abs(off)),
            ),
            place=q.key,
            keys=(q.key,),
            proposals=_remake(look, q.key) if q.kind == "cut" else (),
        )


def _remake(look: Look, key: str) -> tuple[Proposal, ...]:
    return (Proposal(look.say("Remake this part"), (Edit(at=f"pins/{key}"),), 4),)


def unanswered(look: Look) -> Iterator[Finding]:
    """A real size that nothing in this plan answers to: kept for when it does."""
    for key in look.desk.sheet.unanswered_pins():
        pin = look.desk.job.pins[key]
        yield Finding(
            "built.unanswered",
            "note",
            "parts",
            look.say("{} as built has no part in this plan", Mm(pin.mm)),
            look.say(f"it was written down as {key}, and is kept"),
            place=key,
            proposals=(Proposal(look.say("Forget it"), (Edit(at=f"pins/{key}"),), 2),),
        )
