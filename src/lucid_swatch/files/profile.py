"""Colour profiles without what they say beside colour: the numbers of a photo's colour space are kept and its texts are not.

Source: ICC.1:2022, clauses 7 (header, tag table) and 10 (tag types)."""

import io
import struct

from PIL import ImageCms

NUMBERS = {
    "rXYZ": "XYZ ",
    "gXYZ": "XYZ ",
    "bXYZ": "XYZ ",
    "wtpt": "XYZ ",
    "chad": "sf32",
    "rTRC": "curve",
    "gTRC": "curve",
    "bTRC": "curve",
    "kTRC": "curve",
}
"""The tags of a profile by matrix and curves, and the types that they may have."""
NEEDED = ({"rXYZ", "gXYZ", "bXYZ", "rTRC", "gTRC", "bTRC"}, {"kTRC"})
PARAMETERS = {0: 1, 1: 3, 2: 4, 3: 5, 4: 7}
"""How many numbers a parametric curve of each kind has."""
KNOWN = ("Display P3", "Adobe RGB", "ProPhoto RGB", "Rec. 2020", "DCI-P3")
"""Colour spaces that are called by their name; all others are 'camera profile'."""
MOST_POINTS = 4096


def rebuilt_profile(profile: bytes | None) -> bytes | None:
    """A profile made anew from the numbers of another one; None where it is sRGB or there is none.

    ValueError when it has no such numbers: the pixels then have to be brought to sRGB instead."""
    if not profile:
        return None
    name = profile_name(profile)
    if "sRGB" in name:
        return None
    if len(profile) < 132:
        raise ValueError("the profile is cut short")
    tags = {tag: plain for tag, body in _tags(profile) if tag in NUMBERS and (plain := _plain(tag, body))}
    if not any(needed <= tags.keys() for needed in NEEDED):
        raise ValueError("the profile is none by matrix and curves")
    told = next((known for known in KNOWN if known.lower() in name.lower()), "camera profile")
    return _written(profile, tags | {"desc": _text("desc", told), "cprt": _text("text", "no copyright, use freely")})


def profile_name(profile: bytes) -> str:
    """What a profile calls itself; nothing where it does not say."""
    try:
        return ImageCms.getProfileDescription(ImageCms.ImageCmsProfile(io.BytesIO(profile))).strip()
    except (ImageCms.PyCMSError, OSError, ValueError, TypeError):
        return ""


def _tags(profile: bytes) -> list[tuple[str, bytes]]:
    count = min(struct.unpack_from(">I", profile, 128)[0], 100)
    found = []
    for k in range(count):
        if 132 + 12 * (k + 1) > len(profile):
            break
        name, at, size = struct.unpack_from(">4sII", profile, 132 + 12 * k)
        found.append((name.decode("latin-1"), profile[at : at + size]))
    return found


def _plain(tag: str, body: bytes) -> bytes | None:
    """A tag with exactly the numbers of its type; None where it is of another one."""
    kind, wanted = body[:4], NUMBERS[tag]
    size = 0
    if wanted == "XYZ " and kind == b"XYZ ":
        size = 20
    elif wanted == "sf32" and kind == b"sf32":
        size = 44
    elif wanted == "curve" and kind == b"curv" and len(body) >= 12:
        points = struct.unpack_from(">I", body, 8)[0]
        size = 12 + 2 * points if points <= MOST_POINTS else 0
    elif wanted == "curve" and kind == b"para" and len(body) >= 12:
        size = 12 + 4 * PARAMETERS.get(struct.unpack_from(">H", body, 8)[0], -3)
    if not size or len(body) < size:
        return None
    plain = bytearray(body[:size])
    plain[4:8] = bytes(4)
    if kind == b"para":
        plain[10:12] = bytes(2)
    return bytes(plain)


def _text(kind: str, text: str) -> bytes:
    written = text.encode("ascii") + b"\0"
    if kind == "text":
        return b"text" + bytes(4) + written
    # version 2: ASCII, then empty Unicode and Macintosh descriptions
    return b"desc" + bytes(4) + struct.pack(">I", len(written)) + written + bytes(8) + bytes(3) + bytes(67)


def _written(old: bytes, tags: dict[str, bytes]) -> bytes:
    table, bodies, at = b"", b"", 132 + 12 * len(tags)
    for name, body in tags.items():
        padded = body + bytes(-len(body) % 4)
        table += struct.pack(">4sII", name.encode(), at, len(body))
        bodies += padded
        at += len(padded)
    header = bytearray(128)
    header[8:12] = b"\x02\x40\0\0"  # version 2.4, as the description is written
    header[12:24] = b"mntr" + old[16:20] + b"XYZ "
    header[36:40] = b"acsp"
    header[64:68] = old[64:68]
    header[68:80] = struct.pack(">III", 0xF6D6, 0x10000, 0xD32D)  # D50
    whole = bytes(header) + struct.pack(">I", len(tags)) + table + bodies
    return struct.pack(">I", len(whole)) + whole[4:]
