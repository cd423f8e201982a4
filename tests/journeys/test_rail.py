"""A wardrobe seen at once: sorted by keys, matched, taken out and in, and told in five colours."""

import json
import re
from pathlib import Path

from playwright.sync_api import expect

from tests.journeys.access import shut_out

IN_DOUBT = [
    [90, 4, 3],
    [52, 4, 9],
    [50, 4, 10],
    [60, 3, 10],
    [60, 4, 11],
    [40, 3, 9],
    [30, 3, 8],
    [50, 2, 9],
    [70, 2, 10],
    [65, 3, 11],
]


def rail_file(pieces):
    rail = {"format": "lucid-swatch/rail", "version": 1, "pieces": pieces}
    return {"name": "rail.json", "mimeType": "application/json", "buffer": json.dumps(rail).encode()}


def piece(id, lab, category="knit", **more):
    return {
        "id": id,
        "label": id,
        "category": category,
        "colours": [{"lab": lab, "share": 1, "uncertainty": 6}],
        **more,
    }


def rail_of(page, name):
    page.get_by_role("article", name=name).get_by_role("link", name="pieces on the rail").click()
    page.locator("[data-piece]").first.wait_for()


def new_client(page):
    page.get_by_label("Name or initials").fill("Tove")
    page.get_by_role("checkbox").check()
    page.get_by_role("button", name="Add to the book").click()
    page.get_by_role("link", name="Rail", exact=True).click()
    expect(page.get_by_text("Nothing hangs here yet")).to_be_visible()


def take_in(page, file):
    page.get_by_role("tab", name="in and out").click()
    page.get_by_label("Choose a file").set_input_files(file)


def test_ten_pieces_in_doubt_are_sorted_out_by_keys(opened):
    page = opened
    new_client(page)
    pieces = [piece(f"knit {k}", lab) for k, lab in enumerate(IN_DOUBT)] + [piece("navy coat", [21, 4, -22], "coat")]
    take_in(page, rail_file(pieces))
    expect(page.get_by_text("hang 11 new pieces")).to_be_visible()
    expect(page.locator("[data-piece]")).to_have_count(0)  # said before it is done
    page.get_by_role("button", name="Take it in").click()
    expect(page.locator("[data-piece]")).to_have_count(11)
    expect(page.get_by_role("button", name="10 in doubt", exact=True)).to_be_visible()
    page.get_by_role("heading", name="The rail", exact=True).click()
    page.keyboard.press("n")
    for left in range(9, -1, -1):
        page.keyboard.press("w" if left % 2 else "y")
        expect(page.get_by_role("tab", name=re.compile("^in doubt"))).to_have_text(
            re.compile(f"· {left}$" if left else "in doubt$")
        )
    for _ in range(3):
        page.keyboard.press("Control+z")
    expect(page.get_by_role("button", name="3 in doubt", exact=True)).to_be_visible()
    page.reload()
    expect(page.get_by_role("button", name="3 in doubt", exact=True)).to_be_visible()
    page.keyboard.press("Control+y")
    expect(page.get_by_role("button", name="2 in doubt", exact=True)).to_be_visible()


def test_words_bring_what_they_find_into_view_and_leave_the_rest_empty(opened):
    page = opened
    new_client(page)
    greys = [piece(f"grey {k:03d}", [20 + k / 2, 0, 0], "coat") for k in range(140)]
    take_in(page, rail_file([*greys, piece("red scarf", [45, 55, 35], "scarf")]))
    page.get_by_role("button", name="Take it in").click()
    expect(page.locator("[data-piece]")).to_have_count(141)
    red, grey = (
        page.locator("[data-piece]").and_(page.get_by_label(re.compile(name))) for name in ("^Red scarf", "^Grey 003")
    )
    expect(red).not_to_be_in_viewport()
    page.get_by_placeholder("navy not print").fill("scarf")
    expect(page.get_by_text("1 found")).to_be_visible()
    expect(red).to_be_in_viewport()
    nothing = "rgba(0, 0, 0, 0)"
    expect(red.locator("span")).not_to_have_css("background-color", nothing)
    expect(grey.locator("span")).to_have_css("background-color", nothing)
    page.get_by_placeholder("navy not print").fill("")
    expect(grey.locator("span")).not_to_have_css("background-color", nothing)


def test_the_wall_comes_nearer_piece_by_piece(opened):
    page = opened
    rail_of(page, "Ilka Maren")
    hung = page.locator("[data-piece]")
    wide = [box["width"] for box in (hung.first.bounding_box(), hung.last.bounding_box())]
    for _ in range(2):
        page.get_by_role("button", name="Farther: the whole wall").click()
    for place in (0, -1):
        expect(hung.nth(place)).to_have_css("width", f"{wide[place] / 2:g}px")
        # from far away a piece is its colours
        expect(hung.nth(place).locator("span").first).to_have_css("background-image", re.compile("^(none|linear)"))
    for _ in range(5):
        page.get_by_role("button", name="Nearer: the cloth").click()
    for place in (0, -1):
        expect(hung.nth(place)).to_have_css("width", f"{wide[place] * 5:g}px")
    expect(hung.first.locator("span").first).to_have_css("background-image", re.compile("cloth"))


