"""When and with what a photo was taken, as far as its file says."""

import io

import pytest
from PIL import Image

from lucid_swatch.files.taken import UNTOLD, taken_of
from tests.pictures import coat_photo, located


def photo(when=None, original=None, make="", model=""):
    exif = Image.Exif()
    for tag, value in ((0x0132, when), (0x010F, make), (0x0110, model)):
        if value:
            exif[tag] = value
    if original:
        exif[0x8769] = {0x9003: original}
    file = io.BytesIO()
    Image.new("RGB", (80, 80)).save(file, "JPEG", exif=exif.tobytes())
    return file.getvalue()


def test_the_moment_of_the_picture_comes_before_that_of_the_file():
    one = taken_of(photo(when="2031:05:04 10:11:12", original="2031:05:04 09:11:12"))
    other = taken_of(photo(original="2031:05:04 09:12:12"))
    assert other.at - one.at == 60


def test_a_camera_is_told_by_make_and_model_and_not_by_its_name():
    one, same, other = (taken_of(photo(make="Optik", model=name)).camera for name in ("T1", "T1", "T2"))
    assert one == same != other
    assert "T1" not in one
    assert "Telltale" not in str(taken_of(coat_photo()))


@pytest.mark.parametrize(
    "content",
    [
        b"",
        b"\xff\xd8\xff\xe1\x00\x10Exif\x00\x00MM",
        coat_photo()[:400],
        photo(when="yesterday"),
        photo(when="2031:99:99 00:00:00"),
        b"GIF89a",
    ],
)
def test_a_file_that_says_nothing_usable_says_nothing(content):
    assert taken_of(content).at is None


def test_nothing_told_is_nothing_kept():
    assert taken_of(photo()) == UNTOLD
    assert located()[0x0110] == "Telltale 9"  # what the other photos of the tests say
