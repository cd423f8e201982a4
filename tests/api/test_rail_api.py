"""The rail, its audit and its palettes over HTTP."""

import json

import pytest

from lucid_swatch.assemble import make_application
from lucid_swatch.settings import Settings
from tests.api.opened import open_http

NAVY, CREAM, TAN = [21, 4, -22], [89, 2, 16], [57, 15, 29]
RAIL = {
    "format": "lucid-swatch/rail",
    "version": 1,
    "pieces": [
        {"id": name, "label": name, "category": category, "colours": [{"lab": lab, "share": 1}]}
        for name, category, lab in (
            ("cream top", "top", CREAM),
            ("navy trousers", "trousers", NAVY),
            ("tan shoes", "shoes", TAN),
            ("navy coat", "coat", NAVY),
        )
    ],
}


@pytest.fixture
def http(data):
    app = make_application(data, Settings(workers=1))
    with open_http(app) as http:
        yield http


@pytest.fixture
def at(http):
    client = http.post("/api/clients", json={"name": "Maren", "consent": True}).json()
    assert send(http, f"/api/clients/{client['id']}", RAIL, apply=True).status_code == 200
    return f"/api/clients/{client['id']}"


def send(http, at, rail, apply=False, name="rail.json"):
    content = rail if isinstance(rail, bytes) else json.dumps(rail).encode()
    return http.post(f"{at}/rail/import", files={"rail": (name, content)}, data={"apply": str(apply).lower()})


def rail(http, at):
    return {piece["id"]: piece for piece in http.get(f"{at}/rail").json()}


def test_many_pieces_change_at_once_and_one_step_takes_it_back(http, at):
    asked = {"pieces": ["cream top", "navy coat"], "word": {"bin": "tone"}, "kept": {"verdict": "let go", "price": 90}}
    changed = http.post(f"{at}/rail/change", json=asked).json()
    assert [(p["sort"]["bin"], p["read"]["bin"], p["kept"]["verdict"]) for p in changed] == [
        ("tone", "warm neutral", "let go"),
        ("tone", "cool neutral", "let go"),
    ]
    for day in ("2025-05-01", "2025-05-02"):
        assert http.post(f"{at}/wears", json={"on": day, "pieces": ["navy coat"]}).status_code == 201
    coat = rail(http, at)["navy coat"]
    assert (coat["cost_per_wear"], coat["worn_days"], coat["worn_last"]) == (45.0, 2, "2025-05-02")
    assert coat["kept"]["verdict"] == "let go"
    assert http.post(f"{at}/undo").json()["back"] == "worn on 1 May: navy coat"
    assert http.post(f"{at}/undo").json()["back"].startswith("cream top and 1 more")
    undone = http.post(f"{at}/undo").json()
    assert (undone["back"], undone["again"]) == (
        "took in 4 pieces from rail.json",
        "cream top and 1 more: hung with the tones",
    )
    assert rail(http, at)["cream top"]["sort"]["bin"] == "warm neutral"
    assert http.post(f"{at}/redo").status_code == 200
    assert [one["taken_back"] for one in http.get(f"{at}/changes").json()] == [True, True, False, False]


def test_a_value_out_of_range_is_refused_with_its_place(http, at):
    answer = http.post(f"{at}/rail/change", json={"pieces": ["navy coat"], "kept": {"price": -1}})
    assert answer.status_code == 422
    assert "price" in answer.json()["where"]
    assert http.post(f"{at}/rail/change", json={"pieces": ["navy coat"], "kept": {"uses": ["a; b"]}}).status_code == 422


def test_the_audit_the_work_and_the_company(http, at):
    audit = http.get(f"{at}/audit").json()
    assert audit["families"][0]["name"] == "navy"
    assert audit["heavy"] == ["navy"]
    assert (audit["since"], audit["families"][0]["before"]) == (None, None)
    work = http.get(f"{at}/work").json()
    assert work["looks"] == 2
    assert set(work["each"]) == set(rail(http, at))
    company = http.get("/api/pieces/navy coat/company").json()
    assert (company["same"][0]["piece_id"], company["same"][0]["kin"]) == ("navy trousers", "match")
    assert http.get("/api/pieces/nobody/company").status_code == 404


