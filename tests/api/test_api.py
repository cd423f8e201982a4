"""The application over HTTP, with a real database and real files."""

import io
import json
import zipfile
from pathlib import Path

import pytest

from lucid_swatch.assemble import make_application, openapi_document
from lucid_swatch.settings import Settings
from tests.api.opened import open_http
from tests.files.test_photo import BAD
from tests.pictures import coat_photo

ROOT = Path(__file__).parents[2]


@pytest.fixture
def http(data):
    app = make_application(data, Settings(workers=1))
    with open_http(app) as http:
        yield http


@pytest.fixture
def demo_http(demo):
    app = make_application(demo, Settings(workers=1))
    with open_http(app) as http:
        yield http


@pytest.fixture
def maren(http):
    return http.post("/api/clients", json={"name": "Maren", "consent": True}).json()


@pytest.fixture
def ilka(demo_http):
    return demo_http.get("/api/clients").json()[0]


def rail_of(http, client):
    return {piece["label"]: piece for piece in http.get(f"/api/clients/{client['id']}/rail").json()}


# who may ask


@pytest.mark.parametrize("host", ["evil.example", "127.0.0.1.evil.example", "", "192.168.1.4:8317", "[::1"])
def test_only_this_machine_is_answered(http, host):
    answer = http.get("/api/clients", headers={"host": host})
    assert answer.status_code == 403
    assert "Open the address" in answer.json()["do"]


@pytest.mark.parametrize("host", ["localhost:8317", "127.0.0.1", "[::1]:80"])
def test_this_machine_is_answered_by_any_of_its_names(http, host):
    assert http.get("/api/clients", headers={"host": host}).status_code == 200


@pytest.mark.parametrize(
    "headers",
    [
        {"origin": "https://evil.example"},
        {"origin": "null"},
        {"origin": "http://127.0.0.1:1"},
        {"sec-fetch-site": "cross-site"},
    ],
)
def test_another_page_changes_nothing(http, headers):
    answer = http.post("/api/clients", json={"name": "X", "consent": True}, headers=headers)
    assert answer.status_code == 403
    assert http.get("/api/clients").json() == []


def test_its_own_page_may(http):
    answer = http.post("/api/clients", json={"name": "X", "consent": True}, headers={"origin": "http://127.0.0.1:8317"})
    assert answer.status_code == 201


def test_a_page_may_load_only_from_here(http):
    policy = http.get("/api/clients").headers["content-security-policy"]
    assert "script-src 'self'" in policy
    assert "default-src 'none'" in policy
    assert "http" not in policy


def test_an_endless_request_is_refused(http):
    def endless():
        yield b"x"

    assert http.post("/api/clients", content=endless()).status_code == 411
    too_long = http.post("/api/clients", content=b"x", headers={"content-length": str(2**40)})
    assert too_long.status_code == 413


# problems


@pytest.mark.parametrize(
    "path",
    ["/api/clients/none", "/api/clients/none/rail", "/api/photos/none", "/api/nothing", "/api/clients/none/looks"],
)
def test_what_is_not_there_is_said(http, path):
    answer = http.get(path)
    assert answer.status_code == 404
    assert set(answer.json()) == {"what", "where", "do"}
    assert answer.json()["do"]


def test_a_client_needs_name_and_consent(http):
    assert "consent" in http.post("/api/clients", json={"name": "Maren"}).json()["what"]
    assert "no name" in http.post("/api/clients", json={"name": " ", "consent": True}).json()["what"]
    wrong = http.post("/api/clients", json={"nom": "Maren"})
    assert wrong.status_code == 422
    assert wrong.json()["where"] == "name"


def test_pictures_cannot_lead_out_of_the_folder(http, maren):
    for name in ("..%2f..%2flucid-swatch.sqlite", "%2e%2e/lucid-swatch.sqlite", "..\\..\\x"):
        assert http.get(f"/api/clients/{maren['id']}/pictures/{name}").status_code == 404


# a photo's way


def settled(http, client):
    """The photos of a client once all are read."""
    for _ in range(600):
        photos = http.get(f"/api/clients/{client['id']}/photos").json()
        if all(p["state"] not in ("waiting", "reading") for p in photos):
            return {p["name"]: p for p in photos}
        http.app.state.context.queue.add(photos[0]["id"]).result(timeout=60)
    raise AssertionError("the photos were not read")


