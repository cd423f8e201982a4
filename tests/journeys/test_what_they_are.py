"""What a piece is, told by keys and marks: at the intake, on the rail, one after the other, and several at once."""

import json
import re
from pathlib import Path

import pytest
from PIL import Image
from playwright.sync_api import expect

from tests.journeys.test_photo_to_look import add
from tests.pictures import encoded

TWELVE = 12


def small(demo, file):
    image = Image.open(Path(demo) / "samples" / file).convert("RGB")
    return encoded(image.resize((450, 600), Image.Resampling.LANCZOS), quality=88)


@pytest.fixture
def tilde(opened):
    """A new client's intake, open."""
    page = opened
    page.get_by_label("Name or initials").fill("Tilde Roan")
    page.get_by_label(re.compile("agreed today")).check()
    page.get_by_role("button", name="Add to the book").click()
    page.get_by_role("link", name=re.compile("^Intake")).click()
    return page


def say_what_it_is(page, category):
    """Presses the key of a category, or types it where it is not among the likely ones. Returns how many keys it took."""
    guesses = page.get_by_role("group", name="What is it likely?")
    one = guesses.get_by_role("button", name=re.compile(rf"\b{category}\b"))
    if one.count() and one.get_attribute("aria-pressed") == "true":
        return 0
    if one.count():
        page.keyboard.press(one.locator("kbd").inner_text())
        expect(one).to_have_attribute("aria-pressed", "true")
        return 1
    page.keyboard.press("k")
    page.keyboard.type(category[:4])
    page.locator(".n-base-select-option:visible", has_text=category).first.click()
    page.locator("body").click(position={"x": 640, "y": 790})
    return 5


def all_read(page, count):
    expect(page.get_by_role("link", name=f"Intake · {count}", exact=True)).to_be_visible(timeout=60_000)
    expect(page.get_by_text(re.compile("^(taking in|reading photos)"))).to_have_count(0, timeout=120_000)


def to_the_rail(page):
    """The cellist's rail; the pointer lies where no piece hangs."""
    page.get_by_role("article", name="Ilka Maren").get_by_role("link").first.click()
    page.mouse.move(4, 400)
    page.get_by_role("button", name=re.compile("^Camel coat")).wait_for()


def look_at(page, piece):
    """The cut and cloth of a piece."""
    page.get_by_role("button", name=re.compile(f"^{piece}")).focus()
    card = page.get_by_role("region", name=piece)
    card.get_by_role("tab", name="cut and cloth").click()
    return card


def test_a_coat_and_a_pair_of_shoes_are_hung_by_keys(tilde, demo):
    page = tilde
    add(page, ("1.jpg", small(demo, "winter-coat.jpg")), ("2.jpg", small(demo, "black-shoes.jpg")))
    all_read(page, 2)
    page.get_by_role("button", name=re.compile("^1.jpg")).click()
    say_what_it_is(page, "coat")
    cloths = page.get_by_role("group", name="What cloth is it?")
    expect(cloths.get_by_role("button")).to_have_count(3)
    expect(cloths.locator("img")).to_have_count(3)
    page.keyboard.press("5")
    second = cloths.get_by_role("button").nth(1)
    expect(second).to_have_attribute("aria-pressed", "true")
    chosen = second.locator(".name").inner_text().split()[-1]
    cut = page.get_by_role("complementary", name="Cut and use")
    expect(cut.get_by_role("slider", name="Hem")).to_have_attribute("aria-valuetext", re.compile("as seen$"))
    page.keyboard.press("h")
    page.keyboard.press("ArrowUp")
    expect(cut.get_by_role("slider", name="Hem")).not_to_have_attribute("aria-valuetext", re.compile("as seen$"))
    hem = cut.get_by_role("slider", name="Hem").get_attribute("aria-valuetext")
    page.locator("body").click(position={"x": 640, "y": 790})
    page.keyboard.press("Enter")
    expect(page.get_by_text("Ctrl+Z takes it off again")).to_be_visible()
    expect(page.get_by_role("heading", name="2.jpg")).to_be_visible()
    say_what_it_is(page, "shoes")
    expect(cut.get_by_text(re.compile("a round toe takes it down")).first).to_be_visible()
    toe = cut.get_by_role("group", name="toe")
    toe.get_by_role("button", name="pointed").click()
    cut.get_by_role("group", name="sole").get_by_role("button", name="thin").click()
    expect(cut.get_by_text("a pointed toe and a thin sole lift it")).to_be_visible()
    page.locator("body").click(position={"x": 640, "y": 790})
    page.keyboard.press("Enter")
    expect(page.get_by_role("link", name="Intake · 0", exact=True)).to_be_visible()
    page.get_by_role("link", name="Rail", exact=True).click()
    page.mouse.move(4, 400)
    page.get_by_role("button", name=re.compile(" coat,")).first.focus()
    card = page.get_by_role("region", name=re.compile("coat$"))
    card.get_by_role("tab", name="cut and cloth").click()
    expect(card.get_by_role("slider", name="Hem")).to_have_attribute("aria-valuetext", hem)
    expect(card.get_by_role("button", name=re.compile(chosen), pressed=True)).to_be_visible()


