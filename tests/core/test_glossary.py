"""The trade's words are told where they stand, in whichever form they stand there."""

import pytest

from shadbo.core.assess import assess
from shadbo.core.stations import stations
from shadbo.core.words.glossary import MEANINGS, meanings_in
from shadbo.demo.jobs import demo_jobs
from shadbo.demo.shop import demo_shop


@pytest.mark.parametrize("word", MEANINGS)
def test_a_word_is_found_alone_and_as_several_and_never_inside_another(word: str):
    for text in (f"its {word} here", f"{word.capitalize()}: two", f"both {word.rstrip('s')}s"):
        assert word in {m.word for m in meanings_in([text])}
    assert word not in {m.word for m in meanings_in([f"un{word}ly"])}
    assert not any(c.isdigit() for c in MEANINGS[word])


def test_every_word_of_the_list_stands_somewhere_in_the_demo():
    jobs = demo_jobs()
    seen = {m.word for j in jobs for s in stations(assess(j, demo_shop())) for m in s.words}
    assert set(MEANINGS) - seen == set()


def test_a_station_tells_only_words_that_it_uses():
    floater = {s.name: {m.word for m in s.words} for s in stations(assess(demo_jobs()[1], demo_shop()))}
    assert "gap" in floater["sizes"]
    assert "mat" not in floater["sizes"]
