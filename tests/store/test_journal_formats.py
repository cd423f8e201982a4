"""What every earlier form of the journal wrote is taken back and done again by this one."""

import json
from datetime import UTC, date, datetime
from pathlib import Path

import pytest
import sqlalchemy as sa

from lucid_swatch.core.garment.particulars import DayVerdict, Particulars
from lucid_swatch.core.garment.word import Word
from lucid_swatch.core.look.kept_look import TimeOfDay
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.journal import Journal
from lucid_swatch.store.journal_formats import JOURNAL_FORMAT, STEPS
from lucid_swatch.store.looks import Looks
from lucid_swatch.store.palettes import Palettes
from lucid_swatch.store.pieces import Pieces
from lucid_swatch.store.records import ClientRecord
from lucid_swatch.store.tables import ChangeRow
from lucid_swatch.store.trials import Comparisons, Trials
from lucid_swatch.usecases.changes import KEEPERS, redo, undo
from lucid_swatch.usecases.rail import change_piece

FORMS = Path(__file__).parents[1] / "data/journal"
SINCE = {"wall", "candidate", "capsule", "lookbook", "plan", "wear"}
"""Kinds that there were not yet when these forms were written."""
NOW = datetime(2031, 5, 4, 10, 11, tzinfo=UTC)


def test_there_is_a_step_from_every_earlier_form_and_a_journal_of_it():
    assert sorted(STEPS) == list(range(1, JOURNAL_FORMAT))
    assert {path.stem for path in FORMS.glob("*.json")} == {str(form) for form in STEPS}


@pytest.fixture(params=sorted(FORMS.glob("*.json")), ids=lambda path: f"form {path.stem}")
def written(request):
    return json.loads(request.param.read_text(encoding="utf-8"))


@pytest.fixture
def session(sessions, written):
    """A rail as the changes of the journal left it, with the journal as it was written."""
    with sessions.begin() as session:
        Clients(session).add(ClientRecord(written["client"], "Maren", date(2031, 5, 4), NOW))
        for change in written["changes"]:
            row = ChangeRow(
                client_id=written["client"], format=written["format"], made_at=NOW, taken_back=False, **change
            )
            session.add(row)
        session.flush()
        left = {}
        for change in Journal(session).of_client(written["client"])[::-1]:
            for entry in change.entries:
                left.setdefault((entry.kind, entry.id), entry.before)
                left[entry.kind, entry.id] = entry.after
        order = sorted(left.items(), key=lambda one: one[0][0] != "piece")
        for (kind, id), after in order:
            KEEPERS[kind](session).restore(id, after)
        for name in ("navy trousers", "tan shoes"):
            _hang(session, written["client"], name)
        yield session


def _hang(session, client, id):
    from lucid_swatch.core.garment.vocabulary import Category
    from lucid_swatch.store.records import HungPiece
    from tests.usecases.rails import NAVY, piece

    Pieces(session).add(HungPiece(piece(id, Category.BAG, NAVY), client, NOW))


def test_it_holds_every_kind_that_is_journalled(written):
    kinds = {entry["kind"] for change in written["changes"] for entry in change["entries"]}
    assert kinds == set(KEEPERS) - {"photo"} - SINCE


def test_it_is_taken_back_step_by_step_and_done_again(session, written):
    client = written["client"]
    after = {kind: _all(session, kind, client) for kind in ("look", "trial", "side by side", "palette", "piece")}
    steps = len(written["changes"])
    for _ in range(steps):
        undo(session, client)
    assert Pieces(session).get("cream top").particulars == Particulars()
    assert {hung.piece.id for hung in Pieces(session).of_client(client)} >= {"olive skirt"}
    for _ in range(steps):
        redo(session, client)
    assert {kind: _all(session, kind, client) for kind in after} == after


def test_what_came_back_is_what_was_let_go(session, written):
    client = written["client"]
    told = [undo(session, client).told for _ in written["changes"][2:]]
    assert any("look" in one for one in told)
    (look,) = Looks(session).of_client(client)
    assert (look.name, look.particulars.occasion, look.particulars.time) == ("Encore", "premiere", TimeOfDay.EVENING)
    assert look.particulars.conventions is not None
    assert (look.particulars.conventions.one_white, look.particulars.conventions.mix_metals) == (True, True)
    assert len(look.verdicts) == 1


def test_a_change_made_since_stays(session, written):
    client = written["client"]
    for _ in written["changes"][1:]:
        undo(session, client)
    particulars = Pieces(session).get("cream top").particulars
    assert (particulars.verdict, particulars.set, particulars.price) == (DayVerdict.MEND, "travel", 49.5)
    session.execute(sa.update(ChangeRow).values(taken_back=True).where(ChangeRow.id > 1))
    change_piece(session, "tan shoes", Word(label="Tan shoes, resoled"))
    undo(session, client)
    undo(session, client)
    assert Pieces(session).get("cream top").particulars == Particulars()


def _all(session, kind, client):
    books = {"look": Looks, "trial": Trials, "side by side": Comparisons, "palette": Palettes}
    if kind == "piece":
        return {hung.piece.id: Pieces(session).snapshot(hung.piece.id) for hung in Pieces(session).of_client(client)}
    return [books[kind](session).snapshot(one.id) for one in books[kind](session).of_client(client)]
