"""Looks are drawn for the screens: in the order asked for, on who wears them, as they are worn."""

import io
import re

import cv2
import numpy as np
import pytest
from PIL import Image

from lucid_swatch.assemble import make_application
from lucid_swatch.settings import Settings
from tests.api.opened import open_http
from tests.api.test_rail_api import RAIL, send


@pytest.fixture
def http(data):
    with open_http(make_application(data, Settings(workers=1))) as http:
        yield http


@pytest.fixture
def client(http):
    client = http.post("/api/clients", json={"name": "Maren", "consent": True}).json()
    assert send(http, f"/api/clients/{client['id']}", RAIL, apply=True).status_code == 200
    return client["id"]


@pytest.fixture
def ids(http, client):
    return {piece["label"]: piece["id"] for piece in http.get(f"/api/clients/{client}/rail").json()}


def drawn(http, client, *looks):
    answer = http.post(f"/api/clients/{client}/figures", json={"looks": list(looks)})
    assert answer.status_code == 200, answer.text
    return answer.json()


def test_looks_are_drawn_in_order_each_piece_once(http, client, ids):
    first, second = drawn(http, client, {"pieces": list(ids.values())}, {"pieces": [ids["navy trousers"]]})
    assert {shape["piece"] for shape in first["figure"]["shapes"]} == set(ids.values())
    assert [shape["piece"] for shape in second["figure"]["shapes"]] == [ids["navy trousers"]]
    assert {place["piece"] for place in first["laid_out"]["places"]} == set(ids.values())
    for part in (part for layer in first["figure"]["layers"] for part in layer["parts"]):
        assert re.fullmatch(r"M[-\d.,e ]+Z?", part["path"])
        assert part["role"] != "colour" or re.fullmatch(r"#[0-9a-f]{6}", part["fill"])


def test_a_coat_is_shut_and_the_wearer_sits_and_is_as_tall_as_they_are(http, client, ids):
    other = http.post("/api/clients", json={"name": "Tobe", "consent": True}).json()["id"]
    assert http.put(f"/api/clients/{other}/about", json={"height": 190}).status_code == 200
    coat, pieces = ids["navy coat"], list(ids.values())
    opened, shut, sitting, tall = drawn(
        http,
        client,
        {"pieces": pieces},
        {"pieces": pieces, "worn": {coat: "closed"}},
        {"pieces": pieces, "seated": True},
        {"pieces": pieces, "on": other},
    )
    behind = [
        [layer["piece"] for layer in one["figure"]["layers"] if layer["lies"] == "behind"] for one in (opened, shut)
    ]
    assert behind == [[coat], []]
    assert sitting["figure"]["height"] < sitting["figure"]["stature"] == opened["figure"]["height"]
    assert tall["figure"]["height"] == 190


def test_a_piece_of_nobody_is_refused_by_name(http, client):
    answer = http.post(f"/api/clients/{client}/figures", json={"looks": [{"pieces": ["nowhere"]}]})
    assert answer.status_code == 404
    assert answer.json()["where"] == "nowhere"


def test_a_plain_drape_is_a_picture_of_its_colour_and_nothing_else_is(http):
    answer = http.get("/api/drape-cloth/4a6d8c.jpg")
    seen = np.asarray(Image.open(io.BytesIO(answer.content)))
    meant = cv2.cvtColor(np.uint8([[[0x4A, 0x6D, 0x8C]]]), cv2.COLOR_RGB2LAB)[0, 0].astype(float)
    found = cv2.cvtColor(seen, cv2.COLOR_RGB2LAB).reshape(-1, 3).mean(axis=0)
    assert np.abs(found - meant).max() < 3
    assert http.get("/api/drape-cloth/red.jpg").status_code == 422
