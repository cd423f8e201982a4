"""A wardrobe comes in while the application is killed again and again: nothing lost, doubled or left over."""

import random
import tempfile
import time
from concurrent.futures import ThreadPoolExecutor
from pathlib import Path

import httpx
from tests.pictures import coat_picture, encoded
from tests.running import asking

from lucid_swatch.store.database import connect
from lucid_swatch.store.photos import Photos
from lucid_swatch.usecases.check import check

from .faults import Application

AT_ONCE = 4
SETTLES_WITHIN = 1800


def kills(times=100, photos=60, seed=20):
    """Figures of one intake of some photos with so many kills at random moments."""
    chance = random.Random(seed)
    sent = [(f"coat-{k}.jpg", encoded(coat_picture(lab=(20.0 + k, 5.0, -20.0 + k / 2)))) for k in range(photos)]
    with tempfile.TemporaryDirectory() as place:
        data = Path(place) / "data"
        app = Application(data, place).start()
        with app.http() as http:
            client = http.post("/api/clients", json={"name": "Maren", "consent": True}).json()["id"]
        acknowledged, done, cut_off = set(), 0, 0
        with ThreadPoolExecutor(1) as hand:
            while True:
                with app.http() as http:
                    there = {photo["name"] for photo in http.get(f"/api/clients/{client}/photos").json()}
                waiting = [one for one in sent if one[0] not in there]
                if done >= times and not waiting:
                    break
                # in the last rounds all that is left comes in; before, some, so that kills meet uploads as well
                some = waiting[: chance.randint(1, AT_ONCE)] if done < times else waiting
                sending = hand.submit(_send, app.address, client, some)
                if done < times:
                    time.sleep(chance.choice((chance.uniform(0, 0.15), chance.uniform(0, 1.5))))
                    app.kill()
                    done += 1
                answered = sending.result()
                acknowledged |= answered
                cut_off += bool(some) and not answered
                if app.process.poll() is not None:
                    app.start()
        end = time.monotonic() + SETTLES_WITHIN
        with app.http() as http:
            at = f"/api/clients/{client}/photos"
            while any(p["state"] in ("waiting", "reading") for p in http.get(at).json()) and time.monotonic() < end:
                time.sleep(0.3)
        app.end()
        told = {"kills": done, "uploads cut off": cut_off, "photos answered as kept": len(acknowledged)}
        return told | _left(data, client, acknowledged)


def _send(address, client, photos):
    """The names of the photos that were answered as kept."""
    if not photos:
        return set()
    try:
        with asking(address, timeout=120) as http:
            answer = http.post(f"/api/clients/{client}/photos", files=[("photos", one) for one in photos])
    except httpx.TransportError:
        return set()
    return {name for name, _ in photos} if answer.status_code == 201 else set()


def _left(data, client, acknowledged):
    found = check(data)
    with connect(data)() as session:
        kept = Photos(session).of_client(client)
    names = [photo.name for photo in kept]
    in_place = {path.name for path in (data / "photos").iterdir()}
    return {
        "lost": len(acknowledged - set(names)),
        "doubled": len(names) - len(set(names)),
        "not read": sum(photo.state.value != "read" for photo in kept),
        "orphans after a check": len(in_place ^ {photo.file for photo in kept}),
        "half-written files": len(list(data.rglob(".part-*"))),
        "what the check found wrong": len(found.wrong),
    }
