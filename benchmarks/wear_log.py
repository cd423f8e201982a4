"""A long wear log: how soon the rail, the audit and the calendar of cloth answer beside it."""

import tempfile
import time
from datetime import UTC, date, datetime, timedelta
from pathlib import Path
from uuid import uuid4

import numpy as np
from tests.api.opened import open_http

from lucid_swatch.core.look.wearing.wear import Felt, Wear
from lucid_swatch.store.database import open_database
from lucid_swatch.store.pieces import Pieces
from lucid_swatch.store.records import HungPiece
from lucid_swatch.store.wears import Wears
from lucid_swatch.usecases.clients import add_client

from .buying import drawn_rail

LINES, PIECES, TIMES = 5000, 60, 15


def wear_log():
    """Milliseconds that a person waits, in the middle and at the ninety-fifth of some askings, with the log and without."""
    figures = {}
    for lines in (0, LINES):
        with tempfile.TemporaryDirectory() as folder:
            client = _fill(Path(folder), lines)
            for name, took in _asked(Path(folder), client).items():
                told = f"{name} beside {lines:,} lines, milliseconds, middle and 95th"
                figures[told] = (round(float(np.median(took))), round(float(np.percentile(took, 95))))
    return figures


def _fill(folder, lines):
    rng = np.random.default_rng(7)
    sessions = open_database(folder)
    with sessions.begin() as session:
        client = add_client(session, "Tilde", date(2031, 5, 4)).id
        pieces = drawn_rail(PIECES, 3)
        for piece in pieces:
            Pieces(session).add(HungPiece(piece, client, datetime.now(UTC)))
        today = datetime.now(UTC).date()
        for number in range(lines):
            ids = tuple(pieces[int(k)].id for k in rng.choice(PIECES, 4, replace=False))
            felt = rng.choice([None, *Felt])
            on = today - timedelta(number // 2)
            Wears(session).add(Wear(uuid4().hex, client, on, ids, datetime.now(UTC), felt=felt))
    sessions.close()
    return client


def _asked(folder, client):
    from lucid_swatch.assemble import make_application
    from lucid_swatch.settings import Settings

    today = datetime.now(UTC).date()
    asked = {
        "the rail": f"/api/clients/{client}/rail",
        "the audit": f"/api/clients/{client}/audit",
        "three months of the calendar": f"/api/clients/{client}/wears?first={today - timedelta(92)}&last={today}",
        "what the log tells": f"/api/clients/{client}/wearing",
    }
    took = {name: [] for name in asked}
    with open_http(make_application(folder, Settings(workers=1))) as http:
        for _ in range(TIMES + 2):
            for name, path in asked.items():
                begun = time.perf_counter()
                assert http.get(path).status_code == 200
                took[name].append(1000 * (time.perf_counter() - begun))
    # the first askings learn what is remembered
    return {name: some[2:] for name, some in took.items()}
