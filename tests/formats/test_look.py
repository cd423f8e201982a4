"""Documents that are looks, and documents that are not."""

import copy
import json

import pytest

from lucid_swatch.core.garment.school import STRICT
from lucid_swatch.core.problems import Refused
from lucid_swatch.formats.document import read_json
from lucid_swatch.formats.look import LookDocument, parse_looks
from lucid_swatch.formats.rail import parse_pieces

KNIT = {"id": "knit", "category": "knit", "colours": [{"lab": [30, 0, -3], "share": 1.0}], "pattern": {"type": "solid"}}
LOOK = {"format": "lucid-swatch/look", "version": 1, "id": "monday", "pieces": [KNIT]}


def changed(path, value):
    document = copy.deepcopy(LOOK)
    place = document
    for key in path[:-1]:
        place = place[key]
    if value is None:
        del place[path[-1]]
    else:
        place[path[-1]] = value
    return document


def test_a_look_is_read_with_what_it_leaves_out():
    look = parse_looks(LOOK)[0]
    assert look.id == "monday"
    assert look.client is None
    assert look.pieces[0].lab.tolist() == [[30, 0, -3]]


def test_unknown_keys_are_kept():
    document = LookDocument.model_validate({**LOOK, "mood": "rain"})
    assert document.model_dump()["mood"] == "rain"


COLOURS = ("pieces", 0, "colours")
BAD = {
    "no category": (("pieces", 0, "category"), None, r"\$\.pieces\[0\]\.category", "this key is missing"),
    "a wrong category": (("pieces", 0, "category"), "cape", r"\$\.pieces\[0\]\.category", "cape"),
    "shares": (COLOURS, [{"lab": [30, 0, 0], "share": 0.7}], r"\$\.pieces\[0\]", "sum to 0.70, not 1"),
    "no colours": (COLOURS, [], r"\$\.pieces\[0\]\.colours", "at least 1"),
    "two numbers": (COLOURS, [{"lab": [30, 0], "share": 1}], r"colours\[0\]\.lab", "at least 3"),
    "too light": (COLOURS, [{"lab": [130, 0, 0], "share": 1}], r"colours\[0\]\.lab", "outside 0 to 100"),
    "a word": (COLOURS, [{"lab": ["dark", 0, 0], "share": 1}], r"colours\[0\]\.lab\[0\]", "dark"),
    "no pieces": (("pieces",), [], r"\$\.pieces", "at least 1"),
    "one piece twice": (("pieces",), [KNIT, KNIT], r"\$", "two pieces have the id 'knit'"),
    "a new version": (("version",), 2, r"\$\.version", "1"),
    "an unknown intent": (("intent",), "sleep", r"\$\.intent", "sleep"),
}


@pytest.mark.parametrize(("path", "value", "where", "says"), BAD.values(), ids=BAD)
def test_a_fault_is_named_with_its_path(path, value, where, says):
    with pytest.raises(Refused, match=says) as problem:
        parse_looks(changed(path, value))
    import re

    assert re.search(where, problem.value.where)


def test_one_bad_look_refuses_the_file_and_is_named():
    bad = {**changed(("pieces", 0, "category"), "cape"), "id": "tuesday"}
    with pytest.raises(Refused, match="cape") as problem:
        parse_looks({"format": "lucid-swatch/looks", "version": 1, "looks": [LOOK, bad]})
    assert problem.value.where.startswith("$.looks[1]")
    assert "'tuesday'" in problem.value.where


@pytest.mark.parametrize("value", [[], {}, {"format": "lucid-swatch/rail"}, "look", None])
def test_what_is_no_look_is_refused(value):
    with pytest.raises(Refused, match="this is no look"):
        parse_looks(value)


def test_a_rail_carries_its_school():
    rail = {"format": "lucid-swatch/rail", "version": 1, "conventions": {"neutrals": "strict"}, "pieces": [KNIT]}
    assert parse_pieces(rail)[1] == STRICT
    with pytest.raises(Refused, match="neither a rail nor a look"):
        parse_pieces({})


@pytest.mark.parametrize(
    ("content", "says"),
    [
        (b"{", "not JSON"),
        (b'{"a": NaN}', "NaN is not a number"),
        (b"\xff\xfe", "not UTF-8"),
        (b"[" * 100_000, "not JSON"),
    ],
)
def test_a_broken_file_is_refused_in_a_sentence(tmp_path, content, says):
    file = tmp_path / "look.json"
    file.write_bytes(content)
    with pytest.raises(Refused, match=says):
        read_json(file)


def test_every_valid_look_survives_a_round_trip():
    document = LookDocument.model_validate(LOOK)
    assert LookDocument.model_validate(json.loads(document.model_dump_json(by_alias=True))) == document
