"""A photo file to light: orientation, profile, bit depth and transparency undone, sizes checked first."""

import io
from dataclasses import dataclass, field, replace
from pathlib import Path
from typing import cast

import cv2
import numpy as np
import pillow_heif
from PIL import Image, ImageCms, ImageFile, ImageOps

from lucid_swatch.core.colour.arrays import ByteArray, FloatArray
from lucid_swatch.core.colour.spaces import decode_srgb
from lucid_swatch.core.problems import Refused

pillow_heif.register_heif_opener()

MAX_BYTES = 60 * 1024 * 1024
MAX_PIXELS = 80_000_000
MIN_SIDE = 64
WORKING_SIDE = 1024
"""Long side of the picture that is measured; 12 megapixels tell no more about a colour than this does."""
FINER_SIDE = 1600
"""Long side where motifs or yarns are so fine that the working size blends them."""
NEARLY_FINER = 1450
"""Long side down to which a JPEG may be decoded small: near enough to FINER_SIDE."""

FORMATS = {"JPEG": "JPEG", "PNG": "PNG", "WEBP": "WebP", "HEIF": "HEIC", "MPO": "JPEG"}
Image.MAX_IMAGE_PIXELS = None  # the check below speaks in our own words, before a pixel is decoded

_LIGHT_OF_BYTE = decode_srgb(np.arange(256) / 255.0).astype(np.float32)


@dataclass(frozen=True, slots=True, eq=False)
class Photo:
    """A decoded photo, upright, in sRGB, shrunk to the working size."""

    file: str
    width: int
    """Pixels of the file, after the orientation is applied."""
    height: int
    profile: str
    format: str
    srgb: ByteArray
    """(rows, columns, 3), encoded sRGB."""
    larger: ByteArray | None = field(default=None, repr=False)
    """The picture that was shrunk to the working size, to look closer."""

    @property
    def rgb_linear(self) -> FloatArray:
        """Linear light, (rows, columns, 3), 0..1, in single precision."""
        return cast(FloatArray, cv2.LUT(self.srgb, _LIGHT_OF_BYTE))

    @property
    def has_finer(self) -> bool:
        """Whether more is to be seen at the finer size."""
        return self.larger is not None and max(self.larger.shape) > 1.1 * max(self.srgb.shape)

    @property
    def largest(self) -> ByteArray:
        """(rows, columns, 3), encoded sRGB: the largest picture of it that was kept, for what is small."""
        return self.srgb if self.larger is None else self.larger

    def finer(self) -> "Photo":
        """The same photo at the finer size; itself where there is no more to see."""
        if self.larger is None or not self.has_finer:
            return self
        return replace(self, srgb=_shrunk(self.larger, FINER_SIDE), larger=None)


def read_photo(path: Path) -> Photo:
    """Decode a photo on disk. Refused when it is no photo, too large, or broken."""
    return decode_photo(read_bytes(path), path.name)


def read_bytes(path: Path) -> bytes:
    """The bytes of a photo on disk. Refused when it cannot be opened or is too large."""
    try:
        check_bytes(path.stat().st_size, path.name)
        return path.read_bytes()
    except OSError as problem:
        reason = (problem.strerror or "unknown reason").lower()
        raise Refused(f"the photo cannot be opened ({reason}).", path.name, "Check the name and the folder.") from None


def check_bytes(size: int, name: str) -> None:
    """Refused when a file is larger than a photo should be."""
    if size > MAX_BYTES:
        raise Refused(f"the file has {size / 2**20:.0f} MB or more.", name, _SMALLER)


_SMALLER = f"Send a smaller copy: up to {MAX_BYTES // 2**20} MB and {MAX_PIXELS // 10**6} megapixels."


