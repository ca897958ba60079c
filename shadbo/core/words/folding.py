"""Words as they are sought by: without accents, apostrophes and capitals."""

import re
import unicodedata

ALIKE = str.maketrans({"ø": "o", "đ": "d", "ł": "l", "ß": "ss", "æ": "ae", "œ": "oe", "þ": "th", "ð": "d", "ı": "i"})


def folded(text: str) -> str:
    """A text so that what looks alike is alike; words are parted by one space.

    >>> folded("Élodie O’Hara, Søren's  MØLLE")
    'elodie ohara sorens molle'
    """
    plain = unicodedata.normalize("NFKD", text.casefold())
    bare = "".join(c for c in plain if not unicodedata.combining(c)).translate(ALIKE)
    return " ".join(re.sub(r"[^\w]+", " ", re.sub(r"['’‘`´]", "", bare)).split())
