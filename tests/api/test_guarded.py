"""What is asked by whom it should not be, or for what it should not be."""

import io
import json
import os
import re
import sqlite3
import stat
import subprocess
import sys
import threading
from itertools import product

import pytest
from fastapi.testclient import TestClient
from PIL import Image

from lucid_swatch.api.guard import MAX_JSON
from lucid_swatch.assemble import make_application, openapi_document
from lucid_swatch.settings import Settings
from lucid_swatch.store.access import cookie_of, key_of
from lucid_swatch.store.database import FILE
from tests.api.opened import ADDRESS, open_http
from tests.pictures import coat_photo, encoded


@pytest.fixture
def app(data):
    return make_application(data, Settings(workers=1))


@pytest.fixture
def http(app):
    with open_http(app) as http:
        yield http


@pytest.fixture
def stranger(app, http):
    """Another user of the machine: the address, and no key."""
    return TestClient(app, base_url=ADDRESS, raise_server_exceptions=False, follow_redirects=False)


@pytest.fixture
def maren(http):
    return http.post(
        "/api/clients", json={"name": "Maren", "consent": True, "note": "Telltale of the night ferry"}
    ).json()


# the key


def test_who_has_no_key_is_answered_nothing(stranger, maren):
    for path in ("/api/clients", f"/api/clients/{maren['id']}", "/api/studio", "/api/nothing"):
        answer = stranger.get(path)
        assert answer.status_code == 401
        assert "Open the address" in answer.json()["do"]
    assert stranger.post("/api/clients", json={"name": "X", "consent": True}).status_code == 401
    page = stranger.get("/clients/x/rail")
    assert page.status_code == 401
    assert "needs its key" in page.text
    assert "Maren" not in page.text


@pytest.mark.parametrize("key", ["", "wrong", "x" * 43, "é"])
def test_a_wrong_key_is_no_key(stranger, key):
    assert stranger.get("/", params={"key": key}).status_code == 401
    assert stranger.get("/api/clients", headers={"authorization": f"Bearer {key}".encode()}).status_code == 401
    assert stranger.get("/api/clients", headers={"cookie": f"lucid-swatch=1; {key}".encode()}).status_code == 401


def test_the_address_that_was_printed_is_kept_as_a_strict_cookie(app, stranger, data):
    key = key_of(data)
    answer = stranger.get("/clients/x/looks", params={"key": key, "piece": "a b"})
    assert answer.status_code == 303
    assert answer.headers["location"] == "/clients/x/looks?piece=a+b"
    cookie = answer.headers["set-cookie"].lower()
    assert all(word in cookie for word in ("httponly", "samesite=strict", cookie_of(key)))
    assert stranger.get("/api/clients", headers={"cookie": f"{cookie_of(key)}={key}"}).status_code == 200


@pytest.mark.parametrize("path", ["//evil.example/", "/\\evil.example"])
def test_the_way_in_leads_nowhere_else(stranger, data, path):
    answer = stranger.request("GET", f"{ADDRESS}{path}?key={key_of(data)}")
    assert not re.match(r"(https?:)?[/\\]{2}", answer.headers.get("location", "/"))


def test_the_key_stays_over_a_restart_and_is_each_folders_own(data, tmp_path):
    data.mkdir()
    (tmp_path / "other").mkdir()
    assert key_of(data) == key_of(data) != key_of(tmp_path / "other")


@pytest.mark.parametrize("origin", ["http://[", "http://[::1", "//", "http://127.0.0.1:8317.evil.example", "\\\\"])
def test_an_origin_that_is_none_is_refused(http, origin):
    answer = http.post("/api/clients", json={"name": "X", "consent": True}, headers={"origin": origin})
    assert answer.status_code == 403


@pytest.mark.parametrize("length", ["-1", "1e3", "٣", "9" * 30, str(MAX_JSON + 1)])
def test_a_length_that_is_none_or_too_large_is_refused(http, length):
    answer = http.post("/api/clients", content=b"{}", headers={"content-length": length.encode()})
    assert answer.status_code in (411, 413)


# only its owner reads the folder