def test_many_files_come_in_and_the_bad_ones_say_why(http, maren):
    bad = [("photos", (f"{name.replace(' ', '-')}.jpg", content, "image/jpeg")) for name, (content, _) in BAD.items()]
    sent = [*bad, ("photos", ("coat.jpg", coat_photo(), "image/jpeg"))]
    taken = http.post(f"/api/clients/{maren['id']}/photos", files=sent).json()
    assert len(taken) == len(sent)
    assert all(one["problem"] is None or one["problem"]["do"] for one in taken)
    photos = settled(http, maren)
    assert photos["coat.jpg"]["state"] == "read"
    assert {p["state"] for name, p in photos.items() if name != "coat.jpg"} == {"failed"}
    picture = http.get(photos["coat.jpg"]["pictures"]["relit"])
    assert picture.headers["content-type"] == "image/jpeg"


def test_a_piece_is_hung_corrected_and_taken_off(http, maren):
    http.post(f"/api/clients/{maren['id']}/photos", files=[("photos", ("coat.jpg", coat_photo(), "image/jpeg"))])
    photo = settled(http, maren)["coat.jpg"]
    piece = http.post(f"/api/photos/{photo['id']}/hang", json={"category": "coat"}).json()
    assert piece["label"] == "Navy coat"
    assert http.get(piece["cloth"]).status_code == 200
    changed = http.patch(f"/api/pieces/{piece['id']}", json={"bin": "tone"}).json()
    assert (changed["sort"]["bin"], changed["bin_said"], changed["doubtful"]) == ("tone", "tone", False)
    assert http.patch(f"/api/pieces/{piece['id']}", json={"category": "cape"}).status_code == 422
    assert http.delete(f"/api/pieces/{piece['id']}").status_code == 204
    assert http.get(f"/api/photos/{photo['id']}").json()["state"] == "read"
    assert http.get("/api/clients").json()[0]["pieces"] == 0


# looks


def test_a_look_is_judged_with_what_everything_would_do(demo_http, ilka):
    rail = rail_of(demo_http, ilka)
    worn = [rail[name]["id"] for name in ("Camel coat", "Oat knit", "Camel trousers", "Cognac loafers")]
    judged = demo_http.post(f"/api/clients/{ilka['id']}/judge", json={"pieces": worn}).json()
    assert set(judged["effects"]) == {piece["id"] for piece in rail.values()}
    for measure in judged["measures"].values():
        assert measure["start"] + sum(r["points"] for r in measure["because"]) == pytest.approx(measure["score"])
    # what is promised is what happens
    black = judged["effects"][rail["Black ankle boots"]["id"]]
    assert rail["Cognac loafers"]["id"] not in black["pieces"]
    after = demo_http.post(f"/api/clients/{ilka['id']}/judge", json={"pieces": black["pieces"]}).json()
    assert after["overall"] == pytest.approx(judged["overall"] + black["change"], abs=0.051)
    for mend in judged["mends"]:
        assert mend["gain"] > 0
    assert judged["band"]["dark"] < judged["band"]["light"]


def test_looks_are_kept_and_let_go(demo_http, ilka):
    rail = rail_of(demo_http, ilka)
    path = f"/api/clients/{ilka['id']}/looks"
    before = demo_http.get(path).json()
    body = {"name": "Tuesday", "pieces": [rail["Blue jeans"]["id"], rail["White tee"]["id"]], "intent": "contrast"}
    kept = demo_http.post(path, json=body).json()
    assert [look["name"] for look in demo_http.get(path).json()] == ["Tuesday", *[look["name"] for look in before]]
    refused = demo_http.delete(f"/api/pieces/{rail['White tee']['id']}")
    assert refused.status_code == 422
    assert "Tuesday" in refused.json()["what"]
    renamed = demo_http.put(f"/api/looks/{kept['id']}", json={**body, "name": "Wednesday"}).json()
    assert (renamed["name"], renamed["overall"]) == ("Wednesday", kept["overall"])
    assert demo_http.delete(f"/api/looks/{kept['id']}").json()["change"]
    assert demo_http.get(path).json() == before


@pytest.mark.parametrize(
    ("body", "status"),
    [({"pieces": []}, 422), ({"pieces": ["none"]}, 404), ({"pieces": ["none"], "intent": "sleep"}, 422), ({}, 422)],
)
def test_a_wrong_look_is_refused_in_words(demo_http, ilka, body, status):
    answer = demo_http.post(f"/api/clients/{ilka['id']}/judge", json=body)
    assert answer.status_code == status
    assert answer.json()["do"]


def test_the_school_of_neutrals_moves_pieces(demo_http, ilka):
    broad = rail_of(demo_http, ilka)["Blue jeans"]["sort"]["bin"]
    changed = demo_http.patch(f"/api/clients/{ilka['id']}", json={"neutrals": "strict"}).json()
    assert changed["neutrals"] == "strict"
    assert (broad, rail_of(demo_http, ilka)["Blue jeans"]["sort"]["bin"]) == ("cool neutral", "tone")


# colouring