def test_a_palette_is_found_kept_taken_out_and_read_back(http, at):
    found = http.post(f"{at}/palettes/find", json={"count": 2}).json()
    assert [one["name"] for one in found["colours"]] == ["navy", "cream"]
    colours = [{"name": one["name"], "lab": one["lab"]} for one in found["colours"]]
    kept = http.post(f"{at}/palettes", json={"name": "Harbour", "within": 8, "colours": colours}).json()
    assert http.get(f"{at}/palettes").json() == [kept]
    for ending in ("gpl", "css", "csv", "json"):
        file = http.get(f"/api/palettes/{kept['id']}/file.{ending}")
        assert f'filename="harbour.{ending}"' in file.headers["content-disposition"]
        back = http.post(f"{at}/palettes/read", files={"palette": (f"harbour.{ending}", file.content)}).json()
        assert (back["name"], back["id"]) == ("Harbour", None)
        assert [one["lab"] for one in back["colours"]] == [one["lab"] for one in kept["colours"]]
    assert http.get(f"/api/palettes/{kept['id']}/file.exe").status_code == 422
    assert http.delete(f"/api/palettes/{kept['id']}").status_code == 204
    assert http.get(f"{at}/palettes").json() == []


def test_the_rail_leaves_in_three_files_and_nothing_is_new_in_them(http, at):
    for ending in ("json", "csv", "zip"):
        file = http.get(f"{at}/rail.{ending}")
        assert f'filename="maren-rail.{ending}"' in file.headers["content-disposition"]
        plan = send(http, at, file.content, name=f"maren-rail.{ending}").json()
        assert (plan["added"], plan["changed"], plan["same"]) == ([], {}, 4)


def test_a_broken_file_is_refused_and_nothing_changes(http, at):
    before = rail(http, at)
    answer = send(http, at, b"id,category,L*,a*,b*\n=1,knit,50,0,0\n", apply=True, name="rail.csv")
    assert answer.status_code == 422
    assert answer.json()["where"] == "rail.csv, line 2"
    assert rail(http, at) == before


def test_a_border_moves_only_when_asked_and_the_schools_go_back_too(http, at):
    http.post(f"{at}/rail/change", json={"pieces": ["tan shoes"], "word": {"bin": "tone"}})
    habit = http.get(f"{at}/leanings").json()["habits"][0]
    assert (habit["read"], habit["said"], habit["labels"]) == ("warm neutral", "tone", ["tan shoes"])
    asked = {key: habit[key] for key in ("family", "read", "said")}
    assert http.post(f"{at}/leanings", json=asked).status_code == 204
    assert len(http.get(f"{at}/leanings").json()["kept"]) == 1
    assert http.delete(f"{at}/leanings/0").status_code == 204
    assert http.post(f"{at}/leanings", json=asked | {"said": "warm neutral"}).status_code == 422
    http.patch(at, json={"neutrals": "strict"})
    assert rail(http, at)["navy coat"]["sort"]["bin"] == "tone"
    assert http.post(f"{at}/undo").json()["told"] == "neutrals: strict"
    assert rail(http, at)["navy coat"]["sort"]["bin"] == "cool neutral"


def test_two_faces_and_a_set_are_kept(http, at):
    assert http.post(f"{at}/rail/faces", json={"first": "navy coat", "second": "cream top"}).status_code == 204
    assert rail(http, at)["cream top"]["kept"]["other_face"] == "navy coat"
    assert http.post(f"{at}/rail/take-off", json={"pieces": ["navy coat"]}).status_code == 204
    assert rail(http, at)["cream top"]["kept"]["other_face"] is None


