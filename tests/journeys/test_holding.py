"""Lenses are put on a face, drapes are held to it by keyboard, the trial is replayed, and a client is erased."""

import re

from PIL import Image
from playwright.sync_api import expect

from lucid_swatch.demo.studio.portrait import Sitter, draw_portrait
from tests.running import pick


def colouring_of(page, name):
    page.get_by_role("article", name=name).get_by_role("link", name="pieces on the rail").click()
    page.get_by_role("link", name="Colouring", exact=True).click()
    page.get_by_role("heading", name="Colouring", level=1).wait_for()


def test_a_lens_is_moved_and_says_what_it_reads(opened):
    page = opened
    colouring_of(page, "Tobe Arrun")
    lens = page.get_by_role("button", name="skin, spot 1")
    box = lens.bounding_box()
    read = page.get_by_role("listitem").filter(has_text="Skin")
    before = read.inner_text()
    page.mouse.move(box["x"] + 11, box["y"] + 11)
    page.mouse.down()
    page.mouse.move(box["x"] + 15, box["y"] - 180, steps=6)
    expect(page.locator(".live")).to_contain_text("L*")
    page.mouse.up()
    expect(page.get_by_text("reading…")).to_have_count(0)
    expect(read).not_to_have_text(before)
    page.get_by_role("button", name="flash").click()
    expect(page.get_by_role("button", name="flash")).to_have_attribute("aria-pressed", "true")
    lens.focus()
    page.keyboard.press("Delete")
    expect(page.get_by_role("button", name=re.compile("^skin, spot"))).to_have_count(2)


def test_cloth_is_held_to_the_face_by_keyboard_to_the_end_and_replayed(opened):
    page = opened
    colouring_of(page, "Wenna Ostrel")
    expect(page.get_by_text("A starting point read from one source")).to_be_visible()
    page.get_by_role("link", name="Hold cloth to the face").click()
    sides = page.get_by_role("button", name=re.compile("^(Left|Right): "))
    expect(sides).to_have_count(2)
    assert page.get_by_role("banner").count() == 0  # nothing else on the screen
    first = [side.get_attribute("aria-label") for side in sides.all()]
    page.keyboard.press("ArrowDown")
    expect(page.get_by_role("status")).to_have_text("1 held")
    page.keyboard.press("Control+z")
    expect(page.get_by_role("status")).to_have_text("0 held")
    assert [side.get_attribute("aria-label") for side in sides.all()] == first
    for count in range(1, 25):
        page.keyboard.press("ArrowLeft" if cooler_is_left(sides) else "ArrowRight")
        end = page.get_by_role("heading", level=1)
        expect(page.get_by_role("status").or_(end)).to_have_text(re.compile(rf"^({count} held|.*sure)$"))
        if end.count():
            break
    expect(end).to_have_text(re.compile("^cool, (9|more than 99)"))
    expect(page.get_by_role("meter", name="Undertone")).to_be_visible()
    page.get_by_role("link", name="To the colouring").click()
    expect(page.get_by_text("The trial counts")).to_be_visible()
    page.reload()
    page.get_by_role("link", name="replay").click()
    page.get_by_role("button", name="Replay").click()
    expect(page.get_by_text("Pair 1 of")).to_be_visible()
    page.keyboard.press("ArrowRight")
    expect(page.get_by_text("Pair 2 of")).to_be_visible()
    page.keyboard.press("Escape")
    expect(page.get_by_role("heading", name="What follows")).to_be_visible()
    page.get_by_role("button", name="forget").click()
    expect(page.get_by_role("link", name="replay")).to_have_count(0)
    page.get_by_role("button", name="take it back").click()
    expect(page.get_by_role("link", name="replay")).to_be_visible()
    expect(page.get_by_text("is forgotten")).to_have_count(0)


COOL = re.compile(
    "blue|ice|slate|dove|grey|navy|charcoal|cobalt|fog|plum|steel|ink|midnight|graphite|paper|pearl|orchid|mauve", re.I
)


def cooler_is_left(sides):
    """What an eye that knows the client to be cool would say, as far as the names of the cloth tell."""
    left, right = (side.get_attribute("aria-label") for side in sides.all())
    return bool(COOL.search(left)) or not COOL.search(right)


