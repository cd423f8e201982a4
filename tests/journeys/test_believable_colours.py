"""The light set right, doubts settled, and nothing taken in twice."""

import io
import re
from pathlib import Path

from PIL import Image
from playwright.sync_api import expect

from tests.journeys.test_photo_to_look import add
from tests.pictures import coat_photo, encoded


def test_a_white_card_relights_a_photo_and_the_light_serves_the_series(opened):
    page = opened
    page.get_by_role("article", name="Ilka Maren").get_by_role("link", name="photos to go through").click()
    page.get_by_role("button", name=re.compile("^IMG_2208.jpg")).click()
    # the card that lies in it is found by itself
    expect(page.get_by_text("from the paper in it")).to_be_visible()
    page.keyboard.press("l")
    box = page.get_by_role("img", name=re.compile("IMG_2208")).bounding_box()
    page.mouse.click(box["x"] + 0.10 * box["width"], box["y"] + 0.88 * box["height"])
    expect(page.get_by_text("corrected from what you tapped")).to_be_visible()
    page.keyboard.press("g")
    expect(page.get_by_text("2 photos will be read in this light.")).to_be_visible()
    page.get_by_role("button", name=re.compile("^IMG_2207.jpg")).click()
    expect(page.get_by_text("as in another photo of the series")).to_be_visible()
    page.get_by_role("button", name="read it anew").click()
    expect(page.get_by_text("estimated from the scene")).to_be_visible()


def test_the_reader_settles_a_doubt(opened):
    page = opened
    page.get_by_role("article", name="Ilka Maren").get_by_role("link", name="photos to go through").click()
    page.get_by_role("button", name=re.compile("^IMG_2207.jpg")).click()
    within = re.compile(r"within\s(\d+)\sΔE")
    doubt = page.get_by_role("complementary", name="Reading").get_by_text(within)
    before = int(within.search(doubt.inner_text())[1])
    page.keyboard.press("r")
    expect(page.get_by_role("alert")).to_contain_text("the reader has not been calibrated")
    page.get_by_role("button", name="It is on its tile: calibrate").click()
    expect(page.get_by_text("calibrated on its tile")).to_be_visible()
    page.get_by_role("heading", name="IMG_2207.jpg").click()
    page.keyboard.press("r")
    expect(page.get_by_text("from the colour reader")).to_be_visible()
    assert int(within.search(doubt.inner_text())[1]) < before


def test_the_same_photo_again_is_noticed(opened):
    page = opened
    page.get_by_role("article", name="Ilka Maren").get_by_role("link", name="photos to go through").click()
    add(page, ("coat.jpg", coat_photo()))
    expect(page.get_by_role("button", name=re.compile("^coat.jpg, (read|look)"))).to_be_visible()
    smaller = Image.open(io.BytesIO(coat_photo())).resize((256, 320))
    add(page, ("copy.jpg", encoded(smaller, quality=80)))
    page.get_by_role("button", name=re.compile("^copy.jpg, (read|look)")).click()
    expect(page.get_by_text("The same photo as coat.jpg?")).to_be_visible()
    # what was asked about the photo is answered before it is gone
    expect(page.get_by_role("region", name="Nearest on the rail")).to_be_visible()
    page.wait_for_load_state("networkidle")
    page.keyboard.press("d")
    expect(page.get_by_role("button", name=re.compile("^copy.jpg"))).to_have_count(0)
    expect(page.get_by_role("link", name="Intake · 4")).to_be_visible()


def test_two_pieces_in_one_photo(opened):
    page = opened
    page.get_by_role("article", name="Ilka Maren").get_by_role("link", name="photos to go through").click()
    page.get_by_role("button", name=re.compile("^IMG_2208.jpg")).click()
    page.keyboard.press("m")
    expect(page.get_by_text("Draw a box round the other piece.")).to_be_visible()
    picture = page.get_by_role("img", name=re.compile("IMG_2208"))
    expect(picture).to_be_visible()
    box = picture.bounding_box()
    page.mouse.move(box["x"] + 0.2 * box["width"], box["y"] + 0.2 * box["height"])
    page.mouse.down()
    page.mouse.move(box["x"] + 0.8 * box["width"], box["y"] + 0.5 * box["height"], steps=6)
    page.mouse.up()
    expect(page.get_by_role("button", name="undo stroke")).to_be_visible()
    expect(page.get_by_role("link", name="Intake · 4")).to_be_visible()


def test_the_wardrobe_is_read_again_and_left_as_it_was(opened):
    page = opened
    page.get_by_role("article", name="Ilka Maren").get_by_role("link", name="photos to go through").click()
    page.get_by_role("button", name="Read all again").click()
    again = page.get_by_role("region", name="Read all again")
    expect(again.get_by_role("status")).to_contain_text(re.compile("still to be read|would change"))
    expect(again.get_by_role("status")).to_contain_text(re.compile("would change"), timeout=120_000)
    again.get_by_role("button", name="Leave all as they are").click()
    expect(again).to_have_count(0)


def test_the_card_is_printed_and_measured_once(opened):
    page = opened
    page.get_by_role("link", name="Studio").click()
    expect(page.get_by_text("Connected: stand-in.")).to_be_visible()
    with page.expect_download() as download:
        page.get_by_role("link", name="Card on A6 (PDF)").click()
    assert Path(download.value.path()).read_bytes().startswith(b"%PDF-")
    page.get_by_role("button", name="Measure the card").click()
    for patch in range(24):
        expect(page.get_by_text(f"row {patch // 6 + 1}, patch {patch % 6 + 1}.")).to_be_visible()
        page.get_by_role("button", name="Read it").click()
    expect(page.get_by_text("The card is measured.")).to_be_visible()
    expect(page.get_by_role("list", name="The card as measured").get_by_role("listitem")).to_have_count(24)


def test_what_lies_in_the_watched_folder_comes_in(opened, tmp_path):
    page = opened
    phone = tmp_path / "phone"
    phone.mkdir()
    (phone / "coat.jpg").write_bytes(coat_photo())
    page.get_by_role("link", name="Studio").click()
    page.get_by_label("Folder", exact=True).fill(str(phone))
    page.get_by_role("button", name="Watch it").click()
    expect(page.get_by_text(f"Watching {phone}.")).to_be_visible()
    page.get_by_role("link", name="Lucid Swatch").click()
    page.get_by_role("article", name="Ilka Maren").get_by_role("link", name="photos to go through").click()
    expect(page.get_by_role("button", name=re.compile("^coat.jpg"))).to_be_visible()
