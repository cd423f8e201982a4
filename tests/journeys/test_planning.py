"""Plan: a calendar read, nine days filled, locked, carried and dragged, packed and taken out; an evening logged; a capsule walked."""

import re
from datetime import date, timedelta

import pytest
from playwright.sync_api import expect

from tests.journeys.access import shut_out
from tests.running import pick

FIRST = date.today() + timedelta(20)
HAPPENS = (
    (0, "T090000", "Train, five hours"),
    (1, "T100000", "Rehearsal"),
    (1, "T193000", "Concert"),
    (2, None, "Free day"),
    (3, "T110000", "School visit"),
    (4, "T140000", "Train"),
    (5, "T193000", "Concert"),
    (6, "T170000", "Gallery opening"),
    (8, "T200000", "Concert"),
)


def calendar():
    lines = ["BEGIN:VCALENDAR", "VERSION:2.0", "PRODID:-//Made up//Calendar//EN"]
    for number, (day, at, name) in enumerate(HAPPENS):
        on = f"{FIRST + timedelta(day):%Y%m%d}"
        begins = f"DTSTART;VALUE=DATE:{on}" if at is None else f"DTSTART:{on}{at}"
        lines += ["BEGIN:VEVENT", f"UID:{number}", begins, f"SUMMARY:{name}", "END:VEVENT"]
    return "\r\n".join([*lines, "END:VCALENDAR", ""]).encode()


@pytest.fixture
def plan(opened):
    """The plan of the cellist, open on her tour."""
    opened.get_by_role("article", name="Ilka Maren").get_by_role("link").first.click()
    opened.get_by_role("link", name="Plan", exact=True).click()
    hooks(opened).first.wait_for()
    opened.mouse.move(4, 400)
    return opened


def hooks(page):
    return page.get_by_role("list", name="The days").get_by_role("button")


def label(page, place):
    return hooks(page).nth(place).get_attribute("aria-label")


def part(page, name):
    page.get_by_role("tab", name=name, exact=True).click()
    # the arrows are the days' again, and not the tabs'
    page.evaluate("document.activeElement.blur()")


def said(page, text):
    expect(page.get_by_role("status").filter(has_text=re.compile(text)).first).to_be_visible()


def look_of(told):
    return told.split(": ", 1)[1]


def test_nine_days_are_read_filled_locked_carried_packed_and_taken_out(plan):
    page = plan
    pick(page, "The plan", "other days…")
    content = {"name": "Northern_winter.ics", "mimeType": "text/calendar", "buffer": calendar()}
    page.get_by_label("Calendar in").set_input_files(content)
    expect(page.get_by_role("button", name=re.compile("Concert: no look yet")).first).to_be_visible()
    expect(hooks(page)).to_have_count(10)
    page.get_by_role("button", name="days, weather, rest").click()
    group = page.get_by_role("group", name="The plan")
    group.get_by_placeholder("Vennby").fill("Ostrand")
    group.get_by_placeholder("Vennby").blur()
    group.get_by_role("button", name="Ask the forecast").click()
    expect(page.get_by_text("told by a simulated service")).to_be_visible()
    expect(page.get_by_role("meter", name=re.compile("^Weather on"))).to_have_count(10)
    page.keyboard.press("Escape")
    page.keyboard.press("f")
    said(page, "(dressed for|could not be)")
    expect(page.get_by_role("button", name=re.compile("Train, five hours, [0-9]+: [A-Z]"))).to_be_visible()
    page.get_by_role("group", name="What else fits").get_by_role("button").first.wait_for()
    assert shut_out(page, "the days") == {}
    # two looks stay, whatever the rest becomes
    for place in (0, 1):
        page.keyboard.press("l")
        expect(hooks(page).nth(place)).to_have_attribute("aria-label", re.compile("locked"))
        page.keyboard.press("ArrowRight")
    kept = [look_of(label(page, place)) for place in (0, 1)]
    page.keyboard.press("f")
    said(page, "(dressed for|could not be)")
    assert [look_of(label(page, place)) for place in (0, 1)] == kept
    # another look that fits hangs by its number, and one carries to the next hook
    page.keyboard.press("ArrowLeft")
    page.keyboard.press("ArrowLeft")
    page.keyboard.press("Shift+ArrowRight")
    expect(hooks(page).nth(1)).to_have_attribute("aria-label", re.compile(re.escape(kept[0])))
    expect(hooks(page).nth(0)).to_have_attribute("aria-label", re.compile(re.escape(kept[1])))
    page.keyboard.press("Control+z")
    said(page, "Taken back")
    expect(hooks(page).nth(0)).to_have_attribute("aria-label", re.compile(re.escape(kept[0])))
    case = page.get_by_role("region", name="The case")
    first = case.get_by_role("checkbox").first
    first.click()
    expect(first).to_be_checked()
    with page.expect_download() as download:
        page.get_by_role("link", name="to a calendar").click()
    assert download.value.suggested_filename == "northern-winter.ics"
    assert download.value.path().read_text().count("BEGIN:VEVENT") == 9
    for word, ending in (("as a table", "csv"), ("on paper", "pdf")):
        with page.expect_download() as download:
            page.get_by_role("link", name=word).click()
        assert download.value.suggested_filename == f"northern-winter.{ending}"