def test_nobody_else_reads_what_is_kept_even_in_a_folder_made_beforehand(data):
    data.mkdir(mode=0o755)
    (data / "photos").mkdir(mode=0o755)
    (data / "photos/old.jpg").write_bytes(b"x")
    before = os.umask(0o022)
    try:
        app = make_application(data, Settings(workers=1))
        with open_http(app) as http:
            client = http.post("/api/clients", json={"name": "Maren", "consent": True}).json()["id"]
            http.post(f"/api/clients/{client}/photos", files={"photos": ("coat.jpg", coat_photo())})
            everything = [data, *data.rglob("*")]
            modes = {str(p.relative_to(data)): stat.S_IMODE(p.stat().st_mode) for p in everything}
    finally:
        os.umask(before)
    assert len(modes) > 6
    assert {name: oct(mode) for name, mode in modes.items() if mode & 0o077} == {}


# every route


DOTS = ("..", "%2e%2e", "%2e%2e%2f%2e%2e", "..%2f..", "%252e%252e", "..\\..", "%5c..", ".", "%00", "a%2fb", "~", "")
FILES = (FILE, "key", "erased", "in-use", "../" + FILE, "%2e%2e%2f" + FILE, "whose", "as-sent", "found.png")


def test_no_route_leads_to_a_file_by_its_name(http, maren, data):
    """Every route with dots for each of its names, alone and with the names of what lies in the folder."""
    key, database = key_of(data), (data / FILE).read_bytes()[:16]
    routes = {(path, method.upper()) for path, methods in openapi_document()["paths"].items() for method in methods}
    routes |= {("/assets/{name}", "GET"), ("/{path}", "GET")}
    assert len(routes) > 90
    asked = 0
    for path, method in sorted(routes):
        names = re.findall(r"{(\w+)}", path)
        for dots, file in product(DOTS, FILES) if len(names) > 1 else product(DOTS, ("",)):
            values = [dots] * len(names)
            if file:
                values[-1] = file
            given = iter(values)
            at = re.sub(r"{\w+}", lambda _: next(given), path)  # noqa: B023
            answer = http.request(method, at)
            asked += 1
            assert answer.status_code < 500, (method, at)
            assert database not in answer.content, (method, at)
            assert key.encode() not in answer.content, (method, at)
    assert asked > 1000
    assert [client["name"] for client in http.get("/api/clients").json()] == ["Maren"]


# what comes in


def test_photos_that_are_received_never_lie_on_a_disk(http, maren, monkeypatch):
    """The file that a large upload would be kept in meanwhile is never asked for."""
    import tempfile

    def on_disk(*arguments, **named):
        raise AssertionError("what was sent and not stripped is written to a disk")

    monkeypatch.setattr(tempfile, "TemporaryFile", on_disk)
    noise = os.urandom(3 * 1000 * 1000)
    large = encoded(Image.frombytes("RGB", (1000, 1000), noise), quality=100)
    assert len(large) > 1024 * 1024
    answer = http.post(f"/api/clients/{maren['id']}/photos", files={"photos": ("large.jpg", large)})
    assert answer.json()[0]["problem"] is None


def test_a_colour_that_is_no_surface_is_refused_at_the_edge(http, maren):
    for lab in ([1e177, 0, 0], [101, 0, 0], [-1, 0, 0], [50, 1e300, 0], [50, 0, -151]):
        answer = http.post(f"/api/clients/{maren['id']}/by-eye", json={"part": "skin", "lab": lab})
        assert answer.status_code == 422, lab
        about = {"lipstick": lab}
        assert http.put(f"/api/clients/{maren['id']}/about", json=about).status_code == 422, lab


def test_a_moment_of_no_wardrobe_is_refused(http, maren):
    for at in ("0001-01-01T00:00:00+14:00", "9999-12-31T23:59:59-12:00"):
        piece = {"id": "a", "category": "knit", "colours": [{"lab": [50, 0, 0], "share": 1}], "hung_at": at}
        rail = {"format": "lucid-swatch/rail", "version": 1, "pieces": [piece]}
        sent = {"rail": ("rail.json", json.dumps(rail).encode())}
        answer = http.post(f"/api/clients/{maren['id']}/rail/import", files=sent, data={"apply": "true"})
        assert answer.status_code == 422
        assert "no year" in answer.json()["what"]


# what goes on at once


