"""Six jobs from an empty rack by keyboard alone, planned to the hook; keys and rows are counted."""

import re

import pytest
from playwright.sync_api import Page, expect

from tests.browser.conftest import slow_line
from tests.browser.test_job import saved, verdict


class Hands:
    """Ten fingers: every key counts, a letter typed as much as Enter."""

    def __init__(self, page: Page) -> None:
        self.page, self.keys = page, 0

    def type(self, text: str) -> None:
        self.page.keyboard.type(text)
        self.keys += len(text)

    def press(self, *keys: str) -> None:
        for key in keys:
            self.page.keyboard.press(key)
            self.keys += 1

    def enter(self, *texts: str) -> None:
        """Type and go on, field after field; an empty one is passed by."""
        for text in texts:
            self.type(text)
            self.press("Enter")

    def at(self, label: str) -> None:
        """Look where the focus is, as eyes do: by the label of the field."""
        here = self.page.get_by_label(re.compile(f"^{label}")).and_(self.page.locator(":focus"))
        expect(here).to_have_count(1)

    def on(self, answer: str) -> None:
        """The same of a question with a few answers side by side: the one that is picked."""
        expect(self.page.get_by_role("radio", name=answer, exact=True)).to_be_focused()

    def read(self, **values: str) -> None:
        """Readings in the order in which the fields come, each at its label."""
        for label, text in values.items():
            self.at(label.replace("_", " "))
            if text == "=":
                self.type(text)  # ditto goes on by itself
            else:
                self.enter(text)


@pytest.fixture
def hands(page: Page, empty: None) -> Hands:
    page.goto("/")
    expect(page.get_by_text("The rack is empty")).to_be_visible()
    it = Hands(page)
    it.press("n")
    it.at("What it is")
    return it


ONLY = ("j", "b", "s")
"""Letters with which one kind of piece begins: jigsaw, badge, shirt."""


def received(hands: Hands, title: str, owner: str, kind: str = "") -> None:
    """What it is, whose, due, its kind; all else is as usual."""
    hands.enter(title, owner, "")
    expect(hands.page.get_by_role("button", name=re.compile("^Kind of piece"))).to_be_focused()
    if kind:
        hands.type(kind)  # the letter that the kind begins with; where no other does, that goes on
        saved(hands.page)
    if kind not in ONLY:
        hands.press("Enter")


def to_the_wall(hands: Hands, most: int) -> None:
    """On to the last station: a hook's height stands there, nothing stops it, and the keys were few."""
    hands.press("Alt+8")
    expect(hands.page.get_by_role("heading", name="Onto the wall")).to_be_visible()
    expect(hands.page.locator(".questions-area")).to_contain_text("above the floor")
    expect(verdict(hands.page)).not_to_contain_text("STOP", ignore_case=False)
    saved(hands.page)
    print(f"{hands.keys} keys, at most {most}")
    assert hands.keys <= most, f"{hands.keys} keys"


def rows_shown(page: Page) -> int:
    return page.locator(".questions-area .border-t").count()


def test_a_floater_in_inches(page: Page, hands: Hands):
    page.get_by_role("button", name="in", exact=True).click()
    page.get_by_label("What it is").focus()
    hands.keys = 1
    received(hands, "Gull pier", "Pia Rand")
    assert rows_shown(page) <= 12, "at a glance"
    hands.read(
        Width_along_the_top="16 1/4",
        Width_along_the_bottom="=",
        Height_at_the_left="24 1/8",
        Height_at_the_right="=",
        Depth="1 1/2",
        Bar_width="1 3/4",
    )
    to_the_wall(hands, 53)


def test_a_double_mat(page: Page, hands: Hands):
    received(hands, "Dry dock", "Tom Ahl", "p")
    expect(page.get_by_role("button", name=re.compile("^Sort"))).to_be_focused()
    hands.press("Enter")
    hands.read(
        Width_along_the_top="420",
        Width_along_the_bottom="=",
        Height_at_the_left="297",
        Height_at_the_right="=",
    )
    expect(page.locator(".compare.picked")).to_be_focused()
    hands.press("Enter", "Enter")  # window mat; made to the piece
    hands.on("one")
    hands.press("ArrowLeft")  # two mats
    saved(page)
    hands.press("Enter")
    to_the_wall(hands, 45)
    expect(page.get_by_role("navigation")).to_contain_text("Window mat")