def test_the_navy_that_matches_is_found(opened):
    page = opened
    rail_of(page, "Ilka Maren")
    page.keyboard.press("/")
    page.keyboard.type("charcoal coat not jacket")
    expect(page.get_by_text("1 found")).to_be_visible()
    page.get_by_role("button", name=re.compile("^Charcoal coat,")).focus()
    card = page.get_by_role("region", name="Charcoal coat")
    card.get_by_role("tab", name="company").click()
    same = card.get_by_role("button", name=re.compile("Charcoal wide trousers.*match.*ΔE"))
    expect(same).to_be_visible()
    same.click()
    expect(page.get_by_role("region", name="Charcoal wide trousers")).to_be_visible()


def test_a_rail_is_taken_out_and_in_elsewhere_and_taken_back(opened):
    page = opened
    rail_of(page, "Tobe Arrun")
    count = page.locator("[data-piece]").count()
    page.get_by_role("tab", name="in and out").click()
    with page.expect_download() as waiting:
        page.get_by_role("link", name="Archive with photos").click()
    archive = waiting.value
    assert archive.suggested_filename == "tobe-arrun-rail.zip"
    page.get_by_role("link", name=re.compile("^Lucid Swatch")).click()
    new_client(page)
    take_in(page, archive.path())
    expect(page.get_by_text(f"hang {count} new pieces with {count} photos")).to_be_visible()
    page.get_by_role("button", name="Take it in").click()
    expect(page.locator("[data-piece]")).to_have_count(count)
    page.keyboard.press("Control+z")
    expect(page.locator("[data-piece]")).to_have_count(0)
    expect(page.get_by_text("Nothing hangs here yet")).to_be_visible()


def test_a_palette_is_built_edited_kept_and_taken_out(opened):
    page = opened
    rail_of(page, "Wenna Ostrel")
    page.get_by_role("tab", name="five colours").click()
    chips = page.get_by_role("button", name="leave out")
    expect(chips).to_have_count(5)
    covered = page.locator(".sum strong")
    before = int(covered.inner_text().split()[0])
    chips.last.click()
    expect(chips).to_have_count(4)
    expect(covered).not_to_have_text(f"{before} %")
    assert int(covered.inner_text().split()[0]) < before
    page.get_by_placeholder("Winter tour").fill("Opening week")
    page.get_by_role("button", name="Keep this palette").click()
    with page.expect_download() as waiting:
        page.get_by_role("link", name="GIMP palette").click()
    assert Path(waiting.value.path()).read_text(encoding="utf-8").startswith("GIMP Palette\nName: Opening week\n")
    page.get_by_label("Read a palette file").set_input_files(
        {"name": "sea.css", "mimeType": "text/css", "buffer": b":root { --deep: #1f3a5f; --foam: #f4f6f4; }"}
    )
    expect(chips).to_have_count(2)
    for typed, count in (("#7a2f3a", 3), ("31 2 −18", 4)):
        page.get_by_label("add", exact=True).fill(typed)
        page.get_by_role("button", name="Add", exact=True).click()
        expect(chips).to_have_count(count)
    expect(page.get_by_text("L* 31 · #3a4965")).to_be_visible()
    page.get_by_label("add", exact=True).fill("no colour")
    page.get_by_role("button", name="Add", exact=True).click()
    expect(page.get_by_role("alert")).to_be_visible()
    expect(chips).to_have_count(4)


def test_several_pieces_get_a_verdict_and_make_a_set(opened):
    page = opened
    rail_of(page, "Tobe Arrun")
    jacket, trousers = (
        page.get_by_role("button", name=re.compile(f"^{name},")) for name in ("Lectern jacket", "Tobacco trousers")
    )
    jacket.click()
    trousers.click()
    expect(page.get_by_text("2 pieces chosen")).to_be_visible()
    page.keyboard.press("m")
    expect(jacket).to_have_accessible_name(re.compile(", mend"))
    page.keyboard.press("s")
    expect(trousers).to_have_accessible_name(re.compile("set with the lectern jacket"))
    page.get_by_role("button", name="verdict", exact=True).click()
    bay = page.get_by_role("region", name=re.compile("^Mend"))
    expect(bay.locator("[data-piece]")).to_have_count(3)  # clay knit was to be mended before
    jacket.drag_to(page.get_by_role("region", name=re.compile("^Keep")))
    expect(
        page.get_by_role("region", name=re.compile("^Keep")).get_by_role("button", name=re.compile("^Lectern jacket,"))
    ).to_be_visible()


PANELS = ("made of", "what works", "five colours", "in doubt", "what they are", "your borders", "in and out", "changes")


def test_nobody_is_shut_out(opened):
    page = opened
    rail_of(page, "Ilka Maren")
    found = {}
    for panel in PANELS:
        page.get_by_role("tab", name=re.compile(f"^{panel}")).first.click()
        page.wait_for_load_state("networkidle")
        found |= shut_out(page, panel)
    page.get_by_role("tab", name="what they are").click()
    page.get_by_role("tab", name="cut and cloth").click()
    page.get_by_role("button", name=re.compile("^Camel coat")).click()
    expect(page.get_by_text("One word for")).to_be_visible()
    page.get_by_role("slider", name="Hem").wait_for()
    found |= shut_out(page, "cut and cloth, one word")
    page.get_by_role("link", name="Intake").click()
    page.get_by_role("button", name=re.compile("^IMG_2208.jpg")).click()
    page.get_by_role("complementary", name="Cut and use").wait_for()
    found |= shut_out(page, "intake")
    assert found == {}
