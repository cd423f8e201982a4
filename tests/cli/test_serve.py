"""Starting the application: its address, its port, its folders."""

import contextlib
import socket
import subprocess

import pytest
from benchmarks.faults import FULL, WELL, Application
from typer.testing import CliRunner

from lucid_swatch.cli import app
from lucid_swatch.cli.serve import LOOPBACK, open_port
from lucid_swatch.core.problems import Refused
from lucid_swatch.store.database import FILE, open_database
from tests.running import COMMAND, asking, running

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


@pytest.mark.parametrize("port", ["99999", "-1", "65536", "many"])
def test_a_port_that_is_none_is_refused_in_a_sentence(data, monkeypatch, port):
    monkeypatch.setenv("LUCID_SWATCH_DATA", str(data))
    done = run.invoke(app, ["serve", "--port", port])
    assert done.exit_code == 2
    assert "--port" in done.stderr
    assert "Traceback" not in done.output


def test_the_last_port_is_the_last():
    with socket.socket() as taken:
        with contextlib.suppress(OSError):  # where it is somebody else's, it is taken all the same
            taken.bind((LOOPBACK, 65535))
        taken.listen()
        with pytest.raises(Refused, match="is free"):
            open_port(65535)


def test_a_database_that_is_damaged_in_the_middle_ends_with_a_sentence(data, monkeypatch):
    open_database(data).close()
    content = bytearray((data / FILE).read_bytes())
    content[4096:40960] = b"\x55" * (40960 - 4096)
    (data / FILE).write_bytes(bytes(content))
    monkeypatch.setenv("LUCID_SWATCH_DATA", str(data))
    done = run.invoke(app, ["serve", "--port", "0"])
    assert done.exit_code == 1
    assert "lucid-swatch check" in done.stderr
    assert "Traceback" not in done.output
    assert (data / FILE).read_bytes() == bytes(content)


def test_a_start_on_a_full_disk_ends_with_a_sentence(data, tmp_path):
    application = Application(data, tmp_path)
    application.disk(FULL)
    done = subprocess.run(
        [COMMAND, "serve", "--port", "0"],
        env=application.environment,
        capture_output=True,
        text=True,
        timeout=60,
        check=False,
    )
    assert done.returncode == 1
    assert "no space left" in done.stderr or "disk is full" in done.stderr
    assert "Traceback" not in done.stderr
    application.disk(WELL)
    application.start()
    with application.http() as http:
        assert http.get("/api/clients").json() == []
    application.end()


def test_everything_goes_and_comes_back_by_commands(data, tmp_path):
    """Backup, sealed; check; restore beside what is there."""
    with running("serve", data) as url, asking(url) as http:
        http.post("/api/clients", json={"name": "Maren", "consent": True}).raise_for_status()

    def command(*words, typed=""):
        return subprocess.run(
            [COMMAND, *words, "--data", str(data)],
            input=typed,
            capture_output=True,
            text=True,
            timeout=120,
            check=False,
        )

    made = command("backup", str(tmp_path / "b.zip"), "--sealed", typed="four quiet harbour words\n")
    assert made.returncode == 0, made.stderr
    assert "whole" in command("check").stdout
    assert "does not open" in command("restore", str(tmp_path / "b.zip"), typed="other words\n").stderr
    back = command("restore", str(tmp_path / "b.zip"), typed="four quiet harbour words\n")
    assert back.returncode == 0, back.stderr
    assert "What was there is in" in back.stdout
    with running("serve", data) as url, asking(url) as http:
        assert [client["name"] for client in http.get("/api/clients").json()] == ["Maren"]
