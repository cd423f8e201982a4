"""Looks are made on the wall by keyboard, kept over a restart, turned, laid over a day; an unused piece is followed."""

import re

from playwright.sync_api import expect

from tests.journeys.access import shut_out
from tests.running import pick
from tests.warm import running_warm

THREE = ("Camel trousers", "Black wide trousers", "Charcoal wide trousers")


def at_rail(page):
    page.get_by_role("article", name="Ilka Maren").get_by_role("link").first.click()
    page.get_by_label("Camel trousers").first.wait_for()
    page.mouse.move(4, 400)


def choose(page, *names):
    for name in names:
        page.locator(f'[aria-label^="{name}"]').first.focus()
        page.keyboard.press("Space")


def at_wall(page, name):
    page.get_by_role("article", name="Ilka Maren").get_by_role("link", name="looks kept").click()
    page.get_by_role("button", name="make looks").click()
    page.get_by_role("link", name=name).click()
    hooks(page).first.wait_for()


def hooks(page):
    return page.get_by_role("button", name=re.compile(r"^Look \d+ of \d+"))


def kept(page):
    return page.get_by_role("button", name=re.compile(r"^Look .*, kept:"))


def test_nine_from_three_by_keyboard_stay_over_a_restart(page, demo):
    with running_warm("demo", demo) as url:
        page.goto(url)
        at_rail(page)
        choose(page, *THREE)
        page.keyboard.press("d")
        page.get_by_role("button", name="Make 9 looks").wait_for()
        expect(page.get_by_role("list", name="Pieces that the looks start from").get_by_role("listitem")).to_have_count(
            3
        )
        page.keyboard.press("m")
        expect(page.get_by_text(re.compile(r"\d+ looks hang there."))).to_be_visible()
        assert hooks(page).count() >= 6
        for _ in range(2):
            shown = page.locator('[aria-current="true"][data-look]')
            gone = shown.get_attribute("data-look")
            page.keyboard.press("x")
            expect(page.locator(f'[data-look="{gone}"]')).to_have_count(0)
        there = hooks(page).count()
        hooks(page).first.focus()
        for place in range(there):
            page.keyboard.press("k")
            expect(kept(page)).to_have_count(place + 1)
            page.keyboard.press("ArrowRight")
        address = page.url
        assert not shut_out(page, "make")
        page.goto("about:blank")
    with running_warm("demo", demo) as url:
        page.goto(url)
        page.get_by_role("heading", name="Ilka Maren").wait_for()
        page.goto(url.split("/?")[0] + "/clients" + address.split("/clients")[1])
        expect(kept(page)).to_have_count(there)
        page.keyboard.press("Control+z")
        expect(kept(page)).to_have_count(there - 1)
        page.keyboard.press("Control+y")
        expect(kept(page)).to_have_count(there)
        page.goto("about:blank")


def test_a_look_is_turned_for_the_evening_and_kept(opened):
    page = opened
    at_wall(page, "Tour wardrobe")
    hooks(page).first.click()
    page.keyboard.press("t")
    page.get_by_role("button", name="for the evening").click()
    tag = page.get_by_role("region", name="Turn the look").get_by_role("listitem").first
    expect(tag).to_be_visible()
    tag.get_by_role("button", name="keep it as a turn").click()
    expect(page.get_by_text(re.compile("Kept as .* look, for the evening"))).to_be_visible()
    hooks(page).first.focus()
    page.keyboard.press("Enter")
    page.get_by_role("meter", name="Colouring").wait_for()
    page.get_by_text("About this look").click()
    expect(page.get_by_text(re.compile("varied by .* for the evening"))).to_be_visible()


def test_a_day_has_three_stages_and_the_weakest_speaks(opened):
    page = opened
    page.get_by_role("article", name="Ilka Maren").get_by_role("link", name="looks kept").click()
    page.get_by_role("button", name=re.compile("^Train day")).click()
    page.get_by_role("meter", name="Colouring").wait_for()
    page.get_by_role("button", name="a day").click()
    expect(page.get_by_role("img", name=re.compile(r"^(morning|noon|evening): \d+"))).to_have_count(3)
    expect(page.get_by_text(re.compile(r"The \w+ speaks for the day: \d+\."))).to_be_visible()
    with page.expect_response(re.compile("/day$")):
        pick(page, "Weather, morning", "bare summer")
    page.get_by_label("Name of the look").fill("Train day, in stages")
    page.get_by_role("button", name="As another").click()
    expect(page.get_by_text("Kept as Train day, in stages.")).to_be_visible()
    page.reload()
    page.get_by_role("button", name=re.compile("^Train day, in stages")).click()
    page.get_by_role("button", name="a day").click()
    expect(page.get_by_role("img", name=re.compile(r"^(morning|noon|evening): \d+"))).to_have_count(3)
    assert not shut_out(page, "day")


def test_what_an_unused_piece_needs_is_asked_and_followed(opened):
    page = opened
    at_wall(page, "Tour wardrobe")
    unused = page.get_by_role("button", name=re.compile("^What the .* would need"))
    expect(unused.first).to_be_visible()
    for place in range(unused.count()):
        piece = re.fullmatch("What the (.*) would need", unused.nth(place).get_attribute("aria-label")).group(1)
        unused.nth(place).click()
        told = page.get_by_role("region", name="What hangs in them").get_by_role("status")
        expect(told).to_contain_text(re.compile(f"{re.escape(piece)}: .*in none"))
        if page.get_by_role("button", name="make looks with it").count():
            break
    page.get_by_role("button", name="make looks with it").click()
    expect(page.get_by_role("list", name="Pieces that the looks start from").get_by_role("listitem")).to_have_count(1)
    expect(page.get_by_text(re.compile(r"\d+ looks? hangs? there."))).to_be_visible()


def test_one_piece_goes_many_ways_by_one_key(opened):
    page = opened
    at_rail(page)
    page.get_by_label("Camel trousers").first.click()
    page.keyboard.press("o")
    expect(page.get_by_text(re.compile(r"\d+ looks hang there."))).to_be_visible()
    expect(page.get_by_text(re.compile("^Camel trousers: (the|part|a|an|one) "))).to_be_visible()
    page.keyboard.press(" ")
    expect(page.get_by_role("button", name="squint")).to_have_attribute("aria-pressed", "true")
    page.get_by_role("button", name="Let go of Camel trousers, many ways").click()
    expect(page.get_by_role("link", name="Camel trousers, many ways")).to_have_count(0)
