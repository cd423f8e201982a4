"""Photos lose what they say of person and place, and nothing else."""

import io

import numpy as np
import pytest
from PIL import Image, ImageCms

from lucid_swatch.core.problems import Refused
from lucid_swatch.files.photo import decode_photo
from lucid_swatch.files.strip import strip_metadata
from tests.pictures import coat_picture, encoded, located


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


def test_the_profile_stays():
    profile = ImageCms.ImageCmsProfile(ImageCms.createProfile("sRGB")).tobytes()
    kept, _ = strip_metadata(encoded(coat_picture(), icc_profile=profile), "coat")
    assert Image.open(io.BytesIO(kept)).info["icc_profile"] == profile


def test_what_hangs_behind_the_picture_is_cut_off():
    sent = encoded(coat_picture()) + encoded(coat_picture(), exif=located().tobytes())
    kept, _ = strip_metadata(sent, "burst.jpg")
    assert b"Telltale" not in kept


@pytest.mark.parametrize("content", [b"", b"Dear wardrobe", b"\xff\xd8\xff\xe1"])
def test_what_is_no_photo_is_refused(content):
    with pytest.raises(Refused, match=r"not a photo|damaged") as problem:
        strip_metadata(content, "letter.jpg")
    assert problem.value.where == "letter.jpg"
