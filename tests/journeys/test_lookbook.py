"""What the client takes home: a book put in order and made, opened without a network, ticked, and brought back."""

import json
import re

import pytest
from playwright.sync_api import expect

from tests.journeys.access import shut_out


@pytest.fixture
def book(opened):
    """The cellist's book of kept looks, just begun."""
    page = opened
    page.get_by_role("article", name="Ilka Maren").get_by_role("link", name=re.compile("looks kept")).click()
    page.get_by_role("link", name="Lookbook", exact=True).click()
    # the sample has a book of the tour
    expect(page.get_by_role("list", name="Pages").get_by_role("button").first).to_be_visible()
    page.get_by_role("link", name="another one…").click()
    page.get_by_label("called").fill("Dark mornings")
    page.get_by_role("button", name=re.compile("kept looks$")).click()
    expect(page.get_by_role("list", name="Pages").get_by_role("button")).to_have_count(7)
    return page


def pages(page):
    return page.get_by_role("list", name="Pages").get_by_role("button")


def label(page, place):
    return pages(page).nth(place).get_attribute("aria-label")


def in_order(page, names):
    """Waits until the strip shows these pages, in this order."""
    expect(page.get_by_role("list", name="Pages").locator(".name")).to_have_text(names)


def said(page, text):
    expect(page.get_by_role("status").filter(has_text=re.compile(text)).first).to_be_visible()


def shown(page):
    return page.locator("article.page")


def test_a_book_is_ordered_written_made_ticked_and_brought_back(book, chromium, tmp_path):
    page = book
    names = [label(page, place).split(" ", 1)[1] for place in range(7)]
    expect(shown(page).get_by_role("heading", name=names[0])).to_be_visible()
    expect(shown(page).get_by_text("Why it works")).to_be_visible()
    assert shut_out(page, "the lookbook") == {}

    # the second page comes first by keys, the third by dragging
    page.keyboard.press("ArrowRight")
    expect(shown(page).get_by_role("heading", name=names[1])).to_be_visible()
    page.keyboard.press("Shift+ArrowLeft")
    expect(pages(page).nth(0)).to_have_attribute("aria-label", f"1 {names[1]}")
    start, end = (pages(page).nth(place).bounding_box() for place in (2, 0))
    page.mouse.move(start["x"] + 40, start["y"] + 30)
    page.mouse.down()
    page.mouse.move(start["x"] + 10, start["y"] + 30, steps=3)
    page.mouse.move(end["x"] + 40, end["y"] + 30, steps=8)
    page.mouse.up()
    expect(pages(page).nth(0)).to_have_attribute("aria-label", f"1 {names[2]}")
    page.keyboard.press("Control+z")
    said(page, "Taken back")
    expect(pages(page).nth(0)).to_have_attribute("aria-label", f"1 {names[1]}")

    page.get_by_role("button", name="from summer to winter").click()
    page.keyboard.press("Control+z")
    said(page, "Taken back.*from summer|Taken back.*season")
    in_order(page, [names[1], names[0], *names[2:]])

    # one is left out, and one is written
    pages(page).nth(6).click()
    page.keyboard.press("x")
    expect(pages(page).nth(6)).to_have_attribute("aria-label", re.compile("left out"))
    pages(page).nth(0).click()
    expect(shown(page).get_by_role("heading", name=names[1])).to_be_visible()
    page.get_by_role("button", name="write on this page").click()
    page.get_by_label("Why it works").fill("Because the coat carries it.")
    page.get_by_label("above it").click()
    expect(page.get_by_role("button", name="Why it works: as it is told")).to_be_visible()
    page.get_by_role("button", name="done").click()
    expect(shown(page).get_by_text("Because the coat carries it.")).to_be_visible()
    panel = page.get_by_label("The book", exact=True)
    panel.get_by_label("a word of yours").fill("For dark mornings.")
    panel.get_by_label("made by").fill("Ada")
    panel.get_by_label("called").click()
    expect(panel.get_by_text(re.compile("your word.*No place, no device"))).to_be_visible()

    page.get_by_role("button", name="Make it").click()
    made = page.get_by_role("list", name="Made")
    expect(made.get_by_role("link")).to_have_count(2)
    files = {}
    for word, ending in (("PDF", "pdf"), ("page for a telephone", "html")):
        with page.expect_download() as download:
            made.get_by_role("link", name=word, exact=True).click()
        assert download.value.suggested_filename == f"dark-mornings.{ending}"
        files[ending] = tmp_path / f"book.{ending}"
        download.value.save_as(files[ending])
    assert files["pdf"].read_bytes().startswith(b"%PDF")

    worn = ticked(chromium, files["html"], names[1], tmp_path)

    page.get_by_role("link", name="Plan", exact=True).click()
    page.get_by_role("tab", name="worn", exact=True).click()
    before = page.get_by_text(re.compile(r"^\d+ lines in the log")).text_content()
    page.get_by_label("take a log in").last.set_input_files(worn)
    count = int(before.split()[0])
    expect(page.get_by_text(f"{count + 1} lines in the log")).to_be_visible()


