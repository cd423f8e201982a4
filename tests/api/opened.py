"""The application as its own page asks it: with the key."""

from fastapi.testclient import TestClient

ADDRESS = "http://127.0.0.1:8317"


def open_http(app):
    """A client that has the key."""
    key = app.state.context.key
    return TestClient(app, base_url=ADDRESS, headers={"authorization": f"Bearer {key}"}, raise_server_exceptions=False)
