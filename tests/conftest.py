"""Real databases and real files; the demo is made once for each state of the sources and copied."""

import fcntl
import hashlib
import os
import shutil
import time
from pathlib import Path

import pytest
from hypothesis import settings

from lucid_swatch.demo.build import build_demo
from lucid_swatch.outside.cut_out import SalientObjectNetwork
from lucid_swatch.outside.faces import FaceCascade
from lucid_swatch.store.database import open_database
from lucid_swatch.store.folder import Folder
from lucid_swatch.usecases.eyes import OwnEyes, Sight

# a slow machine fails nothing
settings.register_profile("patient", deadline=None)
settings.register_profile("quick", deadline=None, max_examples=8)
settings.load_profile(os.environ.get("HYPOTHESIS_PROFILE", "patient"))

ROOT = Path(__file__).parents[1]
OLD = 24 * 3600
"""Seconds after which a demo of other sources is thrown away."""
MADE_FROM = ("core", "demo", "files", "formats", "outside", "store", "usecases", "work")


@pytest.fixture
def data(tmp_path):
    """An empty data folder."""
    return tmp_path / "data"


@pytest.fixture
def sessions(data):
    return open_database(data)


@pytest.fixture
def folder(data):
    return Folder(data)


@pytest.fixture(scope="session")
def network():
    return SalientObjectNetwork()


@pytest.fixture(scope="session")
def eyes(network):
    """What looks at photos, in this process."""
    return OwnEyes(Sight(network, FaceCascade()))


@pytest.fixture(scope="session")
def demo_template(tmp_path_factory):
    """The demo as its own command makes it; kept between runs as long as what makes it is the same."""
    digest = hashlib.sha256()
    for package in MADE_FROM:
        for file in sorted((ROOT / "src/lucid_swatch" / package).rglob("*")):
            if file.suffix in (".py", ".csv", ".toml"):
                digest.update(file.read_bytes())
    kept = ROOT / ".setup/demo" / digest.hexdigest()[:16]
    kept.parent.mkdir(parents=True, exist_ok=True)
    with (kept.parent / ".lock").open("w") as lock:
        fcntl.flock(lock, fcntl.LOCK_EX)  # the other test process waits for the same one
        build_demo(kept)
        for other in kept.parent.iterdir():
            if other.is_dir() and other != kept and time.time() - other.stat().st_mtime > OLD:
                shutil.rmtree(other, ignore_errors=True)
    return kept


@pytest.fixture
def demo(demo_template, tmp_path):
    """A demo folder to change at will."""
    copy = tmp_path / "demo"
    shutil.copytree(demo_template, copy)
    return copy
