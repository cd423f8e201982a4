"""The card to take to the shops."""

import io
import re

import numpy as np
import pytest
from PIL import Image

from lucid_swatch.core.colour.difference import delta_e_2000
from lucid_swatch.core.colour.spaces import decode_srgb, rgb_linear_to_lab
from lucid_swatch.files.shopping_card import Card, card_pdf, card_png

NAVY, SAND = np.array([24.0, 2.0, -20.0]), np.array([74.0, 4.0, 18.0])
CARD = Card("navy trousers", NAVY, ("L* 24", "Opens 12 good looks."), (("sand knit", SAND),))


def swatch(picture, x, y):
    pixel = np.array(picture.convert("RGB"))[int(y * picture.height), int(x * picture.width)]
    return rgb_linear_to_lab(decode_srgb(pixel / 255))


def test_the_picture_shows_the_colours_that_are_meant():
    picture = Image.open(io.BytesIO(card_png(CARD)))
    assert picture.info["icc_profile"]
    assert float(delta_e_2000(swatch(picture, 0.5, 0.25), NAVY)) < 1
    assert float(delta_e_2000(swatch(picture, 0.2, 0.87), SAND)) < 1


def test_the_page_holds_the_same_colours_and_its_words():
    content = card_pdf(CARD)
    assert content == card_pdf(CARD), "nothing in it hangs on the hour"
    assert b"(To look for: navy trousers)" in content
    filled = re.findall(rb"([0-9.]+) ([0-9.]+) ([0-9.]+) rg", content)
    drawn = [rgb_linear_to_lab(decode_srgb(np.array(one, dtype=float))) for one in filled]
    for wanted in (NAVY, SAND):
        assert min(float(delta_e_2000(one, wanted)) for one in drawn) < 1


@pytest.mark.parametrize("title", ["x", "a very long name of a colour that nobody would say aloud in a shop trousers"])
def test_any_name_fits_and_no_partner_is_no_fault(title):
    assert Image.open(io.BytesIO(card_png(Card(title, NAVY, (), ())))).width == 1080
    assert card_pdf(Card(title, NAVY, (), ())).startswith(b"%PDF")