def decode_photo(content: bytes, name: str, side: int = WORKING_SIDE) -> Photo:
    """Decode the bytes of a photo.

    content: a JPEG, PNG, WebP or HEIC file. name: what to call it in an error. side: the long side wanted.
    Refused when it is no photo, too large, too small, moving, or broken."""
    image: Image.Image = check_photo(content, name)
    kind = image.format or ""
    icc = image.info.get("icc_profile")
    try:
        # a PNG may keep its orientation behind the pixels, so that asking for it decodes them
        orientation_swaps = image.getexif().get(0x0112, 1) in (5, 6, 7, 8)
        width, height = image.size[::-1] if orientation_swaps else image.size
        if kind in ("JPEG", "MPO") and image.mode == "RGB":
            least = max(side, NEARLY_FINER) / max(image.size)
            image.draft("RGB", (round(image.width * least), round(image.height * least)))
        ImageOps.exif_transpose(image, in_place=True)
        image, profile = to_srgb(image, icc)
        decoded = np.asarray(image)
    except (OSError, ValueError, SyntaxError, EOFError, MemoryError, TypeError):
        raise Refused("the photo is cut short or damaged.", name, "Copy it from the phone or camera again.") from None
    # a decoder may hand out many times what anybody looks at
    larger = _shrunk(decoded, FINER_SIDE) if max(decoded.shape) > 2 * FINER_SIDE else decoded
    return Photo(name, width, height, profile, FORMATS[kind], _shrunk(decoded, side), larger)


def check_photo(content: bytes, name: str) -> ImageFile.ImageFile:
    """The opened photo, none of its pixels decoded yet. Refused when it is no photo or of a wrong size."""
    check_bytes(len(content), name)
    try:
        image = Image.open(io.BytesIO(content), formats=["JPEG", "PNG", "WEBP", "HEIF"])
    except (OSError, ValueError, SyntaxError, EOFError):
        raise Refused("this is not a photo that can be read.", name, "Send a JPEG, PNG, WebP or HEIC photo.") from None
    _check_size(image, name)
    return image


def _check_size(image: Image.Image, name: str) -> None:
    width, height = image.size
    if width * height > MAX_PIXELS or max(width, height) > 25_000:
        raise Refused(f"the photo has {width} × {height} pixels.", name, _SMALLER)
    if min(width, height) < MIN_SIDE:
        do = f"Send a photo of at least {MIN_SIDE} pixels on each side."
        raise Refused(f"the photo has only {width} × {height} pixels.", name, do)
    if getattr(image, "is_animated", False) and image.format != "MPO":
        raise Refused("this is a moving picture.", name, "Send a still photo.")


def to_srgb(image: Image.Image, icc: bytes | None) -> tuple[Image.Image, str]:
    """A picture in sRGB, flat on white, and the name of the profile that it came with."""
    image = flat_picture(image)
    if icc:
        try:
            profile = ImageCms.ImageCmsProfile(io.BytesIO(icc))
            name = ImageCms.getProfileDescription(profile).strip()
            if "sRGB" in name and image.mode == "RGB":
                return image, name
            converted = ImageCms.profileToProfile(image, profile, ImageCms.createProfile("sRGB"), outputMode="RGB")
            if converted is not None:
                return converted, name
        except (ImageCms.PyCMSError, OSError, ValueError):
            pass  # a broken profile says nothing; the pixels are then taken as sRGB
    return image if image.mode == "RGB" else image.convert("RGB"), "sRGB"


def flat_picture(image: Image.Image) -> Image.Image:
    """A picture of eight bits without transparency: what shows through is white."""
    if image.mode.startswith("I;16") or image.mode == "I":
        image = _eight_bits(image)
    if image.mode in ("P", "PA", "LA", "La", "RGBa"):
        image = image.convert("RGBA")
    if image.mode == "RGBA":
        flat = Image.new("RGB", image.size, "white")
        flat.paste(image, mask=image.getchannel("A"))
        return flat
    return image


def _eight_bits(image: Image.Image) -> Image.Image:
    """Sixteen bits to eight, some rows at a time: a large picture would need eight times its size otherwise."""
    out = np.empty((image.height, image.width), np.uint8)
    for top in range(0, image.height, 512):
        rows = np.asarray(image.crop((0, top, image.width, min(top + 512, image.height))))
        out[top : top + 512] = (rows.clip(0, 65535).astype(np.uint32) + 128) // 257
    return Image.fromarray(out)


NEAR_HALF = 0.97
"""Of the side wanted: as large as a picture at half its size must be to be taken instead."""


def _shrunk(picture: ByteArray, side: int) -> ByteArray:
    """A picture whose long side is at most so many pixels, each the mean of what it covers."""
    rows, columns = picture.shape[:2]
    scale = side / max(rows, columns)
    if scale >= 1:
        return picture
    if NEAR_HALF * side <= max(rows, columns) / 2 <= side:
        # the mean of two by two pixels is taken many times sooner than of parts of them
        scale = 0.5
    size = (max(1, round(columns * scale)), max(1, round(rows * scale)))
    return cast(ByteArray, cv2.resize(picture, size, interpolation=cv2.INTER_AREA))
