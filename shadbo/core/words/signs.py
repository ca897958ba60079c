"""Signs that cannot be kept: halves of pairs, and what XML cannot hold, taken out of text that goes into it."""

import re
from xml.sax.saxutils import escape, quoteattr

_NONE_OF_XML = re.compile("[^\t\n\r\x20-\ud7ff\ue000-\ufffd\U00010000-\U0010ffff]")


_HALF = re.compile("[\ud800-\udfff]")


def is_whole(text: str) -> bool:
    """Whether no sign of it is half of a pair (a lone surrogate, which no file in UTF-8 holds).

    >>> is_whole("Cod"), is_whole("Cod" + chr(0xD800))
    (True, False)
    """
    return _HALF.search(text) is None


def storable_in_xml(text: str) -> str:
    """The text without what no XML file may hold (XML 1.0, production 2).

    >>> storable_in_xml("a\\ufffe\\x00b")
    'ab'
    """
    return _NONE_OF_XML.sub("", text)


def xml_text(text: str) -> str:
    """Text between tags.

    >>> xml_text("Cod & Sons")
    'Cod &amp; Sons'
    """
    return escape(storable_in_xml(text))


def xml_value(text: str) -> str:
    """An attribute's value, in its quotes."""
    return quoteattr(storable_in_xml(text))
