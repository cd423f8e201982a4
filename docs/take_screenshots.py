"""Takes the pictures of docs/screenshots from the demo data, at 1280x800."""

import argparse
import io
import re
import sys
import tempfile
from pathlib import Path

from PIL import Image

sys.path.insert(0, str(Path(__file__).parents[1]))
from tests.running import browser, pick, running

from lucid_swatch.files.book.layout import Paper
from lucid_swatch.files.book.pictures import page_png

SIZE = {"width": 1280, "height": 800}
TELEPHONE = {"width": 390, "height": 780}
PAGE = 4
"""The third look, after cover and colouring."""


def book_pages(page, picture):
    """A page of the book on paper beside the same one on a telephone, from the files as they are taken out."""
    page.get_by_role("button", name="Make it").click()
    made, files = page.get_by_role("list", name="Made").get_by_role("link"), {}
    made.nth(1).wait_for()
    for link in made.all():
        with page.expect_download() as download:
            link.click()
        files[Path(download.value.suggested_filename).suffix] = download.value.path().read_bytes()
    width = SIZE["width"] - TELEPHONE["width"] - 30
    paper = Image.open(io.BytesIO(page_png(files[".pdf"], Paper.A4.value, width, PAGE)))
    with tempfile.TemporaryDirectory() as place:
        file = Path(place) / "book.html"
        file.write_bytes(files[".html"])
        telephone = page.context.browser.new_page(viewport=TELEPHONE)
        telephone.goto(file.as_uri())
        telephone.locator("a[href='#look-3']").first.click()
        telephone.wait_for_timeout(900)
        shown = Image.open(io.BytesIO(telephone.screenshot()))
        telephone.close()
    both = Image.new("RGB", (SIZE["width"], SIZE["height"]), (210, 210, 210))
    both.paste(paper, (10, (SIZE["height"] - paper.height) // 2))
    both.paste(shown, (width + 20, (SIZE["height"] - shown.height) // 2))
    both.save(picture)


def take(page, url, folder):
    """Goes through the views as a stylist would."""

    def shot(name):
        page.wait_for_load_state("networkidle")
        page.mouse.move(4, 400)
        # what the pointer had pointed at fades back
        page.wait_for_timeout(400)
        page.screenshot(path=folder / f"{name}.png")

    page.goto(url)
    page.get_by_role("article").first.wait_for()
    shot("clients-book")
    page.get_by_role("article", name="Ilka Maren").get_by_role("link").first.click()
    page.get_by_label("Camel coat").first.wait_for()
    page.get_by_role("button", name="Charcoal coat").first.hover()
    page.get_by_text("by temperature").wait_for()
    shot("rail")
    page.get_by_role("button", name="verdict", exact=True).click()
    page.get_by_role("tab", name="what works").click()
    page.get_by_role("heading", name="Missing").wait_for()
    page.get_by_role("button", name="Camel coat").first.focus()
    page.get_by_role("tab", name="company", exact=True).click()
    page.get_by_role("heading", name="Best partners").wait_for()
    shot("rail-works")
    page.get_by_role("tab", name="what they are").click()
    page.get_by_role("group", name="Go through by").get_by_role("button", name="cloth", exact=True).click()
    page.get_by_role("group", name="What cloth is it?").first.wait_for()
    page.get_by_role("tab", name="cut and cloth").click()
    page.get_by_role("slider", name="Hem").wait_for()
    shot("rail-what-they-are")
    page.get_by_role("link", name="Looks", exact=True).click()
    page.get_by_role("button", name=re.compile("^Train day")).click()
    page.get_by_role("meter", name="Colouring").wait_for()
    shot("looks")
    page.get_by_role("button", name="make looks").click()
    page.get_by_role("link", name="Tour wardrobe").click()
    page.locator(".hook .bare").nth(6).wait_for()
    page.get_by_role("button", name=re.compile("^Look 2 of")).click()
    page.get_by_role("button", name=re.compile("^What the .* would need")).first.click()
    page.get_by_role("region", name="What hangs in them").get_by_role("status").get_by_text("in none").wait_for()
    # the tip of what has the focus would cover what it tells of
    page.get_by_role("button", name=re.compile("^Look 2 of")).focus()
    page.wait_for_timeout(500)
    shot("make")
    page.get_by_role("link", name="Plan", exact=True).click()
    page.get_by_role("list", name="The days").get_by_role("img").nth(7).wait_for()
    others = page.get_by_role("group", name="What else fits")
    for day in page.get_by_role("list", name="The days").get_by_role("button").all()[4:8]:
        # a day for which something else fits too
        day.click()
        others.get_by_text(re.compile("while the other days stay")).wait_for()
        if others.get_by_role("button").count():
            break
    page.wait_for_timeout(500)
    shot("plan")
    page.get_by_role("tab", name="capsule").click()
    page.get_by_role("img", name=re.compile("^Looks against pieces")).wait_for()
    shot("plan-capsule")
    page.get_by_role("tab", name="worn").click()
    page.get_by_role("row", name=re.compile("^Camel coat")).wait_for()
    shot("plan-worn")
    page.get_by_role("link", name="Lookbook", exact=True).click()
    page.get_by_role("list", name="Pages").get_by_role("button").nth(2).click()
    page.get_by_role("img", name=re.compile("laid out$")).wait_for()
    page.wait_for_timeout(600)
    shot("lookbook")
    book_pages(page, folder / "book-pages.png")
    page.get_by_role("link", name="Before buying").click()
    page.get_by_role("list", name="Wish list").get_by_role("button", name=re.compile("^Camel ankle boots")).click()
    page.get_by_role("region", name="Looks with it").get_by_role("img").nth(2).wait_for()
    page.wait_for_timeout(500)
    shot("before-buying")
    page.keyboard.press("g")
    page.get_by_role("region", name="Two that belong together").wait_for(timeout=60_000)
    shot("missing")
    page.get_by_role("link", name="Intake").click()
    page.get_by_role("button", name="IMG_2208").click()
    page.get_by_role("region", name="Nearest on the rail").wait_for()
    page.get_by_role("complementary", name="Cut and use").wait_for()
    shot("intake")
    page.get_by_role("link", name="Studio").click()
    page.get_by_role("heading", name="Backups").wait_for()
    page.get_by_text("Ilka Maren").last.wait_for()
    shot("studio")
    page.go_back()
    page.get_by_role("link", name="Colouring", exact=True).click()
    page.get_by_role("heading", name="What follows").wait_for()
    shot("colouring")
    page.get_by_role("link", name="Ilka Maren: about the client").click()
    page.get_by_role("heading", name="Will not wear").wait_for()
    shot("about")
    page.get_by_role("link", name=re.compile("^Lucid Swatch")).click()
    page.get_by_role("article", name="Wenna Ostrel").get_by_role("link").first.click()
    page.get_by_role("link", name="Colouring", exact=True).click()
    page.get_by_role("link", name="Side by side", exact=True).click()
    pick(page, "What is on the left", "Raspberry knit")
    pick(page, "What is on the right", "Pearl grey knit")
    page.locator(".n-base-select-menu").last.wait_for(state="hidden")
    shot("side-by-side")
    page.get_by_role("link", name=re.compile("^Lucid Swatch")).click()
    page.get_by_role("article", name="Tobe Arrun").get_by_role("link").first.click()
    page.get_by_role("link", name="Colouring", exact=True).click()
    page.get_by_role("link", name="Hold cloth to the face").click()
    page.get_by_role("button", name=re.compile("^Left: ")).wait_for()
    shot("hold")


def main():
    parser = argparse.ArgumentParser(description=__doc__)
    parser.add_argument("--data", type=Path, help="demo data that is there already")
    parser.add_argument("--out", type=Path, default=Path(__file__).parent / "screenshots")
    asked = parser.parse_args()
    asked.out.mkdir(parents=True, exist_ok=True)
    with (
        tempfile.TemporaryDirectory() as fresh,
        running("demo", asked.data or Path(fresh) / "demo") as url,
        browser() as chromium,
    ):
        page = chromium.new_page(viewport=SIZE)
        page.on("console", lambda message: print("console:", message.text))
        page.on("pageerror", lambda error: print("page error:", error))
        take(page, url, asked.out)


if __name__ == "__main__":
    main()
