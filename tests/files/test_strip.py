"""Photos lose what they say of person and place, and nothing else."""

import io
from itertools import pairwise

import numpy as np
import pytest
from PIL import Image

from lucid_swatch.core.problems import Refused
from lucid_swatch.files.photo import decode_photo
from lucid_swatch.files.strip import strip_metadata
from tests.pictures import coat_picture, encoded, located, wide_profile


@pytest.mark.parametrize("format", ["JPEG", "PNG", "WEBP", "HEIF"])
def test_place_time_and_device_are_gone(format):
    sent = encoded(coat_picture(), format, exif=located().tobytes())
    assert b"Telltale" in sent
    kept, ending = strip_metadata(sent, "coat")
    assert b"Telltale" not in kept
    assert b"2031:05:04" not in kept
    left = Image.open(io.BytesIO(kept)).getexif()
    assert not left.get_ifd(0x8825)
    assert ending in (".jpg", ".png")


@pytest.mark.parametrize("format", ["JPEG", "PNG"])
def test_the_pixels_stay_to_the_bit(format):
    sent = encoded(coat_picture(), format, exif=located().tobytes())
    kept, _ = strip_metadata(sent, "coat")
    before, after = (np.asarray(Image.open(io.BytesIO(b)).convert("RGB")) for b in (sent, kept))
    assert (before == after).all()


@pytest.mark.parametrize("orientation", [1, 3, 6, 8])
@pytest.mark.parametrize("format", ["JPEG", "WEBP"])
def test_a_photo_stays_upright(orientation, format):
    exif = located()
    exif[0x0112] = orientation
    sent = encoded(coat_picture(), format, exif=exif.tobytes())
    kept, _ = strip_metadata(sent, "coat")
    before, after = decode_photo(sent, "a").srgb.astype(int), decode_photo(kept, "a").srgb.astype(int)
    assert before.shape == after.shape
    assert np.abs(before - after).mean() < 2


def p3():
    """A profile of a telephone: the numbers of Display P3, with texts of its own."""
    return wide_profile("Display P3 of Telltale Phone")


@pytest.mark.parametrize("format", ["JPEG", "PNG", "WEBP"])
def test_the_numbers_of_a_profile_stay_and_its_texts_go(format):
    sent = encoded(coat_picture(lab=(50, 60, 30)), format, icc_profile=p3())
    kept, _ = strip_metadata(sent, "coat")
    assert b"Telltale" in Image.open(io.BytesIO(sent)).info["icc_profile"]
    assert b"Telltale" not in kept
    assert b"Telltale" not in Image.open(io.BytesIO(kept)).info.get("icc_profile", b"")
    before, after = decode_photo(sent, "a"), decode_photo(kept, "a")
    assert np.abs(before.srgb.astype(int) - after.srgb).mean() < (1 if format != "WEBP" else 2)
    plain = decode_photo(encoded(coat_picture(lab=(50, 60, 30)), format), "a")
    assert np.abs(before.srgb.astype(int) - plain.srgb).max() > 20  # or nothing was tested


def test_a_profile_without_such_numbers_is_applied_and_goes():
    sent = encoded(coat_picture().convert("L"), icc_profile=b"Telltale" * 40)
    kept, _ = strip_metadata(sent, "coat")
    assert b"Telltale" not in kept
    assert "icc_profile" not in Image.open(io.BytesIO(kept)).info


MARKERS = [*range(0xE0, 0xF0), 0xFE, 0xF7]


@pytest.mark.parametrize("marker", MARKERS, ids=hex)
def test_nothing_said_stays_wherever_a_marker_may_stand(marker):
    """Before and after every segment of a progressive photo, between its scans and behind its end."""
    sent = encoded(coat_picture(size=(320, 400)), progressive=True)
    said = b"\xff" + bytes([marker]) + b"\x00\x10Exif\0\0Telltale"
    places = [at for at in range(2, len(sent)) if sent[at] == 0xFF and sent[at + 1 : at + 2] not in (b"", b"\0")]
    assert len(places) > 15
    for at in [*places, len(sent)]:
        kept, _ = strip_metadata(sent[:at] + said + sent[at:], "coat")
        assert b"Telltale" not in kept, at
    everywhere = b"".join(said + sent[a:b] for a, b in pairwise([*places, len(sent)]))
    kept, _ = strip_metadata(sent[: places[0]] + everywhere, "coat")
    assert b"Telltale" not in kept
    assert (decode_photo(kept, "a").srgb == decode_photo(sent, "a").srgb).all()


def test_what_is_hung_onto_a_table_goes():
    sent = encoded(coat_picture())
    at = sent.index(b"\xff\xdb")
    length = int.from_bytes(sent[at + 2 : at + 4], "big")
    longer = sent[: at + 2] + (length + 8).to_bytes(2, "big") + sent[at + 4 : at + 2 + length] + b"Telltale"
    try:
        kept, _ = strip_metadata(longer + sent[at + 2 + length :], "coat")
    except Refused:
        return  # not taken is not kept
    assert b"Telltale" not in kept


def test_a_photo_of_more_scans_than_any_is_refused_at_once():
    sent = encoded(coat_picture(), progressive=True)
    last = sent.rindex(b"\xff\xda")
    with pytest.raises(Refused, match="damaged"):
        strip_metadata(sent[:last] + sent[last:-2] * 1500 + sent[-2:], "coat")


def test_what_hangs_behind_the_picture_is_cut_off():
    sent = encoded(coat_picture()) + encoded(coat_picture(), exif=located().tobytes())
    kept, _ = strip_metadata(sent, "burst.jpg")
    assert b"Telltale" not in kept


@pytest.mark.parametrize("content", [b"", b"Dear wardrobe", b"\xff\xd8\xff\xe1"])
def test_what_is_no_photo_is_refused(content):
    with pytest.raises(Refused, match=r"not a photo|damaged") as problem:
        strip_metadata(content, "letter.jpg")
    assert problem.value.where == "letter.jpg"
