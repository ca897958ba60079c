"""The one SVG writer: composed marks to a picture that needs no style sheet."""

import re
from collections.abc import Callable
from hashlib import blake2s

from shadbo.core.build.assembly import Dot, Hatch
from shadbo.core.drawing.ink import FILLS, PAPER, Stroke
from shadbo.core.drawing.marks import Circle, Group, Image, Path, Sheet2D, Text
from shadbo.core.words.signs import xml_text, xml_value

FONT = "'Barlow Condensed', 'Arial Narrow', sans-serif"


def n(x: float) -> str:
    """A coordinate to a thousandth of the paper's unit: a drawing at 1 : 20 is still true to 0.05 mm."""
    return f"{x:.3f}".rstrip("0").rstrip(".")


Albums = Callable[[Image], str]
"""Where a photograph's squared part is found: an address, or the picture itself as data; empty where it is gone."""


def write_svg(sheet: Sheet2D, title: str, printed: bool = False, album: Albums | None = None) -> str:
    """The picture as SVG text. Groups carry ``data-key``; hidden ones are for lighting up.

    ``printed``: for writers that know no paint order, a halo is a text of its own; nothing hidden is written.
    Without an ``album`` what a photograph would show is hatched.
    """
    p = sheet.paper
    used = {m.hatch for g in sheet.groups for m in g.marks if isinstance(m, Path) and m.hatch}
    defs = "".join(_pattern(h, p.name) for h in sorted(used))
    body = "".join(_group(g, p.name, printed, album) for g in sheet.groups if not (printed and g.hidden))
    told = f"<desc>{xml_text(sheet.says)}</desc>" if sheet.says and not printed else ""
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 {n(p.width)} {n(p.height)}" '
        f'role="img" aria-label={xml_value(title)} font-family={xml_value(FONT)}>'
        f"{told}<defs>{defs}</defs>{body}</svg>"
    )


def _pattern(name: str, paper: str) -> str:
    hatch: Hatch = name  # type: ignore[assignment]
    f = FILLS[hatch]
    w, h = f.size
    turn = f' patternTransform="rotate({n(f.turn)})"' if f.turn else ""
    return (
        f'<pattern id="{paper}-{name}" width="{n(w)}" height="{n(h)}" patternUnits="userSpaceOnUse"{turn}>'
        f'<rect width="{n(w)}" height="{n(h)}" fill="{f.tone}"/>'
        f'<path d="{f.path}" fill="none" stroke="{f.colour}" stroke-width="0.9"/></pattern>'
    )


def _group(g: Group, paper: str, printed: bool, album: Albums | None) -> str:
    key = f" data-key={xml_value(g.key)}" if g.key else ""
    hidden = ' visibility="hidden"' if g.hidden else ""
    moves = f" data-moves={xml_value(g.moves)}" if g.moves else ""
    marks = "".join(
        _mark(m, paper, printed) + (_image(m, album) if album and isinstance(m, Path) and m.image else "")
        for m in g.marks
    )
    return f'<g class="{g.role}"{key}{moves}{hidden}>{marks}</g>'


def _mark(m: Path | Circle | Text, paper: str, printed: bool = False) -> str:
    match m:
        case Path():
            d = "".join(_run(ring, m.closed) for ring in (m.dots, *m.holes))
            fill = f"url(#{paper}-{m.hatch})" if m.hatch else m.tone or "none"
            rule = ' fill-rule="evenodd"' if m.holes else ""
            return f'<path d="{d}" fill="{fill}"{rule}{_stroke(m.stroke)}/>'
        case Circle():
            x, y = m.centre
            return f'<circle cx="{n(x)}" cy="{n(y)}" r="{n(m.radius)}" fill="{m.tone or "none"}"{_stroke(m.stroke)}/>'
        case Text():
            x, y = m.at
            halo = (
                f' stroke="{PAPER}" stroke-width="4" stroke-linejoin="round" paint-order="stroke"' if m.halo else ""
            )
            anchor = f' text-anchor="{m.anchor}"' if m.anchor != "start" else ""
            weight = ' font-weight="600"' if m.bold else ' font-weight="500"'
            start = f'<text x="{n(x)}" y="{n(y)}" font-size="{n(m.size)}"{anchor}{weight}'
            words = f"{_fractions(xml_text(m.text), printed)}</text>"
            if printed and m.halo:
                return f'{start} fill="{PAPER}"{halo}>{words}{start} fill="{m.colour}">{words}'
            return f'{start} fill="{m.colour}"{halo}>{words}'


def _image(m: Path, album: Albums) -> str:
    """The photograph within the path, and the path's outline once more over it."""
    assert m.image is not None
    href = album(m.image)
    if not href:
        return ""
    (x, y), d = m.image.at, _run(m.dots, m.closed)
    name = f"seen-{blake2s(f'{m.image.photo} {d}'.encode(), digest_size=6).hexdigest()}"
    place = f'x="{n(x)}" y="{n(y)}" width="{n(m.image.width)}" height="{n(m.image.height)}"'
    return (
        f'<clipPath id="{name}"><path d="{d}"/></clipPath>'
        f'<image href={xml_value(href)} {place} preserveAspectRatio="none" clip-path="url(#{name})"/>'
        f'<path d="{d}" fill="none"{_stroke(m.stroke)}/>'
    )


def _run(dots: tuple[Dot, ...], closed: bool) -> str:
    return "M" + "L".join(f"{n(x)} {n(y)}" for x, y in dots) + ("Z" if closed else "")


def _fractions(text: str, printed: bool) -> str:
    """Fractions as such: on the screen by its style sheet, since a page may carry no styles of its own; else here."""
    how = 'style="font-feature-settings:&quot;frac&quot;"' if printed else 'class="frac"'
    return re.sub(r"\d+/\d+", rf"<tspan {how}>\g<0></tspan>", text)


def _stroke(s: Stroke | None) -> str:
    if s is None:
        return ""
    dash = f' stroke-dasharray="{s.dash}"' if s.dash else ""
    return f' stroke="{s.colour}" stroke-width="{n(s.width)}" stroke-linejoin="round"{dash}'
