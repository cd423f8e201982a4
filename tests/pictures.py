"""Small photos of known cloth, as bytes."""

import io
import struct

import numpy as np
from PIL import Image

from lucid_swatch.core.colour.spaces import encode_srgb, lab_to_rgb_linear


def coat_picture(lab=(30.0, 3.0, -18.0), size=(320, 400), wall=0.62):
    """A plain square of one colour on a wall, softly noisy. wall: linear light. Returns a picture of width, height."""
    rng = np.random.default_rng(4)
    light = np.full((size[1], size[0], 3), wall)
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


def wide_profile(name):
    """A colour profile as a telephone writes it: the numbers of Display P3 (SMPTE EG 432-1, adapted to D50), and a name."""

    def xyz(*values):
        return b"XYZ " + bytes(4) + struct.pack(">3i", *(round(v * 65536) for v in values))

    curve = (
        b"para"
        + bytes(4)
        + struct.pack(">HH5i", 3, 0, *(round(v * 65536) for v in (2.4, 1 / 1.055, 0.055 / 1.055, 1 / 12.92, 0.04045)))
    )
    text = name.encode() + b"\0"
    said = b"desc" + bytes(4) + struct.pack(">I", len(text)) + text + bytes(78)
    tags = {
        "desc": said,
        "cprt": b"text" + bytes(4) + text,
        "wtpt": xyz(0.9642, 1.0, 0.8249),
        "rXYZ": xyz(0.51512, 0.2412, -0.00105),
        "gXYZ": xyz(0.29198, 0.69225, 0.04189),
        "bXYZ": xyz(0.1571, 0.06657, 0.78407),
        "rTRC": curve,
        "gTRC": curve,
        "bTRC": curve,
        "dmnd": said,
    }
    table, bodies, at = b"", b"", 132 + 12 * len(tags)
    for tag, body in tags.items():
        table += struct.pack(">4sII", tag.encode(), at, len(body))
        body += bytes(-len(body) % 4)
        bodies, at = bodies + body, at + len(body)
    head = bytearray(128)
    head[8:12], head[12:24], head[36:40] = b"\x02\x40\0\0", b"mntrRGB XYZ ", b"acsp"
    head[68:80] = struct.pack(">III", 0xF6D6, 0x10000, 0xD32D)
    head[0:4] = struct.pack(">I", 132 + len(table) + len(bodies))
    return bytes(head) + struct.pack(">I", len(tags)) + table + bodies
