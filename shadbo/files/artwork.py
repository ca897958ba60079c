"""Artwork taken in from SVG: shapes and paths become closed outlines; curves become short straight pieces."""

import io
import math
import re
from collections.abc import Iterator
from typing import cast
from xml.etree.ElementTree import Element, ParseError, XMLPullParser

from svgelements import SVG, Close, Line, Move, Path, Shape

from shadbo.core.shapes.artwork import Artwork

MOST_BYTES = 1_000_000
MOST_RINGS = 300
MOST_POINTS = 2000
MOST_ELEMENTS, DEEPEST, MOST_NUMBERS, MOST_TURNS = 3000, 40, 60_000, 2000
REFUSED = ("use", "symbol", "image", "foreignObject", "script", "animate", "animateTransform", "set")
"""What multiplies, reaches elsewhere or moves: nothing of it is an outline."""
CHUNK, MOST_RULES = 65_536, 200
NUMBER = re.compile(r"[0-9]+")
PIECES = 24
"""Straight pieces that a curve is followed by."""


class BadArtwork(ValueError):
    """The file is no drawing that can be cut out; the message says what would be."""


def _outlines(text: str) -> list[list[tuple[float, float]]]:
    """Every outline of every shape, transforms and units worked in; an open one is taken as closed."""
    rings: list[list[tuple[float, float]]] = []
    for element in SVG.parse(io.StringIO(text), reify=True).elements():
        if not isinstance(element, Shape):
            continue
        for part in Path(element).as_subpaths():
            ring: list[tuple[float, float]] = []
            for seg in part:
                if isinstance(seg, Move | Line | Close):
                    ends = [seg.end]
                else:
                    ends = [seg.point(n / PIECES) for n in range(1, PIECES + 1)]
                ring += [(float(p.x), float(p.y)) for p in ends if p is not None]
            rings.append(ring)
    return rings


def bounded(text: str) -> None:
    """Count what is in a drawing before anything of it is worked out. Raises BadArtwork, or ParseError."""
    deep = many = numbers = 0
    for event, element in _pulled(text):
        name = str(element.tag).rpartition("}")[2]
        if event == "end":
            deep -= 1
            if name == "style" and (element.text or "").count("{") > MOST_RULES:
                raise BadArtwork(f"the drawing has more than {MOST_RULES} rules of style: save it as plain SVG")
            element.clear()
            continue
        deep, many = deep + 1, many + 1
        if name in REFUSED:
            raise BadArtwork(f"the drawing has “{name}” in it: save its outlines as plain paths")
        numbers += sum(len(NUMBER.findall(str(element.get(a, "")))) for a in ("d", "points"))
        turns = len(str(element.get("transform", "")))
        if deep > DEEPEST or many > MOST_ELEMENTS or numbers > MOST_NUMBERS or turns > MOST_TURNS:
            most = f"at most {MOST_ELEMENTS} things, {DEEPEST} deep, of {MOST_NUMBERS} numbers altogether"
            raise BadArtwork(f"the drawing has too much in it: {most}")


def _pulled(text: str) -> Iterator[tuple[str, Element]]:
    """Beginnings and ends of elements as they are read, those too that a parser gives out only at its end.

    Newer Expat, and Debian's, keeps a long token back until more has come, or the end has.
    """
    parser: XMLPullParser[Element] = XMLPullParser(("start", "end"))
    for start in range(0, len(text), CHUNK):
        parser.feed(text[start : start + CHUNK])
        yield from cast("Iterator[tuple[str, Element]]", parser.read_events())
    parser.close()
    yield from cast("Iterator[tuple[str, Element]]", parser.read_events())


def read_artwork(text: str, name: str = "") -> Artwork:
    """Outlines of a drawing. Raises BadArtwork."""
    if len(text) > MOST_BYTES:
        raise BadArtwork(f"the drawing has {len(text) / 1e6:.1f} MB; at most {MOST_BYTES // 1_000_000} MB are read")
    if not re.search(r"<svg[\s>]", text):
        raise BadArtwork("this is no SVG drawing: a file that begins with an svg element is read")
    if re.search(r"<!(DOCTYPE|ENTITY)", text):
        raise BadArtwork("the drawing carries definitions of its own (DOCTYPE); save it as plain SVG")
    try:
        bounded(text)
    except ParseError as bad:
        line, column = bad.position
        raise BadArtwork(f"the drawing breaks off or is damaged at line {line}, column {column + 1}") from None
    try:
        outlines = _outlines(text)
    except (ArithmeticError, AssertionError, AttributeError, LookupError, RuntimeError, TypeError, ValueError):
        raise BadArtwork("the drawing has a shape that cannot be read; save its outlines as plain paths") from None
    rings = [r for r in (_tidy(ring) for ring in outlines) if r]
    if not rings:
        words = "words stay words in it: turn text into paths" if "<text" in text else "draw closed shapes or paths"
        raise BadArtwork(f"there is no outline to cut in this drawing; {words}")
    if len(rings) > MOST_RINGS or max(map(len, rings)) > MOST_POINTS:
        raise BadArtwork(f"the drawing has too much in it: {MOST_RINGS} outlines of {MOST_POINTS} points at most")
    if any(not math.isfinite(v) or abs(v) > 100_000 for ring in rings for dot in ring for v in dot):
        raise BadArtwork("an outline runs out of all bounds: coordinates up to 100000 are read")
    return Artwork(name=name[:80], rings=tuple(tuple((round(x, 4), round(-y, 4)) for x, y in r) for r in rings))


def _tidy(ring: list[tuple[float, float]]) -> list[tuple[float, float]]:
    """Without points that stand twice; nothing where it has no area."""
    out = [p for i, p in enumerate(ring) if i == 0 or math.dist(p, ring[i - 1]) > 1e-6]
    if len(out) > 1 and math.dist(out[0], out[-1]) <= 1e-6:
        out.pop()
    if len(out) < 3:
        return []
    twice = sum(a[0] * b[1] - b[0] * a[1] for a, b in zip(out, [*out[1:], out[0]], strict=True))
    return out if abs(twice) > 1e-6 else []
