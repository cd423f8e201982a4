"""Files that are photos, and files that are not."""

import io
import struct
import zlib

import numpy as np
import pytest
from PIL import Image, ImageCms

from lucid_swatch.core.problems import Refused
from lucid_swatch.files.photo import MAX_BYTES, decode_photo, read_photo


def picture(width=120, height=90):
    y, x = np.mgrid[0:height, 0:width]
    return Image.fromarray(np.stack([x * 2 % 256, y * 2 % 256, np.full_like(x, 80)], axis=-1).astype(np.uint8))


def encoded(image, format, **options):
    buffer = io.BytesIO()
    image.save(buffer, format, **options)
    return buffer.getvalue()


def png_header(width, height):
    """A PNG that claims a size and holds next to nothing."""
    head = struct.pack(">IIBBBBB", width, height, 8, 2, 0, 0, 0)
    chunks = [(b"IHDR", head), (b"IDAT", zlib.compress(b"\0" * 10)), (b"IEND", b"")]
    packed = [
        struct.pack(">I", len(data)) + kind + data + struct.pack(">I", zlib.crc32(kind + data)) for kind, data in chunks
    ]
    return b"\x89PNG\r\n\x1a\n" + b"".join(packed)


@pytest.mark.parametrize("format", ["JPEG", "PNG", "WEBP", "HEIF"])
def test_every_format_is_read(format):
    photo = decode_photo(encoded(picture(), format), "coat")
    assert photo.srgb.shape == (90, 120, 3)
    assert photo.format == {"HEIF": "HEIC", "WEBP": "WebP"}.get(format, format)


def test_the_orientation_is_undone():
    exif = Image.Exif()
    exif[0x0112] = 6
    photo = decode_photo(encoded(picture(), "JPEG", exif=exif.tobytes()), "coat.jpg")
    assert (photo.width, photo.height) == (90, 120)
    assert photo.srgb.shape == (120, 90, 3)


@pytest.mark.parametrize("mode", ["L", "CMYK", "RGBA", "P", "LA", "I;16", "1"])
def test_other_kinds_of_pixels_become_colour(mode):
    source = picture()
    deep = Image.fromarray(np.asarray(source.convert("L")).astype(np.uint16) * 257)
    image = deep if mode == "I;16" else source.convert(mode)
    photo = decode_photo(encoded(image, "JPEG" if mode == "CMYK" else "PNG"), "coat")
    assert photo.srgb.shape == (90, 120, 3)
    assert photo.srgb.dtype == np.uint8


def test_what_is_transparent_is_white():
    clear = Image.new("RGBA", (80, 80), (200, 0, 0, 0))
    assert (decode_photo(encoded(clear, "PNG"), "coat.png").srgb == 255).all()


def test_a_profile_is_honoured():
    grey = Image.new("RGB", (80, 80), (120, 120, 120))
    profile = ImageCms.ImageCmsProfile(ImageCms.createProfile("LAB")).tobytes()
    # a profile that does not fit the pixels is ignored, never fatal
    assert decode_photo(encoded(grey, "JPEG", icc_profile=profile), "coat.jpg").srgb.shape == (80, 80, 3)
    assert decode_photo(encoded(grey, "JPEG", icc_profile=b"nonsense"), "coat.jpg").profile == "sRGB"


def test_a_large_photo_is_measured_near_the_working_size():
    photo = decode_photo(encoded(picture(4000, 3000), "JPEG"), "coat.jpg")
    assert (photo.width, photo.height) == (4000, 3000)
    assert photo.srgb.shape == (750, 1000, 3)


GIF = encoded(picture(), "GIF", save_all=True, append_images=[picture().rotate(90)])
MOVING = encoded(picture(), "WEBP", save_all=True, append_images=[picture().rotate(180)])
BAD = {
    "a text": (b"Dear wardrobe,\n", "not a photo"),
    "nothing": (b"", "not a photo"),
    "a gif": (GIF, "not a photo"),
    "a moving picture": (MOVING, "moving picture"),
    "a cut photo": (encoded(picture(900, 900), "JPEG")[:3000], "cut short or damaged"),
    "a dot": (encoded(picture(1, 1), "PNG"), "only 1 × 1"),
    "a bomb": (png_header(30_000, 30_000), "30000 × 30000"),
    "a long bomb": (png_header(30_000, 70), "30000 × 70"),
    "no pixels": (png_header(200, 200), "cut short or damaged"),
}


@pytest.mark.parametrize(("content", "says"), BAD.values(), ids=BAD)
def test_what_is_no_photo_is_refused_in_a_sentence(content, says):
    with pytest.raises(Refused, match=says) as problem:
        decode_photo(content, "coat.jpg")
    assert problem.value.where == "coat.jpg"
    assert problem.value.do


def test_a_file_too_large_to_be_a_photo_is_refused_before_it_is_read(tmp_path):
    large = tmp_path / "film.jpg"
    with large.open("wb") as file:
        file.truncate(MAX_BYTES + 1)
    with pytest.raises(Refused, match="60 MB or more") as problem:
        read_photo(large)
    assert "smaller copy" in problem.value.do
    with pytest.raises(Refused, match="60 MB or more"):
        decode_photo(bytes(MAX_BYTES + 1), "film.jpg")


def test_a_missing_photo_is_named(tmp_path):
    with pytest.raises(Refused, match=r"coat\.jpg: the photo cannot be opened"):
        read_photo(tmp_path / "coat.jpg")
