"""A look is asked why it is not higher, mended and taken back, varied, and told what it is for."""

import re

from PIL import Image, ImageDraw
from playwright.sync_api import expect

from tests.running import pick


def look(page, name):
    page.get_by_role("article", name="Ilka Maren").get_by_role("link", name="looks kept").click()
    page.get_by_role("button", name=re.compile(f"^{name}")).click()
    page.get_by_role("meter", name="Colouring").wait_for()


def test_a_look_says_why_it_is_not_higher_and_what_to_think_of(opened):
    page = opened
    look(page, "Coffee with the quartet")
    page.get_by_role("button", name="why not higher?").click()
    expect(page.get_by_text(re.compile(r"\(harmony\)")).first).to_be_visible()
    expect(page.get_by_text(re.compile("a colour that is missing, the .* in ")).first).to_be_visible()
    beside = page.get_by_role("region", name="Beside colour")
    expect(beside).to_contain_text("White tee is for heat and checked jacket for cold", ignore_case=True)
    beside.get_by_role("button", name="Never mind").first.click()
    expect(beside).to_contain_text("Nothing to think of")
    page.reload()
    page.get_by_role("meter", name="Colouring").wait_for()
    expect(beside).to_contain_text("Nothing to think of")


def test_a_mend_is_applied_by_key_and_taken_back(opened):
    page = opened
    look(page, "Coffee with the quartet")
    whole = page.get_by_role("meter", name="The whole")
    before = whole.get_attribute("aria-valuenow")
    page.keyboard.press("m")
    expect(whole).not_to_have_attribute("aria-valuenow", before)
    assert float(whole.get_attribute("aria-valuenow")) > float(before)
    page.keyboard.press("Control+z")
    expect(whole).to_have_attribute("aria-valuenow", before)


def test_a_look_that_was_let_go_is_put_back_by_the_key_that_takes_back(opened):
    page = opened
    look(page, "Coffee with the quartet")
    kept = page.get_by_role("region", name="Kept looks").get_by_role("listitem")
    before = kept.all_inner_texts()
    page.get_by_role("button", name="Let go of Coffee with the quartet").click()
    expect(page.get_by_text("Coffee with the quartet is let go. Ctrl+Z puts it back.")).to_be_visible()
    expect(kept).to_have_count(len(before) - 1)
    page.keyboard.press("Control+z")
    expect(page.get_by_text("Taken back: let the look 'Coffee with the quartet' go.")).to_be_visible()
    expect(kept).to_have_count(len(before))
    assert kept.all_inner_texts() == before


def test_a_variation_knows_its_parent_and_both_know_what_they_are_for(opened):
    page = opened
    look(page, "Solo evening")
    page.get_by_text("About this look").click()
    page.get_by_label("occasion").fill("Concert hall")
    page.get_by_label("occasion").press("Tab")
    page.get_by_role("button", name="4 of 5 by the client").click()
    expect(page.get_by_role("button", name="4 of 5 by the client")).to_have_attribute("aria-pressed", "true")
    page.get_by_label("Name of the look").fill("Solo evening, in silver")
    page.get_by_role("button", name="As another").click()
    expect(page.get_by_text("Kept as Solo evening, in silver.")).to_be_visible()
    expect(page.get_by_text("varies Solo evening")).to_be_visible()
    page.get_by_role("button", name="Solo evening", exact=True).click()
    expect(page.get_by_label("occasion")).to_have_value("Concert hall")
    expect(page.get_by_text("varied by Solo evening, in silver")).to_be_visible()


def test_another_school_says_what_it_made_of_the_look_and_can_be_the_clients(opened):
    page = opened
    look(page, "Train day")
    whole = page.get_by_role("meter", name="The whole")
    before = whole.get_attribute("aria-valuenow")
    page.get_by_text("By the school").click()
    page.get_by_role("group", name="metals").get_by_role("button", name="mix on purpose").click()
    told = page.get_by_role("status").filter(has_text="Metals: mix on purpose")
    expect(told).to_contain_text("no longer: cognac bag and gold hoops: one metal repeated")
    expect(whole).not_to_have_attribute("aria-valuenow", before)
    page.get_by_role("button", name="as Ilka Maren usually").click()
    expect(whole).to_have_attribute("aria-valuenow", before)
    page.get_by_role("group", name="metals").get_by_role("button", name="mix on purpose").click()
    page.get_by_role("button", name="for every look of Ilka Maren").click()
    expect(page.get_by_text("Ilka Maren follows this school now.")).to_be_visible()
    page.reload()
    page.get_by_text("By the school").click()
    metals = page.get_by_role("group", name="metals")
    expect(metals.get_by_role("button", name="mix on purpose")).to_have_attribute("aria-pressed", "true")


