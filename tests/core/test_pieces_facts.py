"""Facts of a piece: by its kind, its sort, its worth, and what its owner says."""

import pytest

from shadbo.core.pieces.facts import Facts, tell
from shadbo.core.pieces.kinds import SORT_FACTS


@pytest.mark.parametrize("sort", sorted(SORT_FACTS))
def test_a_sort_of_paper_has_its_usual_facts(sort: str):
    told = tell(Facts(), "paper", "everyday", sort)
    for name, so in SORT_FACTS[sort].items():
        assert (told[name], told.why[name]) == (so, f"usual for a {sort}")


def test_a_pastel_is_loose_and_a_print_is_not():
    assert tell(Facts(), "paper", "everyday", "pastel")["loose_surface"]
    assert not tell(Facts(), "paper", "everyday", "print")["loose_surface"]


def test_what_the_owner_says_counts_before_the_sort_and_worth():
    told = tell(Facts(loose_surface=False), "paper", "irreplaceable", "pastel")
    assert (told["loose_surface"], told.why["loose_surface"]) == (False, "told by the owner")
    assert tell(Facts(), "paper", "dear", "certificate").why["must_be_reversible"] == "since it is dear"


def test_a_sort_of_another_kind_says_nothing_of_paper():
    assert not tell(Facts(), "badge", "everyday", "pastel")["loose_surface"]
