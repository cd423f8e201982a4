"""The segments of a JPEG file, and of them only what makes the picture. Source: ITU-T T.81, annex B."""

from collections.abc import Iterator

MOST_SCANS = 100
"""A progressive photo has about ten; each one is decoded over the whole picture."""

START, END, SCAN = 0xD8, 0xD9, 0xDA
TABLES = {0xC4, 0xDB}
"""Huffman and quantisation tables."""
FRAMES = {0xC0, 0xC1, 0xC2}
"""Baseline, extended and progressive pictures by Huffman codes: what photos are."""
OTHER_FRAMES = {0xC3, 0xC5, 0xC6, 0xC7, 0xC9, 0xCA, 0xCB, 0xCD, 0xCE, 0xCF}
RESTART_INTERVAL = 0xDD
PROFILE, ADOBE = 0xE2, 0xEE
PROFILE_MARK = b"ICC_PROFILE\0"


def picture_alone(content: bytes) -> Iterator[bytes]:
    """The parts of a JPEG file that make its picture, in order and without anything that could say something else.

    One that is cut short stays so, and the decoder tells. ValueError when it is no whole JPEG, of a rare kind, or has
    more scans than a photo."""
    yield b"\xff\xd8"
    scans = 0
    for marker, body, data in _segments(content):
        if marker == END:
            yield b"\xff\xd9"
        elif marker == SCAN:
            scans += 1
            if scans > MOST_SCANS:
                raise ValueError("there are more scans than a photo has")
            yield _segment(marker, _scan_header(body)) + data
        elif marker in FRAMES:
            yield _segment(marker, body[: 6 + 3 * body[5]])
        elif marker in OTHER_FRAMES:
            raise ValueError("this kind of JPEG is none that photos have")
        elif marker in TABLES:
            yield _segment(marker, _quantisation(body) if marker == 0xDB else _huffman(body))
        elif marker == RESTART_INTERVAL:
            yield _segment(marker, body[:2])
        elif marker == ADOBE and body.startswith(b"Adobe") and len(body) >= 12:
            # only whether the colours were turned before they were written
            yield _segment(marker, b"Adobe\0\x64\0\0\0\0" + body[11:12])
    if scans == 0:
        raise ValueError("there is no picture in it")


def profile_of(content: bytes) -> bytes | None:
    """The colour profile in a JPEG file, put together from its parts; None where there is none."""
    parts = [b[14:] for m, b, _ in _segments(content) if m == PROFILE and b.startswith(PROFILE_MARK) and len(b) > 14]
    return b"".join(parts) or None


def profile_segments(profile: bytes) -> bytes:
    """A colour profile as JPEG keeps it. Source: ICC.1:2022, annex B.4."""
    size = 65_000
    parts = [profile[at : at + size] for at in range(0, len(profile), size)]
    return b"".join(
        _segment(PROFILE, PROFILE_MARK + bytes([number, len(parts)]) + part)
        for number, part in enumerate(parts, start=1)
    )


def _segment(marker: int, body: bytes) -> bytes:
    return b"\xff" + bytes([marker]) + (len(body) + 2).to_bytes(2, "big") + body


def _segments(content: bytes) -> Iterator[tuple[int, bytes, bytes]]:
    """Marker, body and, for a scan, the coded picture after it; up to the end of the first picture.

    What stands between two segments belongs to none of them and is passed over."""
    at = 2
    while at + 2 <= len(content):
        if content[at] != 0xFF or content[at + 1] in (0x00, 0xFF):
            at += 1
            continue
        marker = content[at + 1]
        if marker == END:
            yield END, b"", b""
            return
        if marker == START or 0xD0 <= marker <= 0xD7 or marker == 0x01:
            at += 2
            continue
        length = int.from_bytes(content[at + 2 : at + 4], "big")
        if length < 2:
            raise ValueError("a segment is shorter than its own length")
        body = content[at + 4 : at + 2 + length]
        at += 2 + length
        data = b""
        if marker == SCAN:
            end = _end_of_scan(content, at)
            data, at = content[at:end], end
        yield marker, body, data


def _end_of_scan(content: bytes, at: int) -> int:
    """Where the coded picture ends: at the first marker that is neither a stuffed zero nor a restart."""
    while True:
        at = content.find(b"\xff", at)
        if at < 0 or at + 1 >= len(content):
            return len(content)
        following = content[at + 1]
        if following == 0xFF:
            at += 1
        elif following == 0x00 or 0xD0 <= following <= 0xD7:
            at += 2
        else:
            return at


def _scan_header(body: bytes) -> bytes:
    size = 1 + 2 * body[0] + 3 if body else 0
    if len(body) < size or not size:
        raise ValueError("a scan is cut short")
    return body[:size]


def _quantisation(body: bytes) -> bytes:
    at = 0
    while at < len(body):
        size = 1 + (128 if body[at] >> 4 else 64)
        if at + size > len(body):
            break
        at += size
    return body[:at]


def _huffman(body: bytes) -> bytes:
    at = 0
    while at + 17 <= len(body):
        size = 17 + sum(body[at + 1 : at + 17])
        if at + size > len(body):
            break
        at += size
    return body[:at]
