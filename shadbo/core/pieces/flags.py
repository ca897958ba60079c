"""Flags: which way up and which side in view, as the country's own law has it."""

from shadbo.core.dataclass import dataclass


@dataclass(frozen=True, slots=True)
class FlagLaw:
    """What a country's law says of a flag that is shown against a wall."""

    names: tuple[str, ...]
    way: str
    source: str


LAWS = (
    FlagLaw(
        ("united states", "united states of america", "usa", "us", "u.s.", "u.s.a."),
        "flat or upright, the union uppermost and at the observer's left",
        "4 U.S.C. § 7(i); § 8(e): nothing that tears, soils or damages it",
    ),
)
"""Those that are known here; of all others the country's own rule is asked for."""


def law_of(country: str) -> FlagLaw:
    """The law of a country by its name; where it is not known, what to ask.

    >>> law_of("USA").source[:8]
    '4 U.S.C.'
    """
    wanted = " ".join(country.casefold().split())
    for law in LAWS:
        if wanted in law.names:
            return law
    whose = country or "its country"
    return FlagLaw(
        (), f"by the law of {whose}: ask before it is folded", "union, field and upper edge differ by country"
    )
