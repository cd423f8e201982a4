"""The card to print."""

import re

import pytest

from lucid_swatch.files.card_pdf import CardSize, card_pdf

POINT = 72 / 25.4


@pytest.mark.parametrize(("size", "width", "height"), [(CardSize.A6, 105, 148), (CardSize.A4, 210, 296)])
def test_the_card_has_its_size_and_is_the_same_every_time(size, width, height):
    document = card_pdf(size)
    assert document.startswith(b"%PDF-")
    box = [float(v) for v in re.search(rb"/MediaBox \[ ([\d. ]+) \]", document)[1].split()]
    assert box == pytest.approx([0, 0, width * POINT, height * POINT], abs=0.1)
    assert document == card_pdf(size)


def test_it_names_nothing_but_itself():
    document = card_pdf(CardSize.A6)
    assert b"Lucid Swatch reference card, A6" in document
    assert b"/CreationDate (D:2000" in document
