"""One sheet of paper for the whole room, as a stylist goes through her photos."""

import re

from benchmarks.own_rooms import room_photos
from playwright.sync_api import expect

from tests.journeys.test_photo_to_look import add

SEEN = "(read|look at this)"


def frame(page, name, told):
    """The photo of the film strip with what it says of its light."""
    return page.get_by_role("button", name=re.compile(f"^{name}.jpg, {SEEN}{told}$"))


def note(page, text):
    return page.get_by_role("complementary", name="Reading").get_by_text(text)


def test_one_sheet_of_paper_lights_all_photos_and_nobody_taps(tilde):
    page = tilde
    add(page, *room_photos("wood"))
    expect(frame(page, "sea-shirt", ", lends its light")).to_be_visible()
    expect(page.get_by_role("button", name=re.compile("lit with its room"))).to_have_count(4)
    frame(page, "brick-knit", ", lit with its room").click()
    expect(note(page, "In a room of 5, lit as sea-shirt.jpg tells")).to_be_visible()
    expect(note(page, "from the room")).to_be_visible()
    frame(page, "sea-shirt", ", lends its light").click()
    expect(note(page, "The framed paper tells its light.")).to_be_visible()
    expect(note(page, "from the paper in it")).to_be_visible()


def test_paper_that_comes_later_shows_what_would_change_before_it_does(tilde):
    page = tilde
    add(page, *room_photos("wood", paper=None))
    expect(page.get_by_role("button", name=re.compile("lit with its room"))).to_have_count(5)
    frame(page, "straw-top", ", lit with its room").click()
    expect(note(page, "Lay a sheet of paper in one photo of this room")).to_be_visible()
    expect(note(page, "estimated with its room")).to_be_visible()

    add(page, ("with-paper.jpg", room_photos("wood")[0][1]))
    expect(frame(page, "with-paper", ", lends its light")).to_be_visible()
    frame(page, "straw-top", ", lit with its room").click()
    expect(note(page, "of this room would look different now")).to_be_visible()
    page.keyboard.press("y")
    shown = page.get_by_role("region", name="In the light of the room")
    expect(shown.get_by_text("This is what would change.")).to_be_visible()
    expect(shown.get_by_role("checkbox").first).to_be_checked()
    shown.get_by_role("button", name=re.compile("^Take over")).click()
    expect(shown).to_be_hidden()
    frame(page, "straw-top", ", lit with its room").click()
    expect(note(page, "lit as with-paper.jpg tells")).to_be_visible()
    expect(note(page, "of this room would look different now")).to_have_count(0)


def test_what_is_no_paper_is_refused_by_a_key(tilde):
    page = tilde
    add(page, *room_photos("wood")[:3])
    frame(page, "sea-shirt", ", lends its light").click()
    page.keyboard.press("u")
    expect(page.get_by_text("It is no paper. 1 photo will be read again.")).to_be_visible()
    expect(note(page, "What is framed is no paper, as you said.")).to_be_visible()
    expect(page.get_by_role("button", name=re.compile("lends its light"))).to_have_count(0)
    page.keyboard.press("y")
    expect(note(page, "The framed paper tells its light.")).to_be_visible()


def test_a_photo_goes_out_of_its_room_and_back_and_a_new_room_begins(tilde):
    page = tilde
    add(page, *room_photos("wood"))
    expect(page.get_by_role("button", name=re.compile("lit with its room"))).to_have_count(4)
    frame(page, "moss-trousers", ", lit with its room").click()
    page.keyboard.press("i")
    expect(note(page, "In no room with others.")).to_be_visible()
    page.keyboard.press("i")
    expect(note(page, "In a room of 5,")).to_be_visible()
    page.keyboard.press("z")
    expect(page.get_by_text("A new room begins here.")).to_be_visible()
    expect(note(page, "In a room of 5,")).to_have_count(0)
