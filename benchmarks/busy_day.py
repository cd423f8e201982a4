"""A busy day: two people at two browsers, and all that can go wrong with a machine, at random moments.

Everything that was answered as done has to be there once at the end, and nothing of who was erased."""

import io
import json
import random
import tempfile
import threading
import time
from collections import Counter
from pathlib import Path

import httpx
from tests.pictures import coat_picture, encoded

from lucid_swatch.store.database import connect
from lucid_swatch.store.photos import Photos
from lucid_swatch.usecases.check import check

from .faults import FULL, SLOW, WELL, Application

SETTLES_WITHIN = 900
UNKNOWN = "unknown"


class Hand:
    """Somebody at a browser, who remembers what was answered as done."""

    def __init__(self, day, name, seed):
        self.day, self.name, self.chance, self.number = day, name, random.Random(seed), 0
        self.asked, self.answered = Counter(), Counter()
        self.clients, self.erased, self.perhaps_erased = {}, [], set()

    def work(self):
        """Goes on until the day ends."""
        while not self.day.over:
            act = self.chance.choice(
                (
                    self.meet,
                    *[self.send] * 4,
                    *[self.note] * 3,
                    *[self.hang] * 3,
                    self.take_back,
                    self.bring,
                    self.erase,
                )
            )
            try:
                act()
            except httpx.TransportError:
                self.day.over_or_up()

    def ask(self, method, path, **what):
        """The answer, None where it is not known whether it was done."""
        self.asked[method] += 1
        try:
            with httpx.Client(base_url=self.day.place, headers=self.day.headers, timeout=120) as http:
                answer = http.request(method, path, **what)
        except httpx.TransportError:
            self.day.over_or_up()
            return None
        self.answered[answer.status_code] += 1
        return answer

    def named(self, what):
        """A name that nobody else uses, long enough to be searched for."""
        self.number += 1
        return f"{what} {self.name} {self.number:05d} of the telltale day"

    def one(self):
        """A client of one's own."""
        if not self.clients:
            self.meet()
        return self.chance.choice(list(self.clients.values()) or [None])

    def meet(self):
        """A new client."""
        if len(self.clients) < 4:
            answer = self.ask("POST", "/api/clients", json={"name": self.named("client"), "consent": True})
            if answer is not None and answer.status_code == 201:
                self.clients[answer.json()["id"]] = {
                    "id": answer.json()["id"],
                    "photos": set(),
                    "perhaps": set(),
                    "note": {""},
                    "labels": {},
                    "names": {answer.json()["name"]},
                }

    def send(self):
        """Photos come in."""
        if (client := self.one()) is None:
            return
        names = [f"{self.named('photo')}.jpg" for _ in range(self.chance.randint(1, 3))]
        client["names"] |= set(names)
        lab = [self.chance.uniform(20, 80), self.chance.uniform(-30, 30), self.chance.uniform(-30, 30)]
        kind = self.chance.choice(("JPEG", "JPEG", "PNG", "HEIF"))
        sent = [("photos", (name, encoded(coat_picture(lab=lab), kind))) for name in names]
        answer = self.ask("POST", f"/api/clients/{client['id']}/photos", files=sent)
        if answer is None:
            client["perhaps"] |= set(names)
        elif answer.status_code == 201:
            client["photos"] |= {one["name"] for one in answer.json() if one["problem"] is None}

    def note(self):
        """A note is written."""
        if (client := self.one()) is None:
            return
        text = self.named("note")
        client["names"].add(text)
        answer = self.ask("PATCH", f"/api/clients/{client['id']}", json={"note": text})
        if answer is None:
            client["note"].add(text)
        elif answer.status_code == 200:
            client["note"] = {text}

    def hang(self):
        """A read photo is hung under a name."""
        if (client := self.one()) is None:
            return
        photos = self.ask("GET", f"/api/clients/{client['id']}/photos")
        if photos is None or photos.status_code != 200:
            return
        ready = [photo for photo in photos.json() if photo["state"] == "read"]
        if ready:
            photo, label = self.chance.choice(ready), self.named("piece")
            client["names"].add(label)
            answer = self.ask("POST", f"/api/photos/{photo['id']}/hang", json={"label": label, "category": "coat"})
            if answer is None:
                client["labels"][label] = UNKNOWN
            elif answer.status_code == 201:
                client["labels"][label] = True

    def take_back(self):
        """The newest step is taken back and done again."""
        if (client := self.one()) is None:
            return
        if any(done is UNKNOWN for done in client["labels"].values()):
            return  # what the newest step is, nobody knows
        back = self.ask("POST", f"/api/clients/{client['id']}/undo")
        again = (
            self.ask("POST", f"/api/clients/{client['id']}/redo")
            if back is not None and back.status_code == 200
            else None
        )
        if back is None or (back.status_code == 200 and (again is None or again.status_code != 200)):
            client["labels"] = dict.fromkeys(client["labels"], UNKNOWN)

    def bring(self):
        """A rail comes in from a file."""
        if (client := self.one()) is None:
            return
        label = self.named("brought")
        client["names"].add(label)
        piece = {"id": label, "label": label, "category": "knit", "colours": [{"lab": [40, 10, 10], "share": 1}]}
        rail = {"format": "lucid-swatch/rail", "version": 1, "pieces": [piece]}
        sent = {"rail": ("rail.json", json.dumps(rail).encode())}
        answer = self.ask("POST", f"/api/clients/{client['id']}/rail/import", files=sent, data={"apply": "true"})
        if answer is None:
            client["labels"][label] = UNKNOWN
        elif answer.status_code == 200:
            client["labels"][label] = True

    def erase(self):
        """A client is erased, now and then; who cannot tell whether it was done looks, as a person would."""
        if len(self.clients) < 2 or self.chance.random() < 0.6:
            return
        client = self.one()
        answer = self.ask("DELETE", f"/api/clients/{client['id']}")
        while answer is None and not self.day.over:
            answer = self.ask("DELETE", f"/api/clients/{client['id']}")
        if answer is None:
            self.perhaps_erased.add(client["id"])
        elif answer.status_code in (200, 404):
            self.erased.append(self.clients.pop(client["id"]))


