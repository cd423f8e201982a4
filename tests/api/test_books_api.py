"""Books through the API: begun, written, made, taken out."""

import pytest

from tests.api.test_plans_api import client, http

__all__ = ["client", "http"]  # fixtures


@pytest.fixture
def book(http, client):
    plan = http.post(f"/api/clients/{client}/plans", json={"name": "Tour", "first": "2031-05-05", "days": 2}).json()[
        "id"
    ]
    for on, name in (("2031-05-05", "Office"), ("2031-05-06", "Gallery")):
        http.post(f"/api/plans/{plan}/events", json={"on": on, "name": name})
    http.post(f"/api/plans/{plan}/filling")
    done = http.post(f"/api/clients/{client}/books", json={"plan": plan})
    assert done.status_code == 201, done.text
    return done.json()


def test_a_book_is_begun_written_ordered_and_let_go(http, client, book):
    at = f"/api/books/{book['id']}"
    assert book["title"] == "Tour"
    assert [one["title"] for one in http.get(f"/api/clients/{client}/books").json()] == ["Tour"]
    first, second = (page["id"] for page in book["pages"])
    told = http.get(f"{at}/pages/{first}").json()
    assert told["occasion"] == "Office"
    assert told["why"].endswith(".")
    assert told["own"] == []
    done = http.put(f"{at}/pages/{first}", json={"why": "Because."}).json()
    assert http.get(f"{at}/pages/{first}").json()["own"] == ["why"]
    done = http.put(at, json={"order": [second, first], "word": "Well?"}).json()
    assert [page["id"] for page in done["pages"]] == [second, first]
    assert "your word" in done["will_hold"]
    assert http.put(at, json={"order": [first]}).status_code == 404
    done = http.post(f"{at}/order", json={"by": "occasion"}).json()
    assert [page["id"] for page in done["pages"]] == [second, first]  # gallery, office
    assert http.post(f"{at}/order", json={"by": "mood"}).status_code == 422
    assert http.get(f"{at}/pages/nothing").status_code == 404
    number = http.delete(at).json()["change"]
    assert number is not None
    assert http.get(at).status_code == 404
    http.post(f"/api/clients/{client}/undo")
    assert http.get(at).json()["word"] == "Well?"


def test_files_are_made_and_taken_out(http, client, book):
    at = f"/api/books/{book['id']}"
    assert http.get(f"{at}/book.pdf").status_code == 404
    asked = http.post(f"{at}/making", json={"kinds": ["pdf", "html"]}).json()
    assert asked["asked"] == ["pdf", "html"]
    http.app.state.context.queue.rest()
    made = http.get(at).json()
    assert (made["making"], {one["kind"] for one in made["made"]}) == (None, {"pdf", "html"})
    pdf, html = http.get(f"{at}/book.pdf"), http.get(f"{at}/book.html")
    assert pdf.content.startswith(b"%PDF")
    assert "attachment" in html.headers["content-disposition"]
    assert html.headers["cache-control"] == "no-store"
    assert http.get(f"{at}/book.doc").status_code == 422
    http.delete(at)
    http.post(f"/api/clients/{client}/undo")
    assert http.get(at).json()["made"] == []  # its files went for good
    http.post(f"{at}/making", json={"kinds": ["pdf"]})
    http.app.state.context.queue.rest()
    assert http.get(f"{at}/book.pdf").status_code == 200
    http.delete(f"/api/clients/{client}")
    assert not list(http.app.state.context.folder.path.rglob("book.pdf"))
