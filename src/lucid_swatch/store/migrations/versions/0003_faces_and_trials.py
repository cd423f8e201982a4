"""Faces from several sources, trials by drapes, things side by side, and what is known about a client"""

import json

import sqlalchemy as sa
from alembic import op

revision = "0003"
down_revision = "0002"
branch_labels = None
depends_on = None

USUAL_DOUBT = {"skin": 4.0, "hair": 5.0, "eyes": 5.0}
"""CIEDE2000 of a portrait that was read before doubts were kept."""


def upgrade() -> None:
    op.create_table(
        "face",
        sa.Column("id", sa.String(), nullable=False),
        sa.Column("client_id", sa.String(), nullable=False),
        sa.Column("source", sa.String(32), nullable=False),
        sa.Column("name", sa.String(), nullable=False),
        sa.Column("spots", sa.JSON(), nullable=False),
        sa.Column("neutral", sa.JSON(), nullable=True),
        sa.Column("veils", sa.JSON(), nullable=False),
        sa.Column("light", sa.JSON(), nullable=True),
        sa.Column("note", sa.String(), nullable=False),
        sa.Column("colours", sa.JSON(), nullable=False),
        sa.Column("doubts", sa.JSON(), nullable=False),
        sa.Column("in_use", sa.Boolean(), nullable=False),
        sa.Column("reading_number", sa.Integer(), nullable=False),
        sa.Column("created_at", sa.DateTime(), nullable=False),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_face")),
        sa.ForeignKeyConstraint(["client_id"], ["client.id"], name=op.f("fk_face_client_id"), ondelete="CASCADE"),
    )
    op.create_index(op.f("ix_face_client_id"), "face", ["client_id"])
    op.create_table(
        "trial",
        sa.Column("id", sa.String(), nullable=False),
        sa.Column("client_id", sa.String(), nullable=False),
        sa.Column("drapes", sa.JSON(), nullable=False),
        sa.Column("held", sa.JSON(), nullable=False),
        sa.Column("reading", sa.JSON(), nullable=True),
        sa.Column("created_at", sa.DateTime(), nullable=False),
        sa.Column("ended_at", sa.DateTime(), nullable=True),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_trial")),
        sa.ForeignKeyConstraint(["client_id"], ["client.id"], name=op.f("fk_trial_client_id"), ondelete="CASCADE"),
    )
    op.create_index(op.f("ix_trial_client_id"), "trial", ["client_id"])
    op.create_table(
        "side_by_side",
        sa.Column("id", sa.String(), nullable=False),
        sa.Column("client_id", sa.String(), nullable=False),
        sa.Column("left", sa.JSON(), nullable=False),
        sa.Column("right", sa.JSON(), nullable=False),
        sa.Column("better", sa.String(), nullable=True),
        sa.Column("note", sa.String(), nullable=False),
        sa.Column("created_at", sa.DateTime(), nullable=False),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_side_by_side")),
        sa.ForeignKeyConstraint(
            ["client_id"], ["client.id"], name=op.f("fk_side_by_side_client_id"), ondelete="CASCADE"
        ),
    )
    op.create_index(op.f("ix_side_by_side_client_id"), "side_by_side", ["client_id"])
    _keep_faces()
    # columns are added and dropped in place: to copy the table would set off the cascades that hang on its rows
    op.add_column("client", sa.Column("consent_for", sa.String(), nullable=False, server_default=""))
    op.add_column("client", sa.Column("consent_withdrawn_on", sa.Date(), nullable=True))
    op.add_column("client", sa.Column("archived_at", sa.DateTime(), nullable=True))
    op.add_column("client", sa.Column("about", sa.JSON(), nullable=False, server_default="{}"))
    for name in ("skin", "hair", "eyes", "portrait", "spots"):
        op.drop_column("client", name)


def _keep_faces() -> None:
    """What was read of a face so far becomes its first source; its pictures lie under the id of the client."""
    connection = op.get_bind()
    rows = connection.execute(sa.text("select id, skin, hair, eyes, portrait, spots, created_at from client")).all()
    for id, skin, hair, eyes, portrait, spots, created_at in rows:
        read = {p: json.loads(v) for p, v in (("skin", skin), ("hair", hair), ("eyes", eyes)) if v is not None}
        colours = {part: lab for part, lab in read.items() if lab is not None}
        if not colours:
            continue
        connection.execute(
            sa.text(
                "insert into face (id, client_id, source, name, spots, veils, note, colours, doubts, in_use, "
                "reading_number, created_at) values (:id, :id, :source, '', :spots, '[]', '', :colours, :doubts, 1, "
                ":number, :created_at)"
            ),
            {
                "id": id,
                "source": "portrait" if portrait else "by eye",
                "number": int(bool(portrait)),
                "spots": spots if spots and spots != "null" else "{}",
                "colours": json.dumps(colours),
                "doubts": json.dumps({part: USUAL_DOUBT[part] for part in colours}),
                "created_at": created_at,
            },
        )


def downgrade() -> None:
    for name in ("skin", "hair", "eyes", "spots"):
        op.add_column("client", sa.Column(name, sa.JSON(), nullable=True))
    op.add_column("client", sa.Column("portrait", sa.Boolean(), nullable=False, server_default="0"))
    for name in ("about", "archived_at", "consent_withdrawn_on", "consent_for"):
        op.drop_column("client", name)
    for name in ("side_by_side", "trial", "face"):
        op.drop_table(name)
