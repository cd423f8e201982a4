"""The server is killed in the middle, again and again; afterwards every photo is there once and nothing is left over."""

import random
import signal
import subprocess
import time

import pytest
from PIL import Image

from lucid_swatch.store.database import connect, open_database
from lucid_swatch.store.folder import Folder
from lucid_swatch.store.photos import Photos
from lucid_swatch.store.records import PhotoState
from tests.pictures import coat_picture, encoded
from tests.running import COMMAND, asking, environment_for, wait_for_address

PHOTOS, KILLS = 6, 3
SETTLES_WITHIN = 240


def start(data):
    process = subprocess.Popen(
        [COMMAND, "serve", "--port", "0"],
        env=environment_for("serve", data),
        stdout=subprocess.PIPE,
        stderr=subprocess.DEVNULL,
        text=True,
        start_new_session=True,
    )
    return process, asking(wait_for_address(process))


def runs_for(process, seconds):
    """Lets the server go on for a while; it must not end by itself."""
    with pytest.raises(subprocess.TimeoutExpired):
        process.wait(seconds)


def test_nothing_is_lost_or_doubled_by_being_killed(data):
    chance = random.Random(20)
    photos = []
    for k in range(PHOTOS):
        picture = coat_picture(lab=(25.0 + 3 * k, 5.0, -15.0 + 3 * k)).resize((800, 1000), Image.Resampling.NEAREST)
        photos.append((f"coat-{k}.jpg", encoded(picture)))
    process, http = start(data)
    client = http.post("/api/clients", json={"name": "Maren", "consent": True}).json()["id"]
    http.post(f"/api/clients/{client}/photos", files=[("photos", one) for one in photos]).raise_for_status()
    for _ in range(KILLS):
        runs_for(process, chance.uniform(0.2, 3.0))  # a random moment is what is tested
        process.send_signal(signal.SIGKILL)
        process.wait()
        process.stdout.close()
        process, http = start(data)
    end = time.monotonic() + SETTLES_WITHIN
    try:
        while time.monotonic() < end:
            states = [p["state"] for p in http.get(f"/api/clients/{client}/photos").json()]
            if all(state == "read" for state in states):
                break
            runs_for(process, 0.3)
    finally:
        process.send_signal(signal.SIGINT)
        process.wait(30)
        process.stdout.close()
    open_database(data)
    with connect(data)() as session:
        kept = Photos(session).of_client(client)
    assert sorted(p.name for p in kept) == sorted(name for name, _ in photos)
    assert {p.state for p in kept} == {PhotoState.READ}
    folder = Folder(data)
    assert {p.name for p in (data / "photos").iterdir()} == {p.file for p in kept}
    assert {p.name for p in (data / "pictures").iterdir()} == {p.id for p in kept}
    assert not list(data.rglob(".part-*"))
    for photo in kept:
        assert folder.picture(photo.id, "relit.jpg").stat().st_size > 100
        assert photo.reading.document["format"] == "lucid-swatch/measurement"
