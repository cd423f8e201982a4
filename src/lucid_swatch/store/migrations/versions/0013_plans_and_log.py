"""Capsules, plans and the wear log, into which the days on which pieces were worn go"""

import json
from datetime import UTC, datetime
from typing import Any
from uuid import uuid4

import sqlalchemy as sa
from alembic import op

revision = "0013"
down_revision = "0012"
branch_labels = None
depends_on = None


def upgrade() -> None:
    _table(
        "capsule",
        sa.Column("name", sa.String(), nullable=False),
        sa.Column("wish", sa.JSON(), nullable=False),
        sa.Column("pieces", sa.Integer(), nullable=False),
        sa.Column("curve", sa.JSON(), nullable=False),
        sa.Column("bag_ids", sa.JSON(), nullable=False),
        sa.Column("lack", sa.String(), nullable=False),
        sa.Column("chosen_at", sa.DateTime(), nullable=True),
        sa.Column("created_at", sa.DateTime(), nullable=False),
    )
    op.create_index(op.f("ix_capsule_client_id"), "capsule", ["client_id"])
    _table(
        "plan",
        sa.Column("name", sa.String(), nullable=False),
        sa.Column("first", sa.Date(), nullable=False),
        sa.Column("days", sa.Integer(), nullable=False),
        sa.Column("place", sa.String(), nullable=False),
        sa.Column("events", sa.JSON(), nullable=False),
        sa.Column("weather", sa.JSON(), nullable=False),
        sa.Column("forecast", sa.String(), nullable=False),
        sa.Column("rest", sa.Integer(), nullable=True),
        sa.Column("away", sa.JSON(), nullable=False),
        sa.Column("capsule", sa.String(), nullable=True),
        sa.Column("ticked", sa.JSON(), nullable=False),
        sa.Column("unmet", sa.JSON(), nullable=False),
        sa.Column("filled_at", sa.DateTime(), nullable=True),
        sa.Column("created_at", sa.DateTime(), nullable=False),
    )
    op.create_index(op.f("ix_plan_client_id"), "plan", ["client_id"])
    _table(
        "wear",
        sa.Column("on", sa.Date(), nullable=False),
        sa.Column("piece_ids", sa.JSON(), nullable=False),
        sa.Column("look_id", sa.String(), nullable=True),
        sa.Column("planned", sa.String(), nullable=True),
        sa.Column("occasion", sa.String(), nullable=False),
        sa.Column("felt", sa.String(length=32), nullable=True),
        sa.Column("note", sa.String(), nullable=False),
        sa.Column("weather", sa.JSON(), nullable=True),
        sa.Column("created_at", sa.DateTime(), nullable=False),
    )
    op.create_index("ix_wear_client_id_on", "wear", ["client_id", "on"])
    _into_the_log(op.get_bind())


def _table(name: str, *columns: sa.Column[Any]) -> None:
    op.create_table(
        name,
        sa.Column("id", sa.String(), nullable=False),
        sa.Column("client_id", sa.String(), nullable=False),
        *columns,
        sa.PrimaryKeyConstraint("id", name=op.f(f"pk_{name}")),
        sa.ForeignKeyConstraint(["client_id"], ["client.id"], name=op.f(f"fk_{name}_client_id"), ondelete="CASCADE"),
    )


def _into_the_log(connection: sa.Connection) -> None:
    """What was worn on the same day need not have been worn together: every piece has a line of its own."""
    now = datetime.now(UTC).replace(tzinfo=None).isoformat(sep=" ")
    pieces = connection.execute(sa.text("SELECT id, client_id, particulars FROM piece")).all()
    for id, client_id, told in pieces:
        particulars = json.loads(told or "{}")
        if "worn_on" not in particulars:
            continue
        for day in sorted(set(particulars.pop("worn_on"))):
            values = {"id": uuid4().hex, "client": client_id, "on": day, "pieces": json.dumps([id]), "now": now}
            connection.execute(
                sa.text(
                    'INSERT INTO wear (id, client_id, "on", piece_ids, occasion, note, created_at) '
                    "VALUES (:id, :client, :on, :pieces, '', '', :now)"
                ),
                values,
            )
        connection.execute(
            sa.text("UPDATE piece SET particulars = :told WHERE id = :id"), {"told": json.dumps(particulars), "id": id}
        )


def downgrade() -> None:
    for name, index in (
        ("wear", "ix_wear_client_id_on"),
        ("plan", "ix_plan_client_id"),
        ("capsule", "ix_capsule_client_id"),
    ):
        op.drop_index(index, name)
        op.drop_table(name)