def test_a_hem_is_pulled_and_taken_back(opened):
    page = opened
    to_the_rail(page)
    look_at(page, "Bottle green satin skirt")
    hem = page.get_by_role("slider", name="Hem")
    expect(hem).to_have_attribute("aria-valuetext", "midi")
    pin, drawing = (
        hem.locator("circle.pin").bounding_box(),
        page.get_by_role("group", name="How it is cut").bounding_box(),
    )
    page.mouse.move(pin["x"] + pin["width"] / 2, pin["y"] + pin["height"] / 2)
    page.mouse.down()
    page.mouse.move(pin["x"], drawing["y"] + drawing["height"] * 0.45, steps=8)
    page.mouse.move(pin["x"], drawing["y"] + 4, steps=4)
    page.mouse.up()
    expect(hem).to_have_attribute("aria-valuetext", "hip")
    hem.focus()
    page.keyboard.press("ArrowDown")
    expect(hem).to_have_attribute("aria-valuetext", "knee")
    page.locator("h1").click()
    page.keyboard.press("Control+z")
    expect(hem).to_have_attribute("aria-valuetext", "hip")
    page.keyboard.press("Control+z")
    expect(hem).to_have_attribute("aria-valuetext", "midi")


def test_formality_is_pulled_on_its_tape_and_given_back_to_the_proposal(opened):
    page = opened
    to_the_rail(page)
    card = look_at(page, "Blue jeans")
    expect(card.get_by_text("Formality every day")).to_be_visible()
    card.get_by_role("slider", name="Formality").focus()
    page.keyboard.press("ArrowRight")
    page.keyboard.press("ArrowRight")
    expect(card.get_by_text("Formality a smart day")).to_be_visible()
    expect(page.get_by_text("1 piece changed")).to_be_visible()
    card.get_by_role("button", name="Formality as proposed").click()
    expect(card.get_by_text(re.compile("denim takes? it down")).first).to_be_visible()
    expect(card.get_by_role("button", name="Formality as proposed")).to_have_count(0)


def test_six_pieces_are_gone_through_by_cloth(opened):
    page = opened
    to_the_rail(page)
    page.keyboard.press("i")
    ways = page.get_by_role("group", name="Go through by")
    ways.get_by_role("button", name="cloth", exact=True).click()
    options = page.get_by_role("group", name="What cloth is it?").first
    expect(options).to_be_visible()
    count = re.compile(r"^(\d+) questions? open")
    left = int(count.match(page.get_by_text(count).inner_text())[1])
    assert left >= 6
    asked = []
    for step in range(1, 7):
        asked.append(page.locator(".walk h3").inner_text())
        page.keyboard.press("1")
        if left - step:
            expect(page.get_by_text(re.compile(rf"^{left - step} questions? open"))).to_be_visible()
    expect(page.get_by_text("1 piece changed. Ctrl+Z takes it back.")).to_be_visible()
    for piece in reversed(asked):
        page.keyboard.press("Control+z")
        expect(page.get_by_text(f"Taken back: {piece[:1].lower()}{piece[1:]}: finish")).to_be_visible()
    ways.get_by_role("button", name="length", exact=True).click()
    ways.get_by_role("button", name="cloth", exact=True).click()
    expect(page.get_by_text(re.compile(rf"^{left} questions? open"))).to_be_visible()


def test_three_blouses_become_silk_at_once_and_back(opened):
    page = opened
    to_the_rail(page)
    names = ("White tee", "Grey marl tee", "Striped top")
    for name in names:
        page.get_by_role("button", name=name).first.click()
    expect(page.get_by_text("3 pieces chosen")).to_be_visible()
    page.keyboard.press("i")
    page.locator(".many .n-base-selection-tags").click()
    page.keyboard.type("silk")
    page.locator(".n-base-select-option:visible", has_text="silk").first.click()
    expect(page.get_by_text("3 pieces changed. Ctrl+Z takes it back.")).to_be_visible()
    expect(page.get_by_role("region", name="Striped top")).to_contain_text("silk")
    page.get_by_role("group", name="warmth of all").get_by_role("button", name="a mild day").click()
    page.get_by_text("One word for").click()
    page.keyboard.press("Control+z")
    expect(page.get_by_text("Taken back: white tee and 2 more: warmth")).to_be_visible()
    page.keyboard.press("Control+z")
    expect(page.get_by_role("region", name="Striped top")).not_to_contain_text("silk")


def test_twelve_photos_need_few_keys(tilde, demo):
    page = tilde
    truths = json.loads((Path(demo) / "samples/truth.json").read_text(encoding="utf-8"))
    plain = [one for one in truths if one["category"] not in ("necklace", "earrings", "belt")][::3][:TWELVE]
    add(page, *((f"{k}.jpg", small(demo, one["file"])) for k, one in enumerate(plain)))
    all_read(page, TWELVE)
    keys = []
    page.get_by_role("img", name=re.compile(r"\.jpg, as shot")).click()
    for left in range(TWELVE, 0, -1):
        name = page.get_by_role("img", name=re.compile(r"\.jpg, as shot")).get_attribute("alt")
        keys.append(say_what_it_is(page, plain[int(name.split(".")[0])]["category"]))
        page.keyboard.press("Enter")
        expect(page.get_by_role("link", name=f"Intake · {left - 1}", exact=True)).to_be_visible()
    assert sorted(keys)[TWELVE // 2] <= 2
    assert sum(count <= 1 for count in keys) >= 10


def test_a_wish_for_proportion_is_told_beside_the_look(opened):
    page = opened
    page.get_by_role("article", name="Ilka Maren").get_by_role("link", name="looks kept").click()
    page.get_by_role("button", name=re.compile("^Train day")).click()
    page.get_by_role("meter", name="Colouring").wait_for()
    page.goto(page.url.replace("/looks", "/about"))
    page.get_by_role("group", name="No fullness at").get_by_role("button", name="hip").click()
    expect(page.get_by_text("Kept.")).to_be_visible()
    welcome = page.get_by_role("group", name="Fullness is welcome at").get_by_role("button", name="hip")
    expect(welcome).to_have_attribute("aria-pressed", "false")
    page.get_by_role("link", name="Looks", exact=True).click()
    page.get_by_role("button", name=re.compile("^Train day")).click()
    expect(page.get_by_text("camel trousers is full at the hip, which is not wished")).to_be_visible()
