"""Twenty people at once for a minute, reading and writing, while forty telephone photos come in."""

import io
import json
import random
import tempfile
import threading
import time
from collections import Counter
from pathlib import Path

import numpy as np
import pillow_heif
from PIL import Image
from tests.pictures import coat_picture

from .faults import Application

pillow_heif.register_heif_opener()
PEOPLE, SECONDS, PHOTOS = 20, 60, 40
TELEPHONE = (3024, 4032)
CATEGORIES = ("top", "trousers", "skirt", "shoes", "coat", "bag", "knit", "jacket")


class Person:
    """Somebody who reads and writes in turn, and remembers what was written last."""

    def __init__(self, app, client, pieces, number, until):
        self.http, self.client, self.pieces, self.until = app.http(), client, pieces, until
        self.number, self.chance = number, random.Random(number)
        self.own = pieces[number % len(pieces)]
        self.label, self.statuses, self.writes, self.reads, self.looks = None, Counter(), [], [], []

    def go(self):
        """Until the minute is over: something is read or written, and looked at, before the next click."""
        base, count = f"/api/clients/{self.client}", 0
        time.sleep(self.chance.uniform(0, 3))  # they do not all begin in one moment
        while time.monotonic() < self.until:
            count += 1
            name, three = f"{self.number}, {count}", self.chance.sample(self.pieces, 3)
            act = self.chance.choice(("read", "read", "judge", "label", "look", "note"))
            if act == "read":
                path = self.chance.choice(("", "/rail", "/looks", "/photos", "/rail.csv", "/audit", "/rail.json"))
                self.timed("GET", base + path, self.reads)
            elif act == "judge":
                self.timed("POST", f"{base}/judge", self.reads, json={"pieces": three})
            elif act == "label":
                if self.timed("PATCH", f"/api/pieces/{self.own}", self.writes, json={"label": name}).status_code == 200:
                    self.label = name
            elif act == "look":
                look = {"name": name, "pieces": three, "kept": {}}
                if self.timed("POST", f"{base}/looks", self.writes, json=look).status_code == 201:
                    self.looks.append(name)
            else:
                self.timed("PATCH", base, self.writes, json={"note": name})
            time.sleep(self.chance.uniform(0.3, 1.5))

    def timed(self, method, path, into, **what):
        """The answer, and how long it took."""
        start = time.perf_counter()
        answer = self.http.request(method, path, **what)
        into.append((time.monotonic(), time.perf_counter() - start))
        self.statuses[answer.status_code] += 1
        return answer


def twenty_clients(seconds=SECONDS, photos=PHOTOS):
    """Figures of one minute."""
    with tempfile.TemporaryDirectory() as place:
        app = Application(Path(place) / "data", place).start()
        sent = _telephone_photos(photos)
        with app.http() as http:
            client = http.post("/api/clients", json={"name": "Maren", "consent": True}).json()["id"]
            pieces = [f"p{k}" for k in range(40)]
            http.post(
                f"/api/clients/{client}/rail/import",
                files={"rail": ("rail.json", _rail(pieces))},
                data={"apply": "true"},
            )
        until = time.monotonic() + seconds
        people = [Person(app, client, pieces, k, until) for k in range(PEOPLE)]
        came = []
        bringing = threading.Thread(target=_bring, args=(app, client, sent, came))
        threads = [threading.Thread(target=one.go) for one in people]
        for thread in (bringing, *threads):
            thread.start()
        for thread in (*threads, bringing):
            thread.join()
        with app.http() as http:
            rail = {p["id"]: p["label"] for p in http.get(f"/api/clients/{client}/rail").json()}
            looks = {look["name"] for look in http.get(f"/api/clients/{client}/looks").json()}
            kept = len(http.get(f"/api/clients/{client}/photos").json())
        app.end()
        log = app.log.read_text(errors="replace")
    begun, ended = came[0], came[-1]
    writes = [took for one in people for at, took in one.writes if begun <= at <= ended]
    statuses = sum((one.statuses for one in people), Counter())
    return {
        "answers": {str(k): v for k, v in sorted(statuses.items())},
        "answers of 500 and more": sum(v for k, v in statuses.items() if k >= 500),
        "requests a second": round(sum(statuses.values()) / seconds, 1),
        "lost updates": _lost(people, rail, looks),
        "HEICs kept": kept,
        "they came in within, s": round(ended - begun, 1),
        "writes meanwhile": len(writes),
        "a write meanwhile, median, ms": round(1000 * float(np.median(writes))),
        "a write meanwhile, 99th percentile, ms": round(1000 * float(np.percentile(writes, 99))),
        "a write, 99th percentile of all, ms": round(
            1000 * float(np.percentile([t for o in people for _, t in o.writes], 99))
        ),
        "a read, 99th percentile of all, ms": round(
            1000 * float(np.percentile([t for o in people for _, t in o.reads], 99))
        ),
        "traces in the log": log.count("Traceback"),
    }


def _lost(people, rail, looks):
    labels = sum(one.label not in (None, rail[one.own]) for one in people)
    return labels + sum(name not in looks for one in people for name in one.looks)


def _bring(app, client, sent, came):
    came.append(time.monotonic())
    with app.http(timeout=300) as http:
        for at in range(0, len(sent), 8):
            files = [("photos", (f"{k}.heic", content)) for k, content in enumerate(sent[at : at + 8], start=at)]
            http.post(f"/api/clients/{client}/photos", files=files).raise_for_status()
            came.append(time.monotonic())


def _telephone_photos(count):
    """The bytes of 12-megapixel HEIC photos; few are drawn, each is sent several times."""
    drawn = []
    for k in range(2):
        out = io.BytesIO()
        coat_picture(lab=(30 + 8 * k, 5, -20 + 9 * k)).resize(TELEPHONE, Image.Resampling.BICUBIC).save(
            out, "HEIF", quality=80
        )
        drawn.append(out.getvalue())
    return [drawn[k % len(drawn)] for k in range(count)]


def _rail(ids):
    rng = np.random.default_rng(5)
    labs = np.column_stack([rng.uniform(15, 90, len(ids)), rng.normal(0, 15, (len(ids), 2))]).tolist()
    pieces = [
        {"id": id, "label": id, "category": CATEGORIES[k % len(CATEGORIES)], "colours": [{"lab": labs[k], "share": 1}]}
        for k, id in enumerate(ids)
    ]
    return json.dumps({"format": "lucid-swatch/rail", "version": 1, "pieces": pieces}).encode()