def test_one_look_is_held_against_another_client_and_beside_a_change(opened):
    page = opened
    look(page, "Coffee with the quartet")
    page.get_by_label("hold beside").hover()
    pick(page, "hold beside", "Tobe Arrun")
    differs = page.get_by_role("region", name="What differs")
    expect(differs).to_contain_text("the full one on Tobe Arrun")
    expect(differs).to_contain_text("near the face")
    expect(page.get_by_role("img", name="Held beside")).to_be_visible()
    page.keyboard.press("b")
    expect(differs).to_have_count(0)
    page.keyboard.press("b")
    expect(differs).to_contain_text("the full one with the change")
    after = page.get_by_role("meter", name="The whole").get_attribute("aria-valuenow")
    page.get_by_role("button", name="make this change").click()
    expect(differs).to_have_count(0)
    expect(page.get_by_role("meter", name="The whole")).to_have_attribute("aria-valuenow", after)


def test_a_layer_is_closed_the_light_turned_and_both_kept_with_the_look(opened):
    page = opened
    look(page, "Train day")
    whole = page.get_by_role("meter", name="The whole")
    before = whole.get_attribute("aria-valuenow")
    page.get_by_role("button", name="wear it closed").press("Enter")
    expect(whole).not_to_have_attribute("aria-valuenow", before)
    closed = whole.get_attribute("aria-valuenow")
    page.get_by_role("button", name="seated").click()
    pick(page, "light", "greyscale")
    matrix = page.locator("svg.figure feColorMatrix").get_attribute("values").split()
    assert matrix[0:3] == matrix[5:8] == matrix[10:13]
    page.get_by_role("button", name="Keep", exact=True).click()
    expect(page.get_by_text("Kept as Train day")).to_be_visible()
    page.get_by_role("button", name="new look").click()
    page.get_by_role("button", name=re.compile("^Train day")).click()
    expect(whole).to_have_attribute("aria-valuenow", closed)
    expect(page.get_by_role("button", name="wear it open")).to_be_visible()
    expect(page.get_by_role("button", name="seated")).to_have_attribute("aria-pressed", "true")


def test_the_occasion_and_the_weather_bar_what_does_not_go_there(opened):
    page = opened
    look(page, "Train day")
    page.get_by_role("group", name="How formal it is").get_by_role("button", name="black tie").click()
    beside = page.get_by_role("region", name="Beside colour")
    expect(beside).to_contain_text("and the occasion is black tie")
    page.get_by_role("group", name="How formal it is").get_by_role("button", name="black tie").click()
    expect(beside).not_to_contain_text("and the occasion is black tie")


def test_a_photo_of_a_look_worn_asks_for_the_shoes(opened, tmp_path):
    page = opened
    look(page, "Train day")
    page.get_by_text("About this look").click()
    page.get_by_label("Photo of the look as it is worn").set_input_files(figure_photo(tmp_path / "cut.png", feet=False))
    expect(page.get_by_role("img", name=re.compile("as it was worn"))).to_be_visible()
    expect(page.get_by_text("The shoes are not in the picture")).to_be_visible()
    page.get_by_label("Photo of the look as it is worn").set_input_files(
        figure_photo(tmp_path / "whole.png", feet=True)
    )
    expect(page.get_by_text("The shoes are not in the picture")).to_have_count(0)
    # a photo does not come back, so letting go asks once more
    page.get_by_role("button", name="Let go of Train day").click()
    expect(page.get_by_role("button", name=re.compile("^Let go of Train day.*its photo for good"))).to_be_visible()
    expect(page.get_by_role("img", name=re.compile("as it was worn"))).to_be_visible()
    page.get_by_role("button", name="take the photo away").click()
    expect(page.get_by_role("img", name=re.compile("as it was worn"))).to_have_count(0)


