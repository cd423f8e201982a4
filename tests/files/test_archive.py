"""Archives from somewhere else."""

import io
import zipfile

import pytest

from lucid_swatch.core.problems import Refused
from lucid_swatch.files.archive import Archive, pack


def zipped(entries):
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as archive:
        for name, content in entries.items():
            archive.writestr(name, content)
    return out.getvalue()


def test_what_is_packed_comes_out_again():
    out = io.BytesIO()
    pack([("rail.json", b"{}"), ("photos/a.jpg", b"\xff\xd8")], out)
    archive = Archive(out.getvalue(), "rail.zip")
    assert archive.read("rail.json", 100) == b"{}"
    assert archive.read("photos/a.jpg", 100) == b"\xff\xd8"
    assert "photos/b.jpg" not in archive


@pytest.mark.parametrize("name", ["../evil", "/etc/passwd", "photos/../../evil", "c:/evil", "photos\\evil"])
def test_names_that_lead_elsewhere_are_refused(name):
    with pytest.raises(Refused, match="leads out of it"):
        Archive(zipped({name: b"x"}), "rail.zip")


def test_a_bomb_is_refused_before_it_is_opened():
    with pytest.raises(Refused, match="far more than it is"):
        Archive(zipped({"rail.json": b"0" * 30_000_000}), "bomb.zip")


def test_a_file_is_read_no_further_than_allowed():
    archive = Archive(zipped({"photos/a.jpg": bytes(range(256)) * 8}), "rail.zip")
    with pytest.raises(Refused, match="more than 0 MB"):
        archive.read("photos/a.jpg", 1000)


DAMAGES = [
    lambda z: z[: len(z) // 2],
    lambda z: z[:40] + bytes([z[40] ^ 0xFF] * 12) + z[52:],
    lambda z: b"PK\x03\x04nothing",
]


@pytest.mark.parametrize("damage", DAMAGES)
def test_a_damaged_archive_is_refused(damage):
    content = damage(zipped({"rail.json": bytes(range(256)) * 40}))
    with pytest.raises(Refused, match=r"no whole zip|cannot be unpacked"):
        Archive(content, "rail.zip").read("rail.json", 10**6)