def test_two_pieces_are_kept_side_by_side(opened):
    page = opened
    colouring_of(page, "Ilka Maren")
    page.get_by_role("link", name="Side by side", exact=True).click()
    pick(page, "What is on the left", "Rust ribbed knit")
    pick(page, "What is on the right", "nothing, the face alone")
    page.get_by_label("Note").fill("the face comes forward")
    page.get_by_role("button", name="left", exact=False).last.click()
    expect(page.get_by_role("status")).to_have_text("Kept with the client.")
    kept = page.get_by_role("listitem").filter(has_text="Rust ribbed knit")
    expect(kept).to_contain_text("better: Rust ribbed knit · the face comes forward")
    kept.get_by_role("button", name="forget").click()
    expect(page.get_by_text("Rust ribbed knit against nothing is forgotten.")).to_be_visible()
    expect(page.get_by_text("Kept with the client.")).to_have_count(0)
    page.get_by_role("button", name="take it back").click()
    expect(kept).to_contain_text("the face comes forward")
    pick(page, "What is on the left", "Solo evening")
    expect(page.get_by_role("region", name="Left").get_by_role("img", name="Solo evening")).to_be_visible()


def test_two_photos_of_a_moment_are_brought_together_and_kept(opened, tmp_path):
    page = opened
    sitter = Sitter((61.0, 12.0, 23.0), (19.0, 6.0, 8.0), (28.0, 9.0, 16.0), "up")
    shots = (
        ("with the scarf", (1.0, 0.9, 0.74), (46.0, 29.0, 34.0)),
        ("without it", (0.84, 0.9, 0.86), (20.0, 0.0, 0.0)),
    )
    files = []
    for number, (name, lamp, cloth) in enumerate(shots):
        files.append(tmp_path / f"{name}.jpg")
        Image.fromarray(draw_portrait(sitter, lamp, number, cloth)).save(files[-1], quality=92)
    colouring_of(page, "Ilka Maren")
    page.get_by_role("link", name="Side by side", exact=True).click()
    page.get_by_label("A photo for the left").set_input_files(files)
    expect(page.get_by_text("brought into the light of the other one")).to_be_visible()
    right = page.get_by_role("region", name="Right")
    expect(right.get_by_role("img", name="without it")).to_be_visible()
    together = right.locator("image").get_attribute("href")
    both = [together, page.get_by_role("region", name="Left").locator("image").get_attribute("href")]
    page.get_by_role("button", name="one light, one size").click()
    expect(right.locator("image")).not_to_have_attribute("href", together)
    right.get_by_label("What the photo shows").fill("bare neck")
    page.get_by_label("Note").fill("the scarf wears her")
    page.get_by_role("group", name="Which is better?").get_by_role("button", name="right").click()
    expect(page.get_by_role("listitem").filter(has_text="bare neck")).to_contain_text(
        "better: bare neck · the scarf wears her"
    )
    # a picture that is still asked for when its photo goes is not there any more
    with (
        page.expect_response(lambda answer: answer.url.endswith(both[0])),
        page.expect_response(lambda answer: answer.url.endswith(both[1])),
    ):
        page.reload()
        page.get_by_role("listitem").filter(has_text="bare neck").get_by_role("button", name="show again").click()
    expect(right.get_by_role("img", name="bare neck")).to_be_visible()
    right.get_by_role("button", name="remove").click()
    right.get_by_role("button", name="for good?").click()
    expect(right.get_by_role("img", name="nothing")).to_be_visible()
    gone = page.get_by_role("listitem").filter(has_text="bare neck, no longer there")
    expect(gone).to_contain_text("the scarf wears her")
    expect(gone.get_by_role("button", name="show again")).to_have_count(0)


def test_a_client_is_described_and_erased_without_a_trace(opened):
    page = opened
    page.get_by_role("article", name="Tobe Arrun").get_by_role("link", name="About").click()
    page.get_by_role("group", name="Lengths").get_by_role("button", name="cropped").click()
    expect(page.get_by_role("group", name="Lengths").get_by_role("button", name="cropped")).to_have_attribute(
        "aria-pressed", "true"
    )
    pick(page, "Add what is always on", "Wool cap")
    expect(page.get_by_role("button", name="Wool cap: no longer always on")).to_be_visible()
    page.get_by_role("button", name="Withdrawn today").click()
    expect(page.get_by_text("no new photo is taken in")).to_be_visible()
    page.reload()
    expect(page.get_by_text("no new photo is taken in")).to_be_visible()
    page.get_by_role("button", name="Erase", exact=True).click()
    page.get_by_role("button", name="Erase Tobe Arrun").click()
    expect(page.get_by_role("heading", name="Tobe Arrun is erased")).to_be_visible()
    expect(page.get_by_text("nothing is left")).to_be_visible()
    page.get_by_role("link", name="To the clients’ book").click()
    expect(page.get_by_role("article")).to_have_count(2)