def ticked(chromium, file, name, tmp_path):
    """The book as the client opens it on a telephone without a network. The file that comes back."""
    context = chromium.new_context(viewport={"width": 390, "height": 844}, offline=True, accept_downloads=True)
    page = context.new_page()
    complaints = []
    page.on("pageerror", lambda error: complaints.append(str(error)))
    page.on("console", lambda told: complaints.append(told.text) if told.type == "error" else None)
    page.goto(file.as_uri())
    expect(page.get_by_role("heading", name="Dark mornings")).to_be_visible()
    assert page.evaluate("document.documentElement.scrollWidth") <= 390
    looks = page.locator("article.look")
    expect(looks).to_have_count(6)
    page.get_by_role("searchbox").fill("camel coat")
    expect(page.get_by_text(re.compile("^[12] of 6$"))).to_be_visible()
    page.get_by_role("searchbox").fill("")
    page.get_by_role("searchbox").blur()
    page.keyboard.press("ArrowRight")
    page.keyboard.press("ArrowRight")
    look = page.get_by_role("article").filter(has=page.get_by_role("heading", name=name))
    look.get_by_role("button", name="I wore it").click()
    look.get_by_label("it felt").select_option("loved")
    look.get_by_label("a word").fill("warm all day")
    look.get_by_role("button", name="Tick", exact=True).click()
    expect(look.get_by_text("Worn on 1 day")).to_be_visible()
    # it is still there when the book is opened again
    page.reload()
    expect(look.get_by_text("Worn on 1 day")).to_be_visible()
    assert outside(page, "the book on a telephone") == {}
    with page.expect_download() as download:
        page.get_by_role("button", name="Save what I wore").click()
    saved = tmp_path / "worn.json"
    download.value.save_as(saved)
    told = json.loads(saved.read_text())
    assert told["format"] == "lucid-swatch/worn"
    assert told["worn"][0]["felt"] == "loved"
    assert complaints == []
    context.close()
    return saved


def outside(page, where):
    """The same as within the application: the policy of the book lets no script in, so the check is made past it."""
    cdp = page.context.new_cdp_session(page)
    cdp.send("Page.setBypassCSP", {"enabled": True})
    page.reload()
    return shut_out(page, where)


def test_a_book_of_the_tour_is_there_and_can_be_let_go(opened):
    page = opened
    page.get_by_role("article", name="Ilka Maren").get_by_role("link", name=re.compile("looks kept")).click()
    page.get_by_role("link", name="Lookbook", exact=True).click()
    expect(page.get_by_label("called")).to_have_value("Northern tour")
    expect(shown(page).get_by_text(re.compile("°C"))).to_be_visible()
    page.get_by_role("button", name="let the book go").click()
    expect(page.get_by_role("heading", name="A new book")).to_be_visible()
    page.keyboard.press("Control+z")
    said(page, "Taken back")
    expect(page.get_by_label("called")).to_have_value("Northern tour")
