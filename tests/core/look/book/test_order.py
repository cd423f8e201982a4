"""Pages in an order that follows from the looks."""

from dataclasses import replace

from lucid_swatch.core.look.book.kept_book import KeptPage
from lucid_swatch.core.look.book.order import OrderBy, put_in_order
from tests.core.look.book.test_pages import BY_ID

PAGES = tuple(
    KeptPage(id, id, (), occasion=occasion)
    for id, occasion in (("a", ""), ("b", "Talk"), ("c", "gallery"), ("d", "talk"), ("e", ""))
)
LIGHT, WARM = replace(BY_ID["navy top"], warmth=0.5), replace(BY_ID["grey knit"], warmth=3.0)


def ids(pages):
    return "".join(page.id for page in pages)


def test_pages_of_one_occasion_come_together_and_those_without_one_last():
    assert ids(put_in_order(PAGES, OrderBy.OCCASION, {})) == "cbdae"


def test_pages_go_from_light_to_warm_and_a_layer_makes_warmer():
    coat = replace(BY_ID["navy coat"], warmth=0.5)
    worn = {"a": [WARM], "b": [LIGHT], "c": [LIGHT, coat], "d": [BY_ID["tan bag"]]}
    assert ids(put_in_order(PAGES, OrderBy.SEASON, worn)) == "bcade"
