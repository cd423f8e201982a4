"""A wardrobe of five thousand photos into a backup and back, every file compared; and its memory."""

import hashlib
import json
import os
import resource
import subprocess
import sys
import tempfile
import time
from datetime import UTC, date, datetime
from pathlib import Path

COUNT = 5000


def large_backup(count=COUNT):
    """Figures of one backup and one restore, in a process of its own so that its memory is only theirs."""
    done = subprocess.run(
        [sys.executable, "-m", "benchmarks.large_backup", str(count)], capture_output=True, text=True, check=True
    )
    return json.loads(done.stdout)


def _run(count):
    from tests.pictures import coat_photo

    from lucid_swatch.store.database import open_database
    from lucid_swatch.store.folder import Folder, photo_file
    from lucid_swatch.store.photos import Photos
    from lucid_swatch.store.records import PhotoRecord
    from lucid_swatch.usecases.backup import make_backup
    from lucid_swatch.usecases.clients import add_client
    from lucid_swatch.usecases.restore import restore

    with tempfile.TemporaryDirectory() as place:
        data = Path(place) / "data"
        sessions, folder = open_database(data), Folder(data)
        now, photo = datetime.now(UTC), coat_photo()
        (data / "photos").mkdir(mode=0o700)
        with sessions.begin() as session:
            client = add_client(session, "Maren", date(2031, 5, 4))
            for k in range(count):
                id = f"{k:032x}"
                file = photo_file(client.id, id, ".jpg")
                # every photo is another one, and about as large as a telephone's
                folder.photo(file).write_bytes(photo + os.urandom(400_000) + k.to_bytes(4, "big"))
                Photos(session).add(PhotoRecord(id, client.id, f"{k}.jpg", file, now))
        before = _digests(data)
        start = time.perf_counter()
        made = make_backup(sessions, data, Path(place) / "backup.zip")
        packed = time.perf_counter() - start
        sessions.close()
        start = time.perf_counter()
        restore(made.file, Path(place) / "there", None, now)
        back = time.perf_counter() - start
        after = _digests(Path(place) / "there")
        copied = _copy(data, Path(place) / "copied")
        print(
            json.dumps(
                {
                    "photos": count,
                    "MB": round(made.bytes / 2**20),
                    "files that differ": len(before.items() ^ after.items()),
                    "a backup against a bare copy": round(packed / copied, 1),
                    "putting it back against a bare copy": round(back / copied, 1),
                    "peak memory, MB": round(resource.getrusage(resource.RUSAGE_SELF).ru_maxrss / 1024),
                }
            )
        )


def _digests(data):
    return {str(p.relative_to(data)): hashlib.sha256(p.read_bytes()).hexdigest() for p in data.rglob("*.jpg")}


def _copy(source, target):
    """Seconds that it takes to copy a folder and have it on the disk."""
    start = time.perf_counter()
    for path in source.rglob("*"):
        if path.is_file():
            there = target / path.relative_to(source)
            there.parent.mkdir(parents=True, exist_ok=True)
            with path.open("rb") as one, there.open("wb") as other:
                other.write(one.read())
                os.fsync(other.fileno())
    return time.perf_counter() - start


if __name__ == "__main__":
    _run(int(sys.argv[1]))
