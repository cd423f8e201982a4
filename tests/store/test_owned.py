"""A table that belongs to a client says what follows from it, and everything that is said is done."""

import io
import zipfile

import pytest
import sqlalchemy as sa

from lucid_swatch.store.folder import Folder
from lucid_swatch.store.owned import OWNED, owned_tables, rows_of
from lucid_swatch.store.tables import Base, ClientRow, GoingRow, StudioRow
from lucid_swatch.usecases.changes import KEEPERS
from lucid_swatch.usecases.take_out import write_client_archive

OF_THE_STUDIO = {ClientRow, StudioRow, GoingRow}


def rows():
    return {mapper.class_ for mapper in Base.registry.mappers}


def test_every_table_belongs_to_the_studio_or_by_its_keys_to_a_client():
    of_clients = {table.name for table in owned_tables()}
    assert of_clients | {row.__tablename__ for row in OF_THE_STUDIO} == set(Base.metadata.tables)


def test_every_table_with_a_client_says_how_its_rows_go_with_them():
    with_client = {row for row in rows() if "client_id" in row.__table__.c}
    assert set(OWNED) == with_client


@pytest.mark.parametrize("row", OWNED, ids=lambda row: row.__tablename__)
def test_what_a_table_says_is_so(row):
    said = OWNED[row]
    key = next(iter(row.__table__.c.client_id.foreign_keys))
    assert key.ondelete == "CASCADE"
    assert said.journalled in KEEPERS or (said.journalled is None and said.why)
    assert said.taken_out is not None or said.why
    assert not said.pictures or "id" in row.__table__.c


def test_what_is_said_to_be_taken_out_is_in_the_archive(sessions, data):
    from lucid_swatch.store.clients import Clients
    from tests.store.test_repositories import MAREN

    out = io.BytesIO()
    with sessions.begin() as session:
        Clients(session).add(MAREN)
        write_client_archive(session, Folder(data), "maren", out)
    documents = {said.taken_out for said in OWNED.values() if said.taken_out and not said.taken_out.endswith("/")}
    assert documents <= set(zipfile.ZipFile(out).namelist())


def test_a_table_without_a_way_to_a_client_is_refused():
    with pytest.raises(ValueError, match="belongs to no client"):
        rows_of(sa.Table("stray", sa.MetaData(), sa.Column("id", sa.String)), "maren")
