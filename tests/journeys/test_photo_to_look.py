"""The whole way: a dropped photo becomes part of a kept look, and nothing is lost by closing."""

import re

from playwright.sync_api import expect

from tests.pictures import coat_photo
from tests.running import running


def add(page, *files):
    page.get_by_label("Add photos").last.set_input_files(
        [{"name": name, "mimeType": "image/jpeg", "buffer": content} for name, content in files]
    )


def put_on(page, piece):
    """Takes a piece from the left and gives the verdict that the screen then shows."""
    goes = page.get_by_role("region", name="What goes here")
    with page.expect_response("**/judge") as answer:
        goes.get_by_role("button", name=re.compile(f"^{piece}:")).click()
    expect(goes.get_by_role("button", name=re.compile(f"^{piece}, in the look"))).to_be_visible()
    overall = answer.value.json()["overall"]
    expect(page.get_by_role("meter", name="The whole", exact=True)).to_have_attribute("aria-valuenow", f"{overall:g}")
    return overall


def test_a_stylist_photographs_a_coat_and_keeps_a_look_with_it(page, demo):
    with running("demo", demo) as url:
        page.goto(url)
        page.get_by_role("article", name="Ilka Maren").get_by_role("link", name="photos to go through").click()
        add(page, ("tour-coat.jpg", coat_photo()))
        page.get_by_role("button", name=re.compile("tour-coat.jpg, (read|look at this)")).click()
        reading = page.get_by_role("complementary", name="Reading")
        expect(reading.get_by_text("navy", exact=True)).to_be_visible()
        expect(reading.get_by_role("button", name="C cool neutral")).to_have_attribute("aria-pressed", "true")
        expect(reading.get_by_role("meter", name="Temperature")).to_have_attribute("aria-valuetext", re.compile("cool"))

        # the colour is checked at something white, and corrected where it is wrong
        page.keyboard.press("l")
        page.get_by_role("img", name="tour-coat.jpg, as shot").click(position={"x": 12, "y": 12})
        expect(reading.get_by_text("corrected from what you tapped")).to_be_visible()
        reading.get_by_label("Called").fill("Tour coat")
        page.keyboard.press("Escape")
        reading.get_by_role("heading", name="Tour coat").click()
        page.keyboard.press("Enter")
        expect(page.get_by_text("Tour coat hangs with the cool neutrals")).to_be_visible()

        page.get_by_role("link", name="Rail", exact=True).click()
        page.get_by_role("button", name=re.compile("^Tour coat,")).click()
        page.keyboard.press("l")
        expect(page.get_by_role("meter", name="The whole")).to_be_visible()

        for piece in ("Ivory silk shirt", "Black wide trousers", "Black flat shoes"):
            before = put_on(page, piece)
        # a swap: the knit takes the shirt's place, and undo gives it back
        assert put_on(page, "Rust ribbed knit") != before
        goes = page.get_by_role("region", name="What goes here")
        expect(goes.get_by_role("button", name=re.compile("^Ivory silk shirt:"))).to_be_visible()
        page.keyboard.press("Control+z")
        expect(page.get_by_role("meter", name="The whole", exact=True)).to_have_attribute(
            "aria-valuenow", f"{before:g}"
        )

        page.get_by_label("Name of the look").fill("Night train")
        page.get_by_role("button", name="Keep", exact=True).click()
        expect(page.get_by_text("Kept as Night train.")).to_be_visible()
        page.goto("about:blank")

    with running("demo", demo) as url:
        page.goto(url)
        page.get_by_role("article", name="Ilka Maren").get_by_role("link", name="8 looks kept").click()
        page.get_by_role("button", name=re.compile(f"^Night train {int(before + 0.5)}$")).click()
        expect(page.get_by_role("meter", name="The whole", exact=True)).to_have_attribute(
            "aria-valuenow", f"{before:g}"
        )
        expect(page.get_by_role("group", name="The look on the figure").get_by_text("Tour coat")).to_be_visible()
        page.goto("about:blank")
