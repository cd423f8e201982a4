"""A wardrobe is put together once, from few questions to the database, and everything that asks it is told the same."""

from contextlib import contextmanager

import numpy as np
import pytest
import sqlalchemy as sa

from lucid_swatch.core.client.about import About, Refusals
from lucid_swatch.core.garment.vocabulary import Category, Finish
from lucid_swatch.core.garment.word import Word
from lucid_swatch.core.look.scorer import table as tables
from lucid_swatch.formats.particulars import ParticularsDocument
from lucid_swatch.store.looks import Looks
from lucid_swatch.store.records import JobKind
from lucid_swatch.usecases.audit import work
from lucid_swatch.usecases.clients import write_about
from lucid_swatch.usecases.jobs import WORKS
from lucid_swatch.usecases.looks import judge_pieces, keep_look, overall_of
from lucid_swatch.usecases.neighbours import company_of
from lucid_swatch.usecases.rail import change_piece, change_pieces
from lucid_swatch.usecases.wardrobe import Setting, wardrobe_of
from tests.usecases.rails import a_client, hang_all

KINDS = (Category.TOP, Category.TROUSERS, Category.SKIRT, Category.SHOES, Category.JACKET, Category.BAG)


@pytest.fixture
def session(sessions):
    with sessions.begin() as session:
        yield session


@contextmanager
def statements(session):
    """How often the database is asked."""
    asked = []
    engine = session.get_bind()

    def note(connection, cursor, statement, *_):
        asked.append(statement)

    sa.event.listen(engine, "before_cursor_execute", note)
    try:
        yield asked
    finally:
        sa.event.remove(engine, "before_cursor_execute", note)


def test_many_kept_looks_cost_a_handful_of_statements_and_one_table_of_the_rail(session, monkeypatch):
    client, draw = a_client(session, "Maren"), np.random.default_rng(4)
    hang_all(session, client, [(f"p{k}", KINDS[k % 6], [float(v) for v in draw.uniform(20, 80, 3)]) for k in range(60)])
    for k in range(30):
        keep_look(session, client, f"look {k}", tuple(f"p{(7 * k + 1 + j) % 60}" for j in range(4)))
    session.flush()
    session.expire_all()
    rows = []
    build = tables.build_table
    monkeypatch.setattr(tables, "build_table", lambda pieces, school: rows.append(len(pieces)) or build(pieces, school))
    monkeypatch.setattr(tables, "_tables", type(tables._tables)())
    with statements(session) as asked:
        looks = Looks(session).of_client(client)
        found = overall_of(session, client, looks)
    assert len(found) == 30
    assert len(asked) <= 12
    assert sum(rows) <= 60


def test_what_is_barred_is_so_wherever_looks_are_made(session):
    client = a_client(session, "Maren")
    rail = [
        ("top", Category.TOP, [85, 1, 8]),
        ("other top", Category.TOP, [30, 0, -5]),
        ("blue", Category.SKIRT, [20, 3, -20]),
    ]
    hang_all(session, client, [*rail, ("shoes", Category.SHOES, [40, 15, 25])])
    change_pieces(session, client, ["other top"], Word(), ParticularsDocument(fits=False))
    change_piece(session, "shoes", Word(finish=(Finish.SUEDE,)))
    loaded = wardrobe_of(session, client, Setting(rain=True))
    assert loaded.wardrobe.barred == {"other top": "does not fit", "shoes": "is suede, and it rains"}
    assert "other top" not in work(session, client).each
    company = company_of(session, "blue")
    assert "other top" not in {one.piece.id for one in (*company.partners, *company.fights)}
    assert not any(mend.with_piece == "other top" for mend in judge_pieces(session, client, ("top", "blue")).mends)
    write_about(session, client, About(refuses=Refusals(colours=("navy",))))
    barred = wardrobe_of(session, client).wardrobe.barred
    assert set(barred) == {"other top", "blue"}


def test_a_named_set_of_two_is_never_parted_and_a_piece_alone_is_no_set(session):
    client = a_client(session, "Maren")
    hang_all(
        session,
        client,
        [("a", Category.TOP, [85, 1, 8]), ("b", Category.SKIRT, [30, 0, -5]), ("c", Category.BAG, [5, 0, 0])],
    )
    change_pieces(session, client, ["a", "b"], Word(), ParticularsDocument(set="stage"))
    change_pieces(session, client, ["c"], Word(), ParticularsDocument(set="travel"))
    assert wardrobe_of(session, client).wardrobe.sets == (frozenset({"a", "b"}),)


def test_every_kind_of_job_has_somebody_who_does_it():
    assert set(WORKS) == set(JobKind)
