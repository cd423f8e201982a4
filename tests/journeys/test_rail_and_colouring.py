"""The rail is corrected; the colouring is read and overruled; a new client begins."""

import re

from PIL import Image
from playwright.sync_api import expect

from lucid_swatch.demo.studio.portrait import Sitter, draw_portrait
from tests.pictures import encoded


def test_a_piece_is_hung_elsewhere_by_word(opened):
    page = opened
    page.get_by_role("article", name="Ilka Maren").get_by_role("link", name="pieces on the rail").click()
    page.get_by_role("button", name=re.compile("^Cognac bag,")).hover()
    card = page.get_by_role("region", name="Cognac bag")
    card.get_by_role("button", name="tone T", exact=True).click()
    expect(card.get_by_text("hung by your word")).to_be_visible()
    expect(
        page.get_by_role("region", name=re.compile("^Tones")).get_by_role("button", name=re.compile("^Cognac bag,"))
    ).to_be_visible()
    page.reload()
    expect(
        page.get_by_role("region", name=re.compile("^Tones")).get_by_role("button", name=re.compile("^Cognac bag,"))
    ).to_be_visible()


def test_a_piece_in_a_kept_look_is_not_taken_off(opened):
    page = opened
    page.get_by_role("article", name="Ilka Maren").get_by_role("link", name="pieces on the rail").click()
    page.get_by_role("button", name=re.compile("^Pearl necklace,")).hover()
    page.get_by_role("tab", name="keeping").click()
    page.get_by_role("button", name="take it off the rail").click()
    expect(page.get_by_role("alert")).to_contain_text(
        "Pearl necklace is in 'Solo evening'. Swap it in those looks first"
    )


def test_the_other_school_of_neutrals_rehangs_the_rail(opened):
    page = opened
    page.get_by_role("article", name="Ilka Maren").get_by_role("link", name="pieces on the rail").click()
    jeans = re.compile("^Blue jeans,")
    expect(
        page.get_by_role("region", name=re.compile("^Cool neutrals")).get_by_role("button", name=jeans)
    ).to_be_visible()
    page.get_by_role("tab", name="your borders").click()
    page.get_by_role("button", name="strict").click()
    expect(page.get_by_role("region", name=re.compile("^Tones")).get_by_role("button", name=jeans)).to_be_visible()


def test_the_stylists_word_on_the_undertone_moves_the_verdict(opened):
    page = opened
    page.get_by_role("article", name="Ilka Maren").get_by_role("link", name="looks kept").click()
    page.get_by_role("button", name=re.compile("^Train day")).click()
    colouring = page.get_by_role("meter", name="Colouring")
    before = float(colouring.get_attribute("aria-valuenow"))
    page.get_by_role("link", name="Colouring", exact=True).click()
    # a look has a measure of that name, and is asked about cool weather
    page.get_by_role("heading", name="Colouring", level=1).wait_for()
    page.get_by_role("button", name="cool", exact=True).click()
    expect(page.get_by_role("button", name="cool", exact=True)).to_have_attribute("aria-pressed", "true")
    page.get_by_role("link", name="Looks", exact=True).click()
    expect(colouring).not_to_have_attribute("aria-valuenow", f"{before:g}")
    assert float(colouring.get_attribute("aria-valuenow")) < before  # camel and oat on a cool skin


def test_a_new_client_begins_with_consent_and_a_portrait(opened):
    page = opened
    page.get_by_label("Name or initials").fill("Tove")
    page.get_by_role("button", name="Add to the book").click()
    expect(page.get_by_role("alert")).to_contain_text("nothing is photographed without consent")
    page.get_by_role("checkbox").check()
    page.get_by_role("button", name="Add to the book").click()
    expect(page.get_by_role("heading", name="Drop photos of garments here")).to_be_visible()
    page.get_by_role("link", name="Colouring", exact=True).click()
    fair = Image.fromarray(draw_portrait(Sitter((80, 8, 15), (55, 8, 26), (52, -4, -10), "short"), (1, 1, 1), 2))
    page.get_by_label("Choose a portrait").set_input_files(
        {"name": "tove.jpg", "mimeType": "image/jpeg", "buffer": encoded(fair)}
    )
    expect(page.get_by_role("meter", name="Depth")).to_be_visible()
    lens = page.get_by_role("button", name="hair, spot 1")
    lens.focus()
    before = lens.get_attribute("style")
    page.keyboard.press("ArrowDown")
    expect(lens).not_to_have_attribute("style", before)
    expect(page.get_by_text("reading…")).to_have_count(0)
    expect(page.get_by_role("listitem").filter(has_text="Hair")).to_contain_text("L*")
    page.goto("about:blank")
