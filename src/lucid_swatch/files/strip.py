"""Photos without what they say of the person and the place: only pixels, profile and orientation are kept."""

import io

from PIL import Image, ImageOps

from lucid_swatch.core.problems import Refused

from .photo import FORMATS, check_photo

ICC_SEGMENT = 0xE2
START_OF_SCAN = 0xDA
END_OF_IMAGE = b"\xff\xd9"
ENDINGS = {"JPEG": ".jpg", "PNG": ".png", "WebP": ".jpg", "HEIC": ".jpg"}


def strip_metadata(content: bytes, name: str) -> tuple[bytes, str]:
    """The photo without position, time, device, thumbnails and comments, and the ending to keep it under.

    A JPEG keeps its pixels to the bit; a PNG likewise; WebP and HEIC become JPEG of the highest quality.
    Refused when it is no photo that can be read."""
    kind = FORMATS[check_photo(content, name).format or ""]
    try:
        stripped = _strip_jpeg(content) if kind == "JPEG" else _encoded_again(content, kind)
    except (OSError, ValueError, SyntaxError, EOFError, IndexError, MemoryError):
        raise Refused("the photo is cut short or damaged.", name, "Copy it from the phone or camera again.") from None
    return stripped, ENDINGS[kind]


def _strip_jpeg(content: bytes) -> bytes:
    """Copies the segments that make the picture. Source: ITU-T T.81, annex B."""
    orientation = Image.open(io.BytesIO(content)).getexif().get(0x0112, 1)
    kept = [b"\xff\xd8", _orientation_segment(orientation)]
    at = 2
    while at + 4 <= len(content):
        if content[at] != 0xFF:
            raise ValueError("a segment does not begin where it should")
        marker = content[at + 1]
        if marker == 0xFF:
            at += 1
            continue
        length = int.from_bytes(content[at + 2 : at + 4], "big")
        segment = content[at : at + 2 + length]
        if marker == START_OF_SCAN:
            # what follows the end, such as the further pictures of a burst, has metadata of its own
            end = content.find(END_OF_IMAGE, at)
            kept.append(content[at:] if end < 0 else content[at : end + 2])
            return b"".join(kept)
        application = 0xE0 <= marker <= 0xEF or marker == 0xFE
        profile = marker == ICC_SEGMENT and segment[4:16] == b"ICC_PROFILE\0"
        adobe = marker == 0xEE and segment[4:9] == b"Adobe"
        if not application or profile or adobe:
            kept.append(segment)
        at += 2 + length
    raise ValueError("there is no picture in it")


def _orientation_segment(orientation: int) -> bytes:
    if orientation not in range(2, 9):
        return b""
    exif = Image.Exif()
    exif[0x0112] = orientation
    body = exif.tobytes()
    return b"\xff\xe1" + (len(body) + 2).to_bytes(2, "big") + body


def _encoded_again(content: bytes, kind: str) -> bytes:
    image: Image.Image = Image.open(io.BytesIO(content))
    profile = image.info.get("icc_profile")
    image = ImageOps.exif_transpose(image)
    out = io.BytesIO()
    if kind == "PNG":
        transparent = {k: image.info[k] for k in ("transparency",) if k in image.info}
        image.info = {}
        image.save(out, "PNG", icc_profile=profile, compress_level=3, **transparent)
    else:
        flat = image.convert("RGBA") if "A" in image.getbands() else image.convert("RGB")
        if flat.mode == "RGBA":
            flat = Image.alpha_composite(Image.new("RGBA", flat.size, "white"), flat).convert("RGB")
        flat.save(out, "JPEG", quality=97, subsampling=0, icc_profile=profile)
    return out.getvalue()