class Day:
    """The application, what goes wrong with it, and who works with it."""

    def __init__(self, app, seconds, seed):
        self.app, self.seconds, self.chance = app, seconds, random.Random(seed)
        self.over, self.faults, self._up = False, Counter(), threading.Event()
        self._take_address()

    def _take_address(self):
        self.place, key = self.app.address.split("/?key=")
        self.headers = {"authorization": f"Bearer {key}"}
        self._up.set()

    def over_or_up(self):
        """Waits until the application runs again."""
        self._up.wait(120)
        time.sleep(0.05)

    def go(self):
        """Lets everything go wrong, one thing after the other, until the day is over."""
        end = time.monotonic() + self.seconds
        while time.monotonic() < end:
            time.sleep(self.chance.uniform(0.5, 4))
            fault = self.chance.choice(("kill", "reader", "full", "slow"))
            self.faults[fault] += 1
            if fault == "kill":
                self._up.clear()
                self.app.kill()
                self.app.disk(WELL)
                self.app.start()
                self._take_address()
            elif fault == "reader":
                self.app.kill_a_reader()
            else:
                self.app.disk(FULL if fault == "full" else SLOW)
                time.sleep(self.chance.uniform(0.3, 2.5))
                self.app.disk(WELL)
        self.over = True


def busy_day(seconds=600, seed=7):
    """Figures of one day."""
    with tempfile.TemporaryDirectory() as place:
        data = Path(place) / "data"
        day = Day(Application(data, place).start(), seconds, seed)
        hands = [Hand(day, name, seed + k) for k, name in enumerate(("Ada", "Bel"), start=1)]
        threads = [threading.Thread(target=hand.work) for hand in hands]
        for thread in threads:
            thread.start()
        day.go()
        for thread in threads:
            thread.join()
        settled = _settle(day)
        errors = sum(count for hand in hands for code, count in hand.answered.items() if code == 500)
        day.app.end()
        log = day.app.log.read_text(errors="replace")
        found = check(data)
        figures = {
            "seconds": seconds,
            "faults": dict(day.faults),
            "answers": dict(sum((hand.answered for hand in hands), Counter())),
            "answers of 500": errors,
            "traces in the log": log.count("Traceback"),
            "last of them": log[log.rfind("Traceback") :][-1500:] if "Traceback" in log else "",
            "settled": settled,
            "what the check found wrong": len(found.wrong),
            "photos": found.photos,
            "erased": sum(len(hand.erased) for hand in hands),
        }
        return figures | _kept(data, hands)


def _settle(day):
    end = time.monotonic() + SETTLES_WITHIN
    with day.app.http() as http:
        while time.monotonic() < end:
            states = [
                photo["state"]
                for client in http.get("/api/clients").json()
                for photo in http.get(f"/api/clients/{client['id']}/photos").json()
            ]
            if not {"waiting", "reading"} & set(states):
                return True
            time.sleep(0.3)
    return False


def _kept(data, hands):
    lost, doubled, left, unread = [], [], [], 0
    with connect(data)() as session:
        for client in (
            client for hand in hands for client in hand.clients.values() if client["id"] not in hand.perhaps_erased
        ):
            photos = Photos(session).of_client(client["id"])
            names = Counter(photo.name for photo in photos)
            unread += sum(photo.state.value in ("waiting", "reading") for photo in photos)
            lost += [name for name in client["photos"] if name not in names]
            doubled += [name for name, count in names.items() if count > 1]
            connection = session.connection()
            (note,) = connection.exec_driver_sql("select note from client where id = ?", (client["id"],)).one()
            lost += [] if note in client["note"] else [f"the note {sorted(client['note'])}"]
            rail = Counter(
                label
                for (label,) in connection.exec_driver_sql(
                    "select label from piece where client_id = ?", (client["id"],)
                )
            )
            lost += [label for label, done in client["labels"].items() if done is True and label not in rail]
            doubled += [label for label, count in rail.items() if count > 1]
    gone = [
        (trace.encode(), trace)
        for hand in hands
        for client in hand.erased
        for trace in (client["id"], *client["names"])
    ]
    content = io.BytesIO()
    for path in data.rglob("*"):
        content.write(str(path).encode() + b"\n")
        if path.is_file() and ".sqlite" in path.name:
            content.write(path.read_bytes())
    searched = content.getvalue()
    left = [name for trace, name in gone if trace in searched]
    return {
        "lost": lost[:5],
        "doubled": doubled[:5],
        "left of who was erased": left[:5],
        "still not read": unread,
        "half-written files": len(list(data.rglob(".part-*"))),
    }