def test_consent_that_is_withdrawn_stays_so_whatever_is_written_beside_it(http, maren):
    """The note and the consent are changed at the same moment, again and again."""
    at = f"/api/clients/{maren['id']}"
    for round in range(20):
        http.put(f"{at}/consent", json={"given": True, "given_for": ""})
        both = [
            threading.Thread(
                target=http.put, args=(f"{at}/consent",), kwargs={"json": {"given": False, "given_for": ""}}
            ),
            threading.Thread(target=http.patch, args=(at,), kwargs={"json": {"note": f"round {round}"}}),
        ]
        for one in both:
            one.start()
        for one in both:
            one.join()
        now = http.get(at).json()
        assert now["consent_withdrawn_on"] is not None
        assert now["note"] == f"round {round}"


def test_every_stroke_that_was_accepted_is_kept(http, maren):
    taken = http.post(f"/api/clients/{maren['id']}/photos", files={"photos": ("coat.jpg", coat_photo())}).json()
    at, accepted = f"/api/photos/{taken[0]['photo']['id']}", []

    def draw(k):
        stroke = {"cloth": True, "points": [[0.3 + k / 100, 0.4], [0.5, 0.5]], "width": 0.02}
        if http.post(f"{at}/strokes", json=stroke).status_code == 200:
            accepted.append(k)

    hands = [threading.Thread(target=draw, args=(k,)) for k in range(12)]
    for hand in hands:
        hand.start()
    for hand in hands:
        hand.join()
    assert len(accepted) == 12
    assert http.get(at).json()["strokes"] == 12


def test_erasing_drops_no_lock_on_the_database(http, maren, data):
    """What holds the file open keeps its locks: another program that opens and closes it deletes no log."""

    def locks():
        inode = (data / FILE).stat().st_ino
        with open("/proc/locks") as held:
            return sum(
                1 for line in held if line.split()[5].endswith(f":{inode}") and line.split()[4] == str(os.getpid())
            )

    other = http.post("/api/clients", json={"name": "Tove", "consent": True}).json()["id"]
    before = locks()
    assert before > 0
    assert http.delete(f"/api/clients/{other}").json()["left"] == []
    assert locks() >= before
    outside = (
        "import sqlite3, sys; c = sqlite3.connect(sys.argv[1]); c.execute('select count(*) from client'); c.close()"
    )
    http.patch(f"/api/clients/{maren['id']}", json={"note": "kept in the log"})
    subprocess.run([sys.executable, "-c", outside, str(data / FILE)], check=True)
    assert (data / f"{FILE}-wal").exists()
    assert http.get(f"/api/clients/{maren['id']}").json()["note"] == "kept in the log"


def test_a_log_line_says_nothing_of_a_client(http, maren, data, caplog):
    with sqlite3.connect(data / FILE) as outside:
        outside.execute("create trigger stop before update on client begin select raise(abort, 'stopped'); end")
    answer = http.patch(f"/api/clients/{maren['id']}", json={"note": "Telltale in the morning"})
    assert answer.status_code >= 400
    assert "Telltale" not in caplog.text
    assert "Telltale" not in answer.text
    assert caplog.text == "" or maren["id"] not in caplog.text


def test_pictures_of_one_flat_colour_are_refused_at_once(http, maren):
    flat = {}
    for kind, colour in {"white": "white", "cream": "#fffdd0", "red": "red", "transparent": (0, 0, 0, 0)}.items():
        content = io.BytesIO()
        Image.new("RGBA", (1000, 1000), colour).save(content, "PNG")
        flat[kind] = content.getvalue()
    files = [("photos", (f"{kind}.png", content)) for kind, content in flat.items()]
    sent = http.post(f"/api/clients/{maren['id']}/photos", files=files).json()
    for content in flat.values():
        face = http.post(f"/api/clients/{maren['id']}/portraits", files={"portrait": ("flat.png", content)})
        assert face.status_code in (201, 422)
    for one in sent:
        photo = _settled(http, one["photo"]["id"])
        assert photo["state"] == "failed", one["name"]
        assert "no garment" in photo["problem"]["what"]


def _settled(http, id):
    waiting = threading.Event()
    for _ in range(600):
        photo = http.get(f"/api/photos/{id}").json()
        if photo["state"] not in ("waiting", "reading"):
            return photo
        waiting.wait(0.1)
    raise AssertionError("it took too long")