def figure_photo(path, feet):
    """A plain figure against a pale wall, whole or cut off at the knee."""
    picture = Image.new("RGB", (480, 720), (224, 221, 216))
    draw = ImageDraw.Draw(picture)
    down = 0 if feet else 260
    draw.ellipse((205, 50 + down, 275, 130 + down), fill=(150, 104, 80))
    draw.polygon([(165, 140 + down), (315, 140 + down), (300, 360 + down), (180, 360 + down)], fill=(60, 70, 110))
    legs = [(180, 360), (300, 360), (310, 620), (250, 620), (240, 400), (230, 620), (170, 620)]
    draw.polygon([(x, y + down) for x, y in legs], fill=(40, 40, 46))
    picture.save(path)
    return path


def test_a_reason_is_marked_as_meant_and_taken_back(opened):
    page = opened
    look(page, "Coffee with the quartet")
    whole = page.get_by_role("meter", name="The whole")
    before = float(whole.get_attribute("aria-valuenow"))
    meant = page.get_by_role("button", name=re.compile(": meant$")).first
    meant.click()
    expect(page.get_by_text(f"{before:.0f} if nothing were meant")).to_be_visible()
    expect(meant).to_have_attribute("aria-pressed", "true")
    assert float(whole.get_attribute("aria-valuenow")) > before
    page.get_by_label(re.compile("^why it is meant")).fill("she plays barefoot")
    page.keyboard.press("Tab")
    page.reload()
    expect(page.get_by_label(re.compile("^why it is meant"))).to_have_value("she plays barefoot")
    page.get_by_role("button", name=re.compile(": meant$")).and_(page.locator("[aria-pressed=true]")).click()
    expect(page.get_by_text("if nothing were meant")).to_have_count(0)
    expect(whole).to_have_attribute("aria-valuenow", re.compile(f"^{before:g}"))


def test_a_look_carries_a_theme_as_far_as_it_shows(opened):
    page = opened
    look(page, "Coffee with the quartet")
    page.get_by_role("button", name="Theme", exact=True).click()
    pick(page, "a colour from", "Camel coat")
    tape = page.get_by_role("meter", name="Theme")
    tape.wait_for()
    alone = float(tape.get_attribute("aria-valuenow"))
    page.get_by_label("word of the theme").fill("sand")
    page.keyboard.press("Tab")
    expect(page.get_by_role("button", name="Theme · sand")).to_be_visible()
    pick(page, "a colour from", "White tee")
    expect(tape).not_to_have_attribute("aria-valuenow", f"{alone:g}")
    page.keyboard.press("Control+z")
    page.keyboard.press("Control+z")
    page.keyboard.press("Control+z")
    expect(tape).to_have_count(0)


def test_two_changes_that_help_together_are_made_at_once_and_taken_back(opened):
    page = opened
    page.get_by_role("article", name="Ilka Maren").get_by_role("link", name="looks kept").click()
    for place, name in (("Top", "White tee"), ("Lower half", "Camel trousers"), ("Feet", "Silver shoes")):
        with page.expect_response(re.compile("/judge$")):
            page.locator(f'section[aria-label="{place}"]').get_by_role("button", name=re.compile(f"^{name}")).click()
        page.get_by_role("button", name=re.compile(f"^{name}, in the look; take it off: ")).wait_for()
        page.get_by_role("meter", name="The whole").wait_for()
    whole = page.get_by_role("meter", name="The whole")
    both = page.get_by_role("button", name=re.compile(r"^.* and .*: .*alone [+−0]"))
    both.wait_for()
    before = float(whole.get_attribute("aria-valuenow"))
    gain = float(re.search(r", \+(\d+\.\d);", both.get_attribute("aria-label")).group(1))
    both.press("Enter")
    expect(whole).to_have_attribute("aria-valuenow", re.compile(rf"^{re.escape(f'{before + gain:g}')}"))
    page.keyboard.press("Control+z")
    expect(whole).to_have_attribute("aria-valuenow", f"{before:g}")
