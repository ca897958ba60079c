"""Passwords: what is refused, and why; words that nobody guesses are taken."""

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from shadbo.store.secrets import BadPassword, password_hash

NAME = "Hedda Sorrel"
REFUSED = [
    ("short", "at least"),
    ("x" * 129, "at most"),
    ("abababababab", "same few"),
    ("hedda sorrel 12", "own name"),
    ("passwordpassword", "broken"),
    ("qwertyuiop123", "broken"),
    ("iloveyou1234", "broken"),
    ("123456789012", "broken"),
    ("p@ssw0rdp@ssw0rd", "broken"),
]


@pytest.mark.parametrize(("password", "why"), REFUSED)
def test_a_password_that_is_guessed_is_refused_with_its_reason(password, why):
    with pytest.raises(BadPassword, match=why):
        password_hash(password, NAME)


@pytest.mark.parametrize(
    "password", ["tide bell lantern", "kelp-rope-tern-09", "Fog 31 over the slip", "漁師の網と朝の霧と潮の音と風"]
)
def test_a_few_words_are_taken(password):
    assert password_hash(password, NAME).startswith("$argon2id$")


@settings(max_examples=15, deadline=None)
@given(st.text(min_size=0, max_size=140))
def test_any_text_is_taken_or_refused_in_words(password):
    try:
        assert password_hash(password, NAME).startswith("$argon2id$")
    except BadPassword as bad:
        assert len(str(bad)) > 10  # noqa: PT017
