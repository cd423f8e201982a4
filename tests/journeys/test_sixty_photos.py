"""A whole wardrobe taken in and hung by keys."""

import json
import re
from pathlib import Path

from PIL import Image, ImageOps
from playwright.sync_api import expect

from tests.pictures import encoded

SIXTY = 60


def sixty(folder):
    """Sixty photos of the samples, half of them turned over, small ones; names tell what is what."""
    samples = Path(folder) / "samples"
    pairs = []
    for truth in json.loads((samples / "truth.json").read_text(encoding="utf-8")):
        name, image = f"{truth['category']} {truth['file']}", Image.open(samples / truth["file"]).convert("RGB")
        small = image.resize((450, 600), Image.Resampling.LANCZOS)
        pairs.append((name, encoded(small, quality=88)))
        pairs.append((f"other {name}", encoded(ImageOps.mirror(small), quality=88)))
    return [pair for pair in pairs if "pearls" not in pair[0] and "hoops" not in pair[0]][:SIXTY]


def test_sixty_photos_are_hung_by_keys(opened, demo):
    page = opened
    page.get_by_label("Name or initials").fill("Tilde Roan")
    page.get_by_label(re.compile("agreed today")).check()
    page.get_by_role("button", name="Add to the book").click()
    page.get_by_role("link", name=re.compile("^Intake")).click()
    photos = sixty(demo)
    assert len(photos) == SIXTY
    page.get_by_label("Add photos").last.set_input_files(
        [{"name": name, "mimeType": "image/jpeg", "buffer": content} for name, content in photos]
    )
    expect(page.get_by_role("link", name=f"Intake · {SIXTY}")).to_be_visible(timeout=60_000)
    reading = page.get_by_text(re.compile(f"^reading photos: [0-9]+ of {SIXTY} done$"))
    expect(reading).to_be_visible()
    expect(reading).to_have_count(0, timeout=300_000)
    page.get_by_role("img", name=re.compile(r"\.jpg, as shot")).click()
    for left in range(SIXTY, 0, -1):
        page.keyboard.press("Enter")
        expect(page.get_by_role("link", name=f"Intake · {left - 1}", exact=True)).to_be_visible()
    page.get_by_role("link", name="Rail", exact=True).click()
    expect(page.get_by_text(re.compile(f"{SIXTY} pieces")).first).to_be_visible()
