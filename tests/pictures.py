"""Small photos of known cloth, as bytes."""

import io

import numpy as np
from PIL import Image

from lucid_swatch.core.colour.spaces import encode_srgb, lab_to_rgb_linear


def coat_picture(lab=(30.0, 3.0, -18.0), size=(320, 400)):
    """A plain square of one colour on a pale wall, softly noisy. Returns a picture of width, height."""
    rng = np.random.default_rng(4)
    light = np.full((size[1], size[0], 3), 0.62)
    light[90:320, 80:240] = lab_to_rgb_linear(np.array(lab))
    noisy = encode_srgb(light) + rng.normal(0, 0.006, light.shape)
    return Image.fromarray(np.rint(noisy.clip(0, 1) * 255).astype(np.uint8))


def encoded(image, format="JPEG", **options):
    """The bytes of a picture."""
    buffer = io.BytesIO()
    image.save(buffer, format, **({"quality": 95} if format == "JPEG" else {}) | options)
    return buffer.getvalue()


def located():
    """Metadata that says where and with what a photo was taken."""
    exif = Image.Exif()
    exif[0x0110] = "Telltale 9"
    exif[0x0132] = "2031:05:04 10:11:12"
    exif[0x8769] = {0x927C: b"Telltale notes of the maker", 0xA430: "Telltale Owner", 0xA431: "Telltale-0001"}
    exif[0x8825] = {1: "N", 2: (59.0, 54.0, 7.0), 3: "E", 4: (10.0, 45.0, 3.0)}
    return exif


def coat_photo(**options):
    """The bytes of a photo of a navy square with metadata."""
    return encoded(coat_picture(**options), exif=located().tobytes())
