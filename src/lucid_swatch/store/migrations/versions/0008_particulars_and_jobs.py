"""Particulars under their name, jobs in a table of their own, and the form of the journal"""

from typing import Any
from uuid import uuid4

import sqlalchemy as sa
from alembic import op

from lucid_swatch.store.journal_formats import look_particulars

revision = "0008"
down_revision = "0007"
branch_labels = None
depends_on = None

KINDS = {"wanted": "read again", "taken": "take over", "pictures": "pictures"}


def upgrade() -> None:
    op.create_table(
        "job",
        sa.Column("id", sa.String(), nullable=False),
        sa.Column("client_id", sa.String(), nullable=False),
        sa.Column("kind", sa.String(length=32), nullable=False),
        sa.Column("about", sa.String(), nullable=False),
        sa.Column("state", sa.String(length=32), nullable=False),
        sa.Column("stage", sa.String(), nullable=False, server_default=""),
        sa.Column("done", sa.Float(), nullable=True),
        sa.Column("asked_at", sa.DateTime(), nullable=False),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_job")),
        sa.ForeignKeyConstraint(["client_id"], ["client.id"], name=op.f("fk_job_client_id"), ondelete="CASCADE"),
    )
    op.create_index(op.f("ix_job_client_id"), "job", ["client_id"])
    op.create_index(op.f("ix_job_about"), "job", ["about"])
    op.add_column("change", sa.Column("format", sa.Integer(), nullable=False, server_default="1"))
    op.add_column("photo", sa.Column("newer", sa.JSON(), nullable=True))
    _ask()
    for name in ("proposal", "stage", "revision"):
        op.drop_column("photo", name)
    op.alter_column("piece", "kept", new_column_name="particulars")
    op.alter_column("look", "kept", new_column_name="particulars")
    _look_schools()
    _frames()
    _watched()


def _ask() -> None:
    """What photos waited for is asked for; a newer reading that was not taken over stays beside the older one."""
    photo = sa.table(
        "photo",
        *(sa.column(name, sa.String()) for name in ("id", "client_id", "state")),
        sa.column("created_at", sa.DateTime()),
        sa.column("proposal", sa.JSON()),
        sa.column("newer", sa.JSON()),
    )
    job = sa.table(
        "job",
        *(sa.column(name, sa.String()) for name in ("id", "client_id", "kind", "about", "state", "stage")),
        sa.column("asked_at", sa.DateTime()),
    )
    connection = op.get_bind()
    for id, client_id, state, created_at, proposal, _ in connection.execute(sa.select(photo)).all():
        told: dict[str, Any] = proposal or {}
        if "reading" in told:
            connection.execute(sa.update(photo).where(photo.c.id == id).values(newer=told["reading"]))
        kind = KINDS.get(told.get("ask", ""), "read" if state in ("waiting", "reading") else "")
        if kind:
            asked = {
                "id": uuid4().hex,
                "client_id": client_id,
                "kind": kind,
                "about": id,
                "state": "waiting",
                "stage": "",
            }
            connection.execute(sa.insert(job).values(**asked, asked_at=created_at))


def _look_schools() -> None:
    look = sa.table("look", sa.column("id", sa.String()), sa.column("particulars", sa.JSON()))
    connection = op.get_bind()
    for id, particulars in connection.execute(sa.select(look)).all():
        told = look_particulars(particulars or {})
        if told != particulars:
            connection.execute(sa.update(look).where(look.c.id == id).values(particulars=told))


SIDES = ("left", "top", "width", "height")


def _frames() -> None:
    """Frames by the names of their sides."""
    photo = sa.table(
        "compared_photo", sa.column("id", sa.String()), sa.column("face", sa.JSON()), sa.column("figure", sa.JSON())
    )
    connection = op.get_bind()
    for id, face, figure in connection.execute(sa.select(photo)).all():
        named = {
            name: dict(zip(SIDES, frame, strict=True))
            for name, frame in (("face", face), ("figure", figure))
            if isinstance(frame, list)
        }
        if named:
            connection.execute(sa.update(photo).where(photo.c.id == id).values(**named))


def _watched() -> None:
    studio = sa.table("studio", sa.column("key", sa.String()), sa.column("value", sa.JSON()))
    connection = op.get_bind()
    watched = sa.select(studio.c.value).where(studio.c.key == "watched folder")
    for (value,) in connection.execute(watched).all():
        told = {"client_id" if name == "client" else name: one for name, one in value.items()}
        connection.execute(sa.update(studio).where(studio.c.key == "watched folder").values(value=told))


def downgrade() -> None:
    raise NotImplementedError("a backup of the version before is put back instead")
