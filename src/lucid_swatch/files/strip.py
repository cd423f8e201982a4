"""Photos without what they say of the person and the place: only pixels, the numbers of the profile and the orientation."""

import io

from PIL import Image, ImageOps

from lucid_swatch.core.problems import Refused

from .jpeg_segments import picture_alone, profile_of, profile_segments
from .photo import FORMATS, check_photo, flat_picture, to_srgb
from .profile import rebuilt_profile

ENDINGS = {"JPEG": ".jpg", "PNG": ".png", "WebP": ".jpg", "HEIC": ".jpg"}


def is_jpeg(content: bytes) -> bool:
    """Whether some bytes begin as a JPEG file does."""
    return content[:3] == b"\xff\xd8\xff"


def strip_metadata(content: bytes, name: str) -> tuple[bytes, str]:
    """The photo without position, time, device, thumbnails and comments, and the ending to keep it under.

    A JPEG keeps its pixels to the bit, unless its profile is no matrix and curves; a PNG likewise; WebP and HEIC become
    JPEG of the highest quality. Refused when it is no photo that can be read."""
    image = check_photo(content, name)
    kind = FORMATS[image.format or ""]
    try:
        if kind != "JPEG":
            return _encoded_again(content, kind), ENDINGS[kind]
        try:
            return _strip_jpeg(content), ENDINGS[kind]
        except _NoNumbers:
            return _encoded_again(content, kind), ENDINGS[kind]
    except (OSError, ValueError, SyntaxError, EOFError, IndexError, MemoryError, TypeError):
        raise Refused("the photo is cut short or damaged.", name, "Copy it from the phone or camera again.") from None


class _NoNumbers(Exception):
    """The profile has no matrix and curves."""


def _strip_jpeg(content: bytes) -> bytes:
    start, *rest = picture_alone(content)
    orientation = Image.open(io.BytesIO(content)).getexif().get(0x0112, 1)
    profile = profile_of(content)
    try:
        kept = rebuilt_profile(profile)
    except ValueError:
        raise _NoNumbers from None
    return b"".join((start, _orientation_segment(orientation), profile_segments(kept) if kept else b"", *rest))


def _orientation_segment(orientation: object) -> bytes:
    if orientation not in range(2, 9):
        return b""
    exif = Image.Exif()
    exif[0x0112] = orientation
    body = exif.tobytes()
    return b"\xff\xe1" + (len(body) + 2).to_bytes(2, "big") + body


def _encoded_again(content: bytes, kind: str) -> bytes:
    image: Image.Image = Image.open(io.BytesIO(content))
    icc = image.info.get("icc_profile")
    image = ImageOps.exif_transpose(image)
    try:
        profile = rebuilt_profile(icc)
        if profile and kind == "JPEG":
            raise ValueError  # pixels of any other kind are simplest in sRGB
    except ValueError:
        image, profile = to_srgb(image, icc)[0], None
    out = io.BytesIO()
    if kind == "PNG":
        transparent = {k: image.info[k] for k in ("transparency",) if k in image.info}
        image.info = {}
        image.save(out, "PNG", icc_profile=profile, compress_level=3, **transparent)
    else:
        flat_picture(image).save(out, "JPEG", quality=97, subsampling=0, icc_profile=profile)
    return out.getvalue()
