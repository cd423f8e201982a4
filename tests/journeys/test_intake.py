"""Photos that are wrong, and a wardrobe gone through by keys alone."""

import re

from playwright.sync_api import expect

from tests.journeys.test_photo_to_look import add
from tests.pictures import coat_photo


def test_a_bad_file_says_why_and_stops_nothing(opened):
    page = opened
    page.get_by_role("article", name="Ilka Maren").get_by_role("link", name="photos to go through").click()
    add(page, ("letter.jpg", b"Dear wardrobe"), ("cut.jpg", coat_photo()[:5000]), ("coat.jpg", coat_photo()))
    expect(page.get_by_role("alert")).to_contain_text("letter.jpg: this is not a photo that can be read. Send a JPEG")
    page.get_by_role("button", name="cut.jpg, not read").click()
    reading = page.get_by_role("complementary", name="Reading")
    expect(reading.get_by_role("alert")).to_contain_text("the photo is cut short or damaged. Copy it from the phone")
    expect(page.get_by_role("button", name=re.compile("^coat.jpg, (read|look)"))).to_be_visible()
    reading.get_by_role("button", name="Remove the photo").click()
    expect(page.get_by_role("button", name="cut.jpg, not read")).to_have_count(0)
    expect(page.get_by_role("link", name="Intake · 4")).to_be_visible()


def test_waiting_photos_are_hung_with_keys_alone(opened):
    page = opened
    page.get_by_role("article", name="Ilka Maren").get_by_role("link", name="photos to go through").click()
    page.get_by_role("button", name=re.compile("^IMG_2209.jpg")).click()
    page.get_by_role("button", name=re.compile("^IMG_2209.jpg")).blur()
    # what is not among the likely ones is typed, what is has a number
    page.keyboard.press("k")
    page.keyboard.type("wrap")
    page.keyboard.press("Enter")
    page.keyboard.press("Escape")
    page.locator("body").click(position={"x": 640, "y": 790})
    scarf = page.get_by_role("group", name="What is it likely?").get_by_role("button", name=re.compile("scarf"))
    expect(scarf).to_have_attribute("aria-pressed", "false")
    page.keyboard.press(scarf.locator("kbd").inner_text())
    expect(scarf).to_have_attribute("aria-pressed", "true")
    page.keyboard.press("p")
    page.keyboard.press("6")
    expect(page.get_by_role("button", name="geometric")).to_have_attribute("aria-pressed", "true")
    page.keyboard.press("Enter")
    expect(page.get_by_text("hangs with the prints")).to_be_visible()
    expect(page.get_by_role("link", name="Intake · 2")).to_be_visible()
    page.keyboard.press("Control+z")
    expect(page.get_by_role("link", name="Intake · 3")).to_be_visible()
    page.keyboard.press("x")
    expect(page.get_by_role("button", name="IMG_2209.jpg, not now")).to_be_visible()


def test_a_stroke_mends_the_outline(opened):
    page = opened
    page.get_by_role("article", name="Ilka Maren").get_by_role("link", name="photos to go through").click()
    page.get_by_role("button", name=re.compile("^IMG_2208.jpg")).click()
    page.get_by_role("button", name="not cloth E").click()
    box = page.get_by_role("img", name=re.compile("IMG_2208")).bounding_box()
    middle, low = box["x"] + box["width"] / 2, box["y"] + box["height"] * 0.68
    page.mouse.move(middle - 120, low)
    page.mouse.down()
    page.mouse.move(middle + 120, low, steps=12)
    page.mouse.up()
    undo = page.get_by_role("button", name="undo stroke")
    undo.click()
    expect(undo).to_have_count(0)
