"""Before buying: from a photo to a word and onto the rail, two side by side, from a gap to a card, and the map by keys."""

import re
from pathlib import Path

import pytest
from playwright.sync_api import expect

from tests.journeys.access import shut_out
from tests.running import pick

LIST = "Wish list"


@pytest.fixture
def buying(opened):
    """Before buying, for the cellist."""
    opened.get_by_role("article", name="Ilka Maren").get_by_role("link").first.click()
    opened.get_by_role("link", name="Before buying").click()
    opened.get_by_role("region", name="What is said of it").wait_for()
    opened.mouse.move(4, 400)
    return opened


def wish(page, name):
    return page.get_by_role("list", name=LIST).get_by_role("button", name=re.compile(f"^{name}", re.IGNORECASE))


def word(page):
    return page.get_by_role("region", name="What is said of it").get_by_role("status").first


def test_from_a_photo_to_a_word_bought_hung_and_taken_back(buying, demo):
    page = buying
    content = (demo / "samples" / "olive-trousers.jpg").read_bytes()
    page.get_by_label("Add a photo").set_input_files(
        [{"name": "in the shop.jpg", "mimeType": "image/jpeg", "buffer": content}]
    )
    expect(page.get_by_role("list", name=LIST).get_by_role("listitem")).to_have_count(3)
    kind = page.get_by_role("group", name="What is it likely?").get_by_role("button", name="trousers")
    kind.wait_for(timeout=60_000)
    kind.click()
    expect(word(page)).to_have_text(re.compile("^(Buy|Wait|Leave)$"))
    called = page.get_by_label("Called")
    called.fill("Market trousers")
    called.blur()
    price = page.get_by_label("Price").get_by_role("textbox")
    price.fill("96")
    price.blur()
    expect(page.get_by_role("meter", name="What it costs a wear")).to_be_visible()
    expect(page.get_by_role("heading", name="Market trousers")).to_be_visible()
    # its photo, with the outline, as in the intake
    page.keyboard.press("v")
    expect(page.get_by_role("img", name=re.compile("in the shop.jpg"))).to_be_visible()
    page.keyboard.press("v")
    assert page.get_by_role("link", name=re.compile("^Intake · 3$")).is_visible(), "it is none of the intake"
    page.keyboard.press("Enter")
    expect(page.get_by_text("Market trousers hangs on the rail")).to_be_visible()
    expect(wish(page, "Market trousers")).to_have_count(0)
    page.get_by_role("link", name="Rail", exact=True).click()
    expect(page.locator('[aria-label^="Market trousers"]').first).to_be_visible()
    page.keyboard.press("Control+z")
    expect(page.locator('[aria-label^="Market trousers"]')).to_have_count(0)
    page.get_by_role("link", name="Before buying").click()
    expect(wish(page, "Market trousers")).to_be_visible()


def test_two_stand_side_by_side_and_one_is_let_go_for_good(buying):
    page = buying
    expect(wish(page, "Camel ankle boots")).to_contain_text("buy")
    expect(wish(page, "Aqua shirt")).to_contain_text("wait")
    assert shut_out(page, "the candidate") == {}
    page.keyboard.press("b")
    both = page.get_by_role("region", name="The candidate")
    expect(both.get_by_text(re.compile("^Together [0-9]+ looks?:"))).to_be_visible()
    expect(both.get_by_role("heading")).to_have_text(["Aqua shirt", "Camel ankle boots"])
    assert shut_out(page, "two side by side") == {}
    page.keyboard.press("Escape")
    page.keyboard.press("x")
    expect(page.get_by_text("Once more to let it go.")).to_be_visible()
    page.keyboard.press("x")
    expect(wish(page, "Aqua shirt")).to_have_count(0)
    expect(page.get_by_role("heading", name="Camel ankle boots")).to_be_visible()
    page.reload()
    expect(page.get_by_role("list", name=LIST).get_by_role("listitem")).to_have_count(1)


def test_from_a_gap_to_a_card_to_print(buying):
    page = buying
    page.keyboard.press("g")
    missing = page.get_by_role("list", name="What is missing")
    expect(missing.get_by_role("listitem").first).to_be_visible()
    expect(page.get_by_text("Looking for what is missing")).to_have_count(0, timeout=90_000)
    expect(page.get_by_role("region", name="Two that belong together")).to_be_visible()
    assert shut_out(page, "what is missing") == {}
    first = missing.get_by_role("listitem").first
    name = first.locator("strong").inner_text()
    first.get_by_role("button", name="Look for it").click()
    expect(first.get_by_role("button", name="On the wish list")).to_be_disabled()
    wish(page, name).click()
    expect(word(page)).to_have_text(re.compile("^(Buy|Wait|Leave)$"))
    expect(page.get_by_text("nobody has seen it yet")).to_be_visible()
    for link, begins in (("a card to print", b"%PDF"), ("a picture for the telephone", b"\x89PNG")):
        with page.expect_download() as coming:
            page.get_by_role("link", name=link).click()
        assert Path(coming.value.path()).read_bytes().startswith(begins)


def test_a_piece_by_eye_is_weighed_and_what_changed_is_said(buying):
    page = buying
    page.keyboard.press("y")
    form = page.get_by_role("form", name="A piece by eye")
    pick(page, "What is it?", "trousers")
    form.get_by_role("slider", name="Lightness").focus()
    for _ in range(10):
        page.keyboard.press("ArrowRight")
    form.get_by_role("button", name="Weigh it").click()
    expect(page.get_by_text("it was set by eye")).to_be_visible()
    expect(word(page)).to_have_text(re.compile("^(Buy|Wait|Leave)$"))
    shown = page.get_by_role("complementary", name="The word").get_by_role("heading").inner_text()
    # half of the shoes do not come back from the mender
    page.get_by_role("link", name="Rail", exact=True).click()
    for shoes in ("Cognac loafers", "Black flat shoes", "Black ankle boots"):
        page.locator(f'[aria-label^="{shoes}"]').first.focus()
        # weighed before the last of them is away, the word would change once more afterwards
        with page.expect_response(re.compile("/rail/change$")):
            page.get_by_role("button", name="mend", exact=True).first.click()
    page.get_by_role("link", name="Before buying").click()
    expect(wish(page, shown)).to_contain_text("changed")
    wish(page, shown).click()
    expect(page.get_by_text(re.compile(r"^On .*, with 31 pieces on the rail, it was"))).to_be_visible()
    page.get_by_role("button", name="All right").click()
    expect(wish(page, shown)).not_to_contain_text("changed")


def test_the_map_is_walked_by_keys_and_turned(buying):
    page = buying
    page.keyboard.press("m")
    places = page.get_by_role("listbox", name="Colours of the rail")
    expect(places.get_by_role("option")).to_have_count(33)
    assert shut_out(page, "the map") == {}
    places.focus()
    told = page.get_by_role("region", name="The candidate").get_by_role("status")
    expect(told).to_have_text("Aqua shirt: may be bought")
    page.keyboard.press("ArrowUp")
    expect(told).to_have_text(re.compile(r": lightness [0-9]+, chroma [0-9]+, hue angle [0-9]+°$"))
    page.get_by_role("button", name="from the side").click()
    expect(page.get_by_role("slider", name="Turned by")).to_be_visible()
    page.get_by_role("link", name="Rail", exact=True).click()
    page.get_by_role("tab", name="the map").click()
    places = page.get_by_role("listbox", name="Colours of the rail")
    places.focus()
    page.keyboard.press("ArrowRight")
    page.keyboard.press("Enter")
    expect(places.get_by_role("option", selected=True)).to_have_count(1)
