"""A look is asked why it is not higher, mended and taken back, varied, and told what it is for."""

import re

from playwright.sync_api import expect


def look(page, name):
    page.get_by_role("article", name="Ilka Maren").get_by_role("link", name="looks kept").click()
    page.get_by_role("button", name=re.compile(f"^{name}")).click()
    page.get_by_role("meter", name="Colouring").wait_for()


def test_a_look_says_why_it_is_not_higher_and_what_to_think_of(opened):
    page = opened
    look(page, "Coffee with the quartet")
    page.get_by_role("button", name="why not higher?").click()
    expect(page.get_by_text(re.compile(r"\(harmony\)")).first).to_be_visible()
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