def test_a_look_says_what_holds_it_back_and_what_to_think_of(http, at):
    asked = {"pieces": ["cream top", "navy trousers"], "rain": True}
    judged = http.post(f"{at}/judge", json=asked).json()
    assert {note["text"] for note in judged["notes"]} == {
        "no shoes yet",
        "surfaces not known for 2 pieces: relief and shine count for less",
    }
    assert judged["weights"]
    assert all(one["costs"] > 0 for one in judged["held_back"])
    for note in judged["notes"]:
        assert http.post(f"{at}/notes", json={"key": note["key"]}).status_code == 204
    assert http.post(f"{at}/judge", json=asked).json()["notes"] == []
    kept = http.post(
        f"{at}/looks",
        json={"name": "Quay", "pieces": ["cream top", "navy trousers"], "kept": {"time": "day", "client_rating": 5}},
    )
    assert (kept.json()["kept"]["time"], kept.json()["verdicts"][0]["weights"]) == ("day", judged["weights"])
    assert (
        http.post(
            f"{at}/looks", json={"name": "Quay", "pieces": ["cream top"], "kept": {"client_rating": 9}}
        ).status_code
        == 422
    )
    assert http.get("/api/taste").json()["verdicts"] == 0
    assert http.post("/api/taste").status_code == 422
    assert http.delete("/api/taste").status_code == 204


def test_what_a_piece_is_comes_with_its_figure_marks_and_proposals(http, at):
    told = http.get("/api/pieces/navy trousers/what").json()
    assert [mark["pulls"] for mark in told["marks"]] == ["length", "volume"]
    assert told["figure"]["shapes"][0]["piece"] == "navy trousers"
    assert (told["finish"], told["length"], told["formality"]["said"]) == ([], None, False)
    assert {"finish", "length", "volume"} <= set(told["unknown"])
    assert told["unsaid"] == ["formality", "warmth"]
    said = {"word": {"finish": ["denim"], "length": "ankle", "cut": {"closure": "zip"}, "formality": 2}}
    changed = http.post(f"{at}/rail/change", json={"pieces": ["navy trousers"], **said}).json()[0]
    assert (changed["finish"], changed["cut"]["closure"], changed["formality"]) == (["denim"], "zip", 2)
    told = http.get("/api/pieces/navy trousers/what").json()
    assert told["formality"]["said"]
    assert told["formality"]["proposed"] < 3
    assert "denim takes it down" in told["formality"]["because"]
    back = http.post(f"{at}/rail/change", json={"pieces": ["navy trousers"], "word": {"unsaid": ["finish", "closure"]}})
    assert (back.json()[0]["finish"], back.json()[0]["cut"].get("closure")) == ([], None)
    assert http.get("/api/pieces/nobody/what").status_code == 404
    assert http.patch("/api/pieces/navy trousers", json={"unsaid": ["colours"]}).status_code == 422


def test_the_walk_asks_over_http(http, at):
    asked = http.get(f"{at}/walk", params={"by": "length"}).json()
    assert {one["piece"] for one in asked} == {"cream top", "navy trousers", "navy coat"}
    assert [option["word"] for option in next(o for o in asked if o["piece"] == "navy trousers")["options"]] == [
        "knee",
        "midi",
        "ankle",
        "floor",
    ]
    assert http.get(f"{at}/walk", params={"by": "mood"}).status_code == 422


def test_wishes_for_proportion_are_kept_and_noted(http, at):
    about = http.get(at).json()["about"]
    wished = about | {"wishes": {"not_full": ["hip"], "longer": "leg", "covered": ["ankles"]}}
    assert http.put(f"{at}/about", json=wished).status_code == 200
    http.post(f"{at}/rail/change", json={"pieces": ["navy trousers"], "word": {"volume": "full", "length": "ankle"}})
    http.post(f"{at}/rail/change", json={"pieces": ["cream top"], "word": {"length": "hip"}})
    notes = http.post(f"{at}/judge", json={"pieces": ["cream top", "navy trousers"]}).json()["notes"]
    assert {note["key"].split()[0] for note in notes} >= {"full-unwelcome", "leg-shorter", "bare-unwished"}
    assert http.put(f"{at}/about", json=about | {"wishes": {"full": ["nose"]}}).status_code == 422
