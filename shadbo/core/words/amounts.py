"""Numbers, shares and weights as people write them."""

import math
import re
import unicodedata

from shadbo.core.sheet.units import KG_PER_POUND


class NotAnAmount(ValueError):
    """What was typed cannot be read; the message says what would be."""


MOST_MONEY = 10_000_000.0


def parse_money(typed: str) -> float:
    """A sum of money: a sign or word for the currency is passed over, thousands may be set apart.

    >>> [parse_money(x) for x in ("€ 120", "1,250.50", "1.250,50 €", "1 250", "85.5", "EUR 90")]
    [120.0, 1250.5, 1250.5, 1250.0, 85.5, 90.0]
    """
    text = re.sub(r"^[^\W\d_]{1,4}\.?\s*|\s*[^\W\d_]{1,4}\.?$", "", typed.strip())
    text = "".join(c for c in text if unicodedata.category(c) not in ("Sc", "Zs") and c not in "'’")
    whole, mark, cents = text, "", ""
    if (last := re.fullmatch(r"(.*?)([.,])(\d{1,2})", text)) is not None:
        whole, mark, cents = last[1], last[2], last[3]
    groups = re.split(r"[.,]", whole)
    good = all(re.fullmatch(r"\d{1,12}", g, re.ASCII) for g in groups) and all(len(g) == 3 for g in groups[1:])
    if not good or (mark and mark in whole) or len(set(re.findall(r"[.,]", whole))) > 1:
        raise NotAnAmount(f"“{typed.strip()[:40]}” is no sum of money: write it like 120, 85.50 or 1,250")
    value = float("".join(groups) + (f".{cents}" if cents else ""))
    if value > MOST_MONEY:
        raise NotAnAmount("that is more money than a frame can cost")
    return value


def parse_number(typed: str) -> float:
    """A plain number; a comma is a point, a fraction or a percentage is what it comes to.

    >>> [parse_number(x) for x in ("1,5", "1/4", "33 %", "2 1/2", "1.15")]
    [1.5, 0.25, 0.33, 2.5, 1.15]
    """
    text = typed.strip().replace(",", ".").replace("½", " 1/2").replace("¼", " 1/4").replace("¾", " 3/4").strip()
    m = re.fullmatch(r"(?:(\d+(?:\.\d+)?) +)?(\d+)/(\d+)|(\d+(?:\.\d*)?|\.\d+)( ?%)?", text, re.ASCII)
    if m is None or (m[3] and int(m[3]) == 0):
        raise NotAnAmount(f"“{typed.strip()[:40]}” is no number: write it like 1.5, 1/3 or 33 %")
    value = float(m[1] or 0) + int(m[2]) / int(m[3]) if m[2] else float(m[4]) / (100 if m[5] else 1)
    if not math.isfinite(value):
        raise NotAnAmount("that is too large a number")
    return value


def parse_kg(typed: str, pounds: bool) -> float:
    """Kilograms from what a scale says; a bare number is in pounds where ``pounds``.

    >>> round(parse_kg("2 lb 8 oz", False), 4), parse_kg("850 g", True), parse_kg("1,5", False)
    (1.134, 0.85, 1.5)
    """
    text = " ".join(typed.strip().lower().split())
    m = re.fullmatch(r"(?:(.+?) ?(?:lbs?|pounds?))?(?:(?<=[a-z]) ?| ?)(?:(.+?) ?(?:oz|ounces?))?", text)
    if m and (m[1] or m[2]):
        return ((parse_number(m[1]) if m[1] else 0.0) + (parse_number(m[2]) / 16 if m[2] else 0.0)) * KG_PER_POUND
    m = re.fullmatch(r"(.+?) ?(kg|g)?", text)
    if m is None:
        raise NotAnAmount(f"“{typed.strip()[:40]}” is no weight: write it like 1.5 kg, 850 g or 3 lb 4 oz")
    value = parse_number(m[1])
    return value / 1000 if m[2] == "g" else value if m[2] or not pounds else value * KG_PER_POUND
