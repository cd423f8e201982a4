import json

import numpy as np
import pytest

from lucid_swatch.core.photo.card import NOMINAL
from lucid_swatch.core.problems import Refused
from lucid_swatch.formats.card import CardDocument
from lucid_swatch.formats.document import json_content, parse


def test_a_measured_card_goes_out_and_comes_back():
    measured = NOMINAL + np.linspace(-2, 2, NOMINAL.size).reshape(NOMINAL.shape)
    text = CardDocument.from_core(measured).model_dump_json().encode()
    back = parse(CardDocument, json_content(text, "card.json")).to_core()
    assert back == pytest.approx(measured, abs=0.005)


@pytest.mark.parametrize(
    ("change", "where"),
    [
        (lambda d: d["patches"].pop(), "$.patches"),
        (lambda d: d["patches"][3].pop(), "$.patches[3]"),
        (lambda d: d["patches"][2].__setitem__(0, "pale"), "$.patches[2][0]"),
        (lambda d: d.update(format="lucid-swatch/look"), "$.format"),
        (lambda d: d.pop("patches"), "$.patches"),
    ],
)
def test_a_wrong_card_is_refused_where_it_is_wrong(change, where):
    document = CardDocument.from_core(NOMINAL).model_dump(mode="json")
    change(document)
    with pytest.raises(Refused) as refused:
        parse(CardDocument, json_content(json.dumps(document).encode(), "card.json"))
    assert refused.value.where == where


def test_a_number_that_is_none_is_refused():
    text = CardDocument.from_core(NOMINAL).model_dump_json().replace("95.0", "NaN", 1).encode()
    with pytest.raises(Refused, match="NaN is not a number"):
        json_content(text, "card.json")
