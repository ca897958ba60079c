"""Who may do what in a workshop: one table."""

from typing import Literal, get_args

Role = Literal["owner", "framer", "apprentice", "tablet"]
Ability = Literal["look", "work", "plan", "cut", "stock", "practice", "pair", "people"]
"""``look`` at jobs, papers and stock; ``work`` on jobs there are; ``plan`` new ones, and go back to earlier ones;
``cut`` on machines; change the ``stock`` and the shop's ``practice``;
``pair`` tablets; say which ``people`` there are and what they may do."""

ROLES: tuple[Role, ...] = get_args(Role)
ABILITIES: tuple[Ability, ...] = get_args(Ability)

MAY: dict[Role, frozenset[Ability]] = {
    "owner": frozenset(ABILITIES),
    "framer": frozenset({"look", "work", "plan", "cut", "stock", "practice", "pair"}),
    "apprentice": frozenset({"look", "work", "plan"}),
    "tablet": frozenset({"look", "work"}),
}
"""What each may do. A tablet is no person: it lies on the bench, for whoever works there."""

ROLE_SAYS: dict[Role, str] = {
    "owner": "everything, and who else there is",
    "framer": "jobs, stock, habits and machines; pairs tablets",
    "apprentice": "plans and works on jobs; no stock, no machines",
    "tablet": "works on jobs there are, at the bench",
}

REFUSED: dict[Ability, str] = {
    "look": "look at this",
    "work": "change jobs",
    "plan": "make jobs or go back to earlier ones",
    "cut": "send work to a machine",
    "stock": "change the stock",
    "practice": "change the shop's habits",
    "pair": "pair tablets",
    "people": "change who works here",
}


def may(role: Role, ability: Ability) -> bool:
    """Whether a role is given an ability.

    >>> may("apprentice", "cut")
    False
    """
    return ability in MAY[role]
