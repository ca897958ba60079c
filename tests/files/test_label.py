"""Label and ticket: what a plan knows, and nothing that it does not; sums of money as they are typed."""

import io

import pdfplumber
import pytest
from hypothesis import given
from hypothesis import strategies as st

from shadbo.core.change import change
from shadbo.core.cutting.cut_list import cut_list
from shadbo.core.decisions.edit import BadEdit, Edit
from shadbo.core.drawing.tiles import A4, LETTER
from shadbo.core.job.edits import as_typed
from shadbo.core.label import label_of
from shadbo.core.plan import Plan
from shadbo.core.stations import stations
from shadbo.core.words.amounts import NotAnAmount, parse_money
from shadbo.demo.jobs import demo_jobs
from shadbo.demo.shop import demo_shop
from shadbo.files.label_sheet import label_html, label_sheet, ticket, ticket_html

JOBS = {j.title: j for j in demo_jobs()}


def with_(job: str, /, **to: str) -> Plan:
    edits = as_typed([Edit(at=at, to=value) for at, value in to.items()], "mm")
    plan = change(JOBS[job], edits, demo_shop()).plan
    assert plan is not None
    return plan


@pytest.mark.parametrize("title", JOBS)
def test_a_label_names_what_the_list_names_and_cares_for_the_glazing_that_is_there(title: str):
    plan = with_(title, finish="dark wax")
    label = label_of(plan)
    assert plan.assembly is not None
    here = {part.called for part in plan.assembly.parts}
    listed = here | {row.name for row in cut_list(plan)} | {row.material for row in cut_list(plan)}
    moulding = plan.assembly.moulding
    for name in label.made_of:
        known = (*listed, moulding.name if moulding else "")
        assert any(k and (k in name or name in k) for k in known), name
    words = " ".join(label.care)
    kinds = {p.sheet.kind for p in plan.assembly.by_role("glazing") if p.sheet is not None}
    assert ("Acrylic:" in words) == ("acrylic" in kinds)
    assert ("Glass:" in words) == ("glass" in kinds)
    assert ("No glazing" in words) == (not plan.assembly.glazed)


def test_the_label_is_printed_twice_and_the_ticket_tells_what_was_agreed():
    plan = with_("Lifeboat medal certificate", agreed="€ 240", insured="1,200.50", finish="dark wax")
    with pdfplumber.open(io.BytesIO(label_sheet(plan, A4, 109))) as pdf:
        text = pdf.pages[0].extract_text()
        assert len(pdf.pages) == 1
    assert text.count("job 109") == 2
    assert "dark wax" in text
    with pdfplumber.open(io.BytesIO(ticket(plan, LETTER, "in", 109))) as pdf:
        told = pdf.pages[0].extract_text()
        assert len(pdf.pages) == 1
    assert "240.00" in told
    assert "1200.50" in told
    assert "kg" not in told
    assert "mm" not in told


def test_a_hostile_name_stays_words():
    plan = with_("Lifeboat medal certificate", title="<script>x</script>", finish="<b>wax")
    for html in (label_html(plan), ticket_html(plan, "mm")):
        assert "<script>" not in html
        assert "<b>wax" not in html


def test_finish_stands_with_the_rails_on_the_list_and_the_price_beside_its_materials():
    plan = with_("Lifeboat medal certificate", agreed="240", finish="dark wax")
    rails = [row for row in cut_list(plan) if row.name.startswith("rail")]
    assert rails
    assert all("finish: dark wax" in row.note for row in rails)
    row = next(q for s in stations(plan) for q in s.questions if q.label == "Price agreed")
    left = 240 - plan.desk.sheet["price.materials"].value
    assert row.note is not None
    assert f"{left:.2f} left for the work" in row.note.mm
    assert not [q for s in stations(with_("Net loft stairs")) for q in s.questions if q.label == "Price agreed"]


@given(st.floats(0, 9_999_999).map(lambda x: round(x, 2)), st.sampled_from(["€ {}", "{} €", "{}", "$ {}", "EUR {}"]))
def test_a_sum_of_money_is_read_as_it_is_written_here_and_elsewhere(value: float, sign: str):
    for text in (f"{value:.2f}", f"{value:,.2f}", f"{value:,.2f}".translate(str.maketrans(",.", ".,"))):
        assert parse_money(sign.format(text)) == pytest.approx(value, abs=0.001)


@pytest.mark.parametrize(
    "typed", ["", "much", "1,2,3", "12.34.56", "1,25.5.1", "-5", "1e9", "99999999999", "NaN", "٣"]
)
def test_what_is_no_sum_is_refused_at_its_field(typed: str):
    with pytest.raises(NotAnAmount):
        parse_money(typed)
    if typed:
        with pytest.raises(BadEdit) as bad:
            as_typed([Edit(at="agreed", to=typed)], "mm")
        assert bad.value.at == "agreed"