def test_enter_goes_on_from_an_answer_whose_plan_is_still_on_its_way(page: Page, hands: Hands):
    received(hands, "Dry dock", "Tom Ahl", "p")
    expect(page.get_by_role("button", name=re.compile("^Sort"))).to_be_focused()

    with slow_line(page, 400):
        hands.press("Space", "ArrowDown", "Enter")
        hands.press("Enter")
        hands.at("Width along the top")
        hands.enter("420")
        hands.at("Width along the bottom")
        hands.type("=")
        hands.at("Height at the left")
    expect(page.get_by_label(re.compile("^Width along the top"))).to_have_value("420")
    expect(page.get_by_label(re.compile("^Width along the bottom"))).to_have_value("420")


def test_three_equal_medals(page: Page, hands: Hands):
    received(hands, "Medals", "Osk crew", "b")
    hands.on("badge")
    hands.press("ArrowRight", "ArrowRight")  # a medal
    saved(page)
    hands.press("Enter")
    hands.read(Width="36", Height="90")
    hands.at("Stands in front")
    hands.type("4")
    added(hands, "One more like it")
    for n in (2, 3):
        if n > 2:
            hands.press("Enter")  # the focus stays there
        expect(page.get_by_role("textbox", name=re.compile(f"^{n} alike"))).to_be_visible()
        hands.page.wait_for_timeout(150)
    to_the_wall(hands, 50)
    expect(page.get_by_role("navigation")).to_contain_text("3 pieces")


def test_a_shirt_with_windows_in_its_notches(page: Page, hands: Hands):
    received(hands, "Eights", "Club", "s")
    hands.read(Width="520", Height="600")
    hands.at("Thickness")
    hands.type("14")
    added(hands, "Add a photograph or nameplate")
    hands.at("Name, photograph")
    hands.enter("", "150", "100")
    hands.at("Thickness")
    hands.type(".3")
    added(hands, "One more like it")
    expect(page.get_by_role("textbox", name=re.compile("^2 alike"))).to_be_visible()
    added(hands, "Add a badge, medal or patch")
    hands.at("Name, badge")
    hands.enter("", "50", "60")
    hands.at("Stands in front")
    hands.type("2")
    added(hands, "One more like it")
    expect(page.get_by_role("textbox", name=re.compile("^2 alike")).nth(1)).to_be_visible()
    hands.press("Alt+3")
    expect(page.locator(".compare.picked")).to_be_focused()
    hands.press("ArrowDown", "Enter")  # a jersey box
    expect(page.locator(".compare.picked")).to_contain_text("Jersey box")
    hands.press("Alt+4")
    hands.at("Round the garment")
    hands.enter("130")
    to_the_wall(hands, 70)
    expect(page.get_by_role("navigation")).to_contain_text("5 pieces")
    page.get_by_role("button", name="Front", exact=True).click()
    expect(page.locator(".drawing").first).to_contain_text("photograph 2")


def added(hands: Hands, what: str) -> None:
    """Something more, by plus signs up to it."""
    button = hands.page.get_by_role("button", name=re.compile(f"^{re.escape(what)}"))
    for _ in range(4):
        hands.press("+")
        if button.evaluate_all("all => all.includes(document.activeElement)"):
            break
    hands.press("Enter")


def test_a_puzzle_in_a_bought_frame(page: Page, hands: Hands):
    received(hands, "Locks", "Mia", "j")
    hands.read(
        Width_along_the_top="480",
        Width_along_the_bottom="=",
        Height_at_the_left="340",
        Height_at_the_right="=",
    )
    expect(page.locator(".compare.picked")).to_be_focused()
    hands.press("Enter")  # the puzzle frame
    hands.on("made to the piece")
    hands.type("o")  # one that exists
    hands.at("Frame, face")
    for text in ("25", "7", "30", "525", "385"):
        hands.enter(text)
    to_the_wall(hands, 42)
    expect(page.locator(".job-grid")).to_contain_text("joined already")


def test_a_frame_that_exists_a_metre_and_a_half_wide_and_out_of_square(page: Page, hands: Hands):
    received(hands, "Long quay", "Bo")
    hands.read(
        Width_along_the_top="1598",
        Width_along_the_bottom="1601",
        Height_at_the_left="503",
        Height_at_the_right="505",
        Depth="20",
        Bar_width="45",
    )
    expect(page.locator(".compare.picked")).to_be_focused()
    hands.press("ArrowDown", "ArrowDown", "Enter")  # a rabbeted frame
    expect(page.locator(".compare.picked")).to_contain_text("Rabbeted frame")
    hands.press("Enter")
    hands.on("made to the piece")
    hands.press("ArrowRight", "Enter")
    hands.at("Frame, face")
    for text in ("40", "8", "24", "1608", "512"):
        hands.enter(text)
    to_the_wall(hands, 68)
