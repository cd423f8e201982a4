"""One browser for all journeys, one application for each."""

from datetime import date

import pytest
from playwright.sync_api import expect

from lucid_swatch.store.database import open_database
from lucid_swatch.usecases.clients import add_client
from tests.running import at, browser
from tests.warm import running_warm

LIMIT = 120_000
"""Milliseconds: a limit for a busy machine, not a pause. A photo is read in 8 s alone, in a minute beside six others."""
expect.set_options(timeout=LIMIT)


@pytest.fixture(scope="session")
def chromium():
    with browser() as chromium:
        yield chromium


@pytest.fixture
def page(chromium):
    """A page at the size of a small laptop; what the console complains of fails the test."""
    context = chromium.new_context(viewport={"width": 1280, "height": 800}, reduced_motion="reduce")
    page = context.new_page()
    page.set_default_timeout(LIMIT)
    complaints = []
    page.on("pageerror", lambda error: complaints.append(str(error)))
    page.on("console", lambda said: complaints.append(f"{said.text} {said.location}") if said.type == "error" else None)
    yield page
    context.close()
    assert [c for c in complaints if "422" not in c and "401" not in c] == []


@pytest.fixture
def at_demo(demo):
    """The address of the application on its own copy of the demo data."""
    with running_warm("demo", demo) as url:
        yield url


@pytest.fixture
def opened(page, at_demo):
    """The clients' book, open."""
    page.goto(at_demo)
    page.get_by_role("heading", name="Ilka Maren").wait_for()
    yield page
    page.goto("about:blank")  # leaves before the application does


@pytest.fixture
def tilde(page, data):
    """The intake of a client of whom there is nothing yet, open."""
    with open_database(data).begin() as session:
        id = add_client(session, "Tilde", date(2031, 5, 4)).id
    with running_warm("serve", data) as url:
        page.goto(at(url, f"clients/{id}/intake"))
        page.get_by_text("Drop photos of garments here").wait_for()
        yield page
        page.goto("about:blank")