def test_a_portrait_is_read_where_the_spots_are(demo_http, ilka):
    portrait = ilka["portraits"][0]
    path, spots = f"/api/portraits/{portrait['id']}", portrait["spots"]
    moved = {**spots, "hair": spots["skin"]}
    again = demo_http.put(path, json={"spots": moved}).json()["portraits"][0]
    assert again["colours"]["hair"] == again["colours"]["skin"]
    assert again["pictures"]["portrait"] != portrait["pictures"]["portrait"]
    back = demo_http.put(path, json={"spots": spots, "veils": portrait["veils"]}).json()
    assert back["face"] == ilka["face"]
    outside = demo_http.put(path, json={"spots": {**spots, "eyes": [{"x": 1.4, "y": 0.5}]}})
    assert outside.status_code == 422


def test_a_lens_reads_live_what_the_portrait_says(demo_http, ilka):
    portrait = ilka["portraits"][0]
    spot = portrait["spots"]["skin"][0]
    live = demo_http.get(f"/api/portraits/{portrait['id']}/spot", params={"part": "skin", **spot}).json()
    assert live["lab"] == pytest.approx(portrait["colours"]["skin"]["lab"], abs=4)


def test_a_veil_lowers_what_is_known_and_not_what_was_read(demo_http, ilka):
    portrait = ilka["portraits"][0]
    path = f"/api/portraits/{portrait['id']}/veils"
    veiled = demo_http.put(path, json={"veils": ["make-up", "flash"]}).json()["portraits"][0]
    assert veiled["colours"] == portrait["colours"]
    assert veiled["doubts"]["skin"] > portrait["doubts"]["skin"]
    assert demo_http.put(path, json={"veils": []}).json()["portraits"][0]["doubts"] == pytest.approx(
        portrait["doubts"], abs=0.05
    )


def test_the_stylists_word_wins_over_portrait_and_trial(demo_http, ilka):
    said = demo_http.patch(f"/api/clients/{ilka['id']}", json={"undertone": "cool"}).json()["face"]
    assert said["undertone"] == "cool"
    assert said["trust"] == 1
    back = demo_http.patch(f"/api/clients/{ilka['id']}", json={"undertone": "as read"}).json()["face"]
    assert back == ilka["face"]


def test_a_trial_runs_is_undone_and_replayed(demo_http, ilka):
    now = demo_http.post(f"/api/clients/{ilka['id']}/trials").json()
    own = [drape for drape in now["drapes"] if drape["picture"]]
    assert len(own) >= 6
    assert demo_http.get(own[0]["picture"]).status_code == 200
    path = f"/api/trials/{now['id']}"
    left, right = now["pair"]
    wrong = demo_http.post(f"{path}/held", json={"left": right, "right": left, "held": "left"})
    assert wrong.status_code == 422
    first = demo_http.post(f"{path}/held", json={"left": left, "right": right, "held": "left"}).json()
    assert len(first["held"]) == 1
    assert first["pair"] != now["pair"]
    undone = demo_http.delete(f"{path}/held/last").json()
    assert (undone["pair"], undone["held"], undone["warm"]) == (now["pair"], [], None)
    while now["pair"]:
        left, right = now["pair"]
        warmer = "left" if now["drapes"][left]["lab"][2] > now["drapes"][right]["lab"][2] else "right"
        now = demo_http.post(f"{path}/held", json={"left": left, "right": right, "held": warmer}).json()
    assert now["ended"]
    assert len(now["held"]) <= 24
    assert now["warm"] > 0.9
    assert demo_http.get(path).json() == now
    change = demo_http.delete(path).json()["change"]
    back = f"/api/clients/{ilka['id']}/undo"
    mistaken = demo_http.post(back, params={"change": change + 1})
    assert (mistaken.status_code, mistaken.json()["where"]) == (422, "changes")
    assert demo_http.post(back, params={"change": change}).status_code == 200
    assert demo_http.get(path).status_code == 200
    demo_http.delete(path)


def test_what_follows_names_the_rail(demo_http, ilka):
    follows = demo_http.get(f"/api/clients/{ilka['id']}/follows").json()
    assert len(follows["pieces"]) == ilka["pieces"]
    assert follows["metals"][0]["metal"] == "gold"
    inside = {piece["label"] for piece in follows["pieces"] if piece["inside"]}
    assert "Camel trousers" in inside
    fits = [piece["fit"] for piece in follows["pieces"]]
    assert fits == sorted(fits, reverse=True)