def test_a_look_is_dragged_to_another_day_and_hung_by_its_number(plan):
    page = plan
    before = [look_of(label(page, place)) for place in (0, 4)]
    start, end = (hooks(page).nth(place).bounding_box() for place in (0, 4))
    page.mouse.move(start["x"] + 60, start["y"] + 120)
    page.mouse.down()
    page.mouse.move(start["x"] + 90, start["y"] + 120, steps=3)
    page.mouse.move(end["x"] + 60, end["y"] + 120, steps=8)
    page.mouse.up()
    expect(hooks(page).nth(0)).to_have_attribute("aria-label", re.compile(re.escape(before[1])))
    expect(hooks(page).nth(4)).to_have_attribute("aria-label", re.compile(re.escape(before[0])))
    page.keyboard.press("Control+z")
    expect(hooks(page).nth(0)).to_have_attribute("aria-label", re.compile(re.escape(before[0])))
    # the same by touch
    touch = page.context.new_cdp_session(page)
    at = lambda box, more=0: [{"x": box["x"] + 60 + more, "y": box["y"] + 120}]  # noqa: E731
    touch.send("Input.dispatchTouchEvent", {"type": "touchStart", "touchPoints": at(start)})
    for more in (10, 30, 60):
        touch.send("Input.dispatchTouchEvent", {"type": "touchMove", "touchPoints": at(start, more)})
    touch.send("Input.dispatchTouchEvent", {"type": "touchMove", "touchPoints": at(end)})
    touch.send("Input.dispatchTouchEvent", {"type": "touchEnd", "touchPoints": []})
    expect(hooks(page).nth(4)).to_have_attribute("aria-label", re.compile(re.escape(before[0])))
    hooks(page).nth(7).click()
    other = page.get_by_role("group", name="What else fits").get_by_role("button").first
    name = other.get_attribute("aria-label").split(": hang ")[1]
    page.keyboard.press("1")
    expect(hooks(page).nth(7)).to_have_attribute("aria-label", re.compile(re.escape(name)))


def test_an_evening_is_logged_by_one_key_and_seen_as_cloth(plan):
    page = plan
    # the tour of the sample client begins before the day on which it was made up
    hooks(page).first.click()
    worn = look_of(label(page, 0))
    page.keyboard.press("w")
    page.get_by_role("group", name="How it felt").wait_for()
    page.keyboard.press("1")
    expect(page.get_by_text("in the log: felt right")).to_be_visible()
    expect(hooks(page).first).to_have_attribute("aria-label", re.compile("worn"))
    part(page, "worn")
    day = page.get_by_role("region", name="A calendar of cloth").get_by_role("button", name=re.compile(f": {worn}$"))
    day.last.click()
    lines = page.get_by_role("group", name="The day")
    expect(lines.get_by_text(worn)).to_be_visible()
    expect(lines.get_by_role("button", name="felt right").first).to_have_attribute("aria-pressed", "true")
    assert shut_out(page, "worn") == {}
    page.keyboard.press("Control+z")
    said(page, "Taken back: worn on")
    expect(page.get_by_text("Nothing is written on this day.")).to_be_visible()


def test_what_was_worn_is_written_by_hand_and_told_of_on_the_rail(plan):
    page = plan
    part(page, "worn")
    page.get_by_role("row", name=re.compile("^Camel coat")).wait_for()
    lines = int(page.get_by_text(re.compile(r"^\d+ lines in the log")).text_content().split()[0])
    page.keyboard.press("ArrowLeft")
    pick(page, "What was worn", "‘Solo evening’")
    page.get_by_role("button", name="Black concert dress was not worn").wait_for()
    page.get_by_role("button", name="felt right").click()
    page.get_by_role("button", name=re.compile("^Write it down")).click()
    said(page, "Written into the log")
    # nothing moves any more under what is clicked next
    expect(page.get_by_text(f"{lines + 1} lines in the log")).to_be_visible()
    expect(page.get_by_role("button", name="not worn after all")).to_be_visible()
    expect(page.get_by_role("group", name="The day").get_by_text("Black concert dress")).to_be_visible()
    page.get_by_role("tab", name="left hanging").click()
    expect(page.get_by_role("row", name=re.compile("^Leaf print dress"))).to_be_visible()
    page.get_by_role("link", name="Rail", exact=True).click()
    page.get_by_role("button", name="worn", exact=True).click()
    expect(page.get_by_text("Never worn").first).to_be_visible()


def test_the_curve_is_walked_one_is_kept_and_the_rail_is_seen_through_it(plan):
    page = plan
    part(page, "capsule")
    curve = page.get_by_role("img", name=re.compile("^Looks against pieces"))
    expect(curve).to_have_attribute("aria-label", re.compile("12 pieces: [0-9]+ good looks; proven"))
    page.keyboard.press("ArrowRight")
    expect(curve).to_have_attribute("aria-label", re.compile("13 pieces"))
    page.keyboard.press("Control+z")
    said(page, "Taken back")
    expect(curve).to_have_attribute("aria-label", re.compile("12 pieces"))
    assert shut_out(page, "the capsule") == {}
    many = page.get_by_label("What is asked").locator("label", has_text="pieces").get_by_role("textbox")
    many.fill("6")
    many.blur()
    pick(page, "A piece that must be in", "Checked jacket")
    page.keyboard.press("c")
    expect(curve).to_have_attribute("aria-label", re.compile("6 pieces: .*proven"), timeout=60_000)
    expect(page.get_by_label("What is in it").get_by_text("Checked jacket")).to_be_visible()
    expect(page.get_by_role("list", name="Capsules").get_by_role("listitem")).to_have_count(2)
    page.keyboard.press("r")
    expect(page.get_by_text("in ‘6 pieces’")).to_be_visible()
    page.get_by_role("button", name="the whole rail").click()
    expect(page.get_by_text("in ‘6 pieces’")).to_have_count(0)
