"""Starting the application: its address, its port, its folders."""

import socket

from typer.testing import CliRunner

from lucid_swatch.cli import app
from lucid_swatch.cli.serve import LOOPBACK, open_port
from lucid_swatch.store.database import FILE
from tests.running import asking, running

run = CliRunner()


def test_it_answers_on_loopback_and_keeps_its_data_where_it_is_told(data):
    with running("serve", data) as url:
        assert url.startswith("http://127.0.0.1:")
        with asking(url) as http:
            assert http.get("/api/clients").json() == []
    assert (data / FILE).is_file()


def test_the_next_port_is_taken_when_the_usual_one_is_in_use():
    with socket.socket() as taken:
        taken.bind((LOOPBACK, 0))
        taken.listen()
        usual = taken.getsockname()[1]
        with open_port(usual) as listening:
            assert usual < listening.getsockname()[1] <= usual + 20


def test_a_broken_database_ends_with_a_sentence(data, monkeypatch):
    data.mkdir()
    (data / FILE).write_bytes(b"Dear wardrobe" * 500)
    monkeypatch.setenv("LUCID_SWATCH_DATA", str(data))
    done = run.invoke(app, ["serve"])
    assert done.exit_code == 1
    assert "this is not a whole database" in done.stderr
    assert "Traceback" not in done.output


def test_demo_and_own_clients_are_never_mixed(data, monkeypatch):
    monkeypatch.setenv("LUCID_SWATCH_DATA", str(data))
    monkeypatch.setenv("LUCID_SWATCH_DEMO_DATA", str(data))
    done = run.invoke(app, ["demo"])
    assert done.exit_code == 1
    assert "would mix" in done.stderr


def test_a_wrong_setting_is_named(monkeypatch):
    monkeypatch.setenv("LUCID_SWATCH_WORKERS", "many")
    done = run.invoke(app, ["serve"])
    assert done.exit_code == 1
    assert "LUCID_SWATCH_WORKERS" in done.stderr