def test_what_is_always_on_joins_every_look(demo_http, ilka):
    rail = rail_of(demo_http, ilka)
    knit, hoops = rail["Rust ribbed knit"]["id"], rail["Gold hoops"]["id"]
    path = f"/api/clients/{ilka['id']}"
    together = demo_http.post(f"{path}/judge", json={"pieces": [knit, hoops]}).json()
    about = ilka["about"] | {"always_on": [hoops]}
    assert demo_http.put(f"{path}/about", json=about).json()["about"]["always_on"] == [hoops]
    alone = demo_http.post(f"{path}/judge", json={"pieces": [knit]}).json()
    assert alone["overall"] == together["overall"]
    assert hoops not in alone["effects"]
    painted = demo_http.put(f"{path}/about", json=about | {"lipstick": [40, 50, 20]}).json()["about"]
    assert painted["lipstick"] == [40, 50, 20]
    assert demo_http.post(f"{path}/judge", json={"pieces": [knit]}).json()["overall"] != alone["overall"]
    missing = demo_http.put(f"{path}/about", json=about | {"always_on": ["nowhere"]})
    assert "not on the client's rail" in missing.json()["what"]


def test_two_things_are_kept_side_by_side(demo_http, ilka):
    rail = rail_of(demo_http, ilka)
    path = f"/api/clients/{ilka['id']}/side-by-side"
    left, right = {"kind": "piece", "id": rail["Rust ribbed knit"]["id"]}, {"kind": "nothing"}
    same = demo_http.post(path, json={"left": right, "right": right})
    assert "both sides hold the same" in same.json()["what"]
    kept = demo_http.post(path, json={"left": left, "right": right, "better": "left", "note": "livelier"}).json()
    assert (kept["left"]["label"], kept["right"]["label"]) == ("Rust ribbed knit", "nothing")
    assert demo_http.get(path).json()[0] == kept
    assert demo_http.delete(f"/api/side-by-side/{kept['id']}").json()["change"]
    assert kept["id"] not in [one["id"] for one in demo_http.get(path).json()]


def test_photos_to_compare_are_shown_in_one_light(demo_http, ilka):
    path = f"/api/clients/{ilka['id']}/compared-photos"
    right, left = demo_http.get(path).json()
    assert (left["name"], right["name"]) == ("In steel blue", "In rust")
    pair = demo_http.get(f"/api/compared-photos/{left['id']}/beside/{right['id']}").json()
    assert pair["light"] == "ground"
    assert pair["remaining"] < 1 < pair["apart"]
    turned = demo_http.get(f"/api/compared-photos/{right['id']}/beside/{left['id']}").json()
    assert {pair["changed"], turned["changed"]} == {"left", "right"}
    changed = left if pair["changed"] == "left" else right
    alone = demo_http.get(changed["picture"])
    assert alone.headers["cache-control"] == "no-store"
    assert demo_http.get(pair[f"{pair['changed']}_picture"]).content != alone.content
    named = demo_http.put(f"/api/compared-photos/{left['id']}", json={"name": "blue"}).json()
    assert named["name"] == "blue"
    no_photo = demo_http.post(path, files={"photo": ("a.jpg", b"no photo", "image/jpeg")})
    assert "not a photo" in no_photo.json()["what"]
    assert demo_http.delete(f"/api/compared-photos/{left['id']}").status_code == 204
    assert demo_http.get(left["picture"]).status_code == 404


def test_everything_about_a_client_can_be_taken_out(demo_http, ilka):
    content = demo_http.get(f"/api/clients/{ilka['id']}/archive.zip").content
    with zipfile.ZipFile(io.BytesIO(content)) as archive:
        names = archive.namelist()
        client = json.loads(archive.read("client.json"))
        rail = json.loads(archive.read("rail.json"))
    assert client["format"] == "lucid-swatch/client"
    assert client["about"]["metal"] == "gold"
    assert len(rail["pieces"]) == ilka["pieces"]
    assert sum(name.startswith("photos/") for name in names) == 36
    assert sum(name.startswith("compared/") for name in names) == 2


def test_a_client_is_erased_with_every_file(demo_http, ilka, demo):
    others = demo_http.get("/api/clients").json()[1:]
    gone = demo_http.delete(f"/api/clients/{ilka['id']}").json()
    assert gone["rows"]["photo"] == 36
    assert gone["left"] == []
    owners = {ilka["id"], *(face["id"] for face in ilka["portraits"])}
    assert not owners & {p.name for p in (demo / "pictures").iterdir()}
    for file in demo.rglob("*.sqlite*"):
        assert ilka["id"].encode() not in file.read_bytes()
    assert [c["name"] for c in demo_http.get("/api/clients").json()] == [c["name"] for c in others]


def test_the_description_in_the_repository_is_fresh():
    kept = json.loads((ROOT / "docs/openapi.json").read_text())
    assert kept == json.loads(json.dumps(openapi_document())), "run make client"
