"""First tables"""

import sqlalchemy as sa
from alembic import op

revision = "0001"
down_revision = None
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "client",
        sa.Column("id", sa.String(), nullable=False),
        sa.Column("name", sa.String(), nullable=False),
        sa.Column("note", sa.String(), nullable=False),
        sa.Column("consent_on", sa.Date(), nullable=False),
        sa.Column("skin", sa.JSON(), nullable=True),
        sa.Column("hair", sa.JSON(), nullable=True),
        sa.Column("eyes", sa.JSON(), nullable=True),
        sa.Column("undertone", sa.String(32), nullable=True),
        sa.Column("conventions", sa.JSON(), nullable=False),
        sa.Column("portrait", sa.Boolean(), nullable=False),
        sa.Column("spots", sa.JSON(), nullable=True),
        sa.Column("created_at", sa.DateTime(), nullable=False),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_client")),
    )
    op.create_table(
        "look",
        sa.Column("id", sa.String(), nullable=False),
        sa.Column("client_id", sa.String(), nullable=False),
        sa.Column("name", sa.String(), nullable=False),
        sa.Column("intent", sa.String(32), nullable=True),
        sa.Column("created_at", sa.DateTime(), nullable=False),
        sa.ForeignKeyConstraint(["client_id"], ["client.id"], name=op.f("fk_look_client_id"), ondelete="CASCADE"),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_look")),
    )
    op.create_index(op.f("ix_look_client_id"), "look", ["client_id"])
    op.create_table(
        "photo",
        sa.Column("id", sa.String(), nullable=False),
        sa.Column("client_id", sa.String(), nullable=False),
        sa.Column("name", sa.String(), nullable=False),
        sa.Column("file", sa.String(), nullable=False),
        sa.Column("state", sa.String(32), nullable=False),
        sa.Column("stage", sa.String(), nullable=False),
        sa.Column("problem", sa.JSON(), nullable=True),
        sa.Column("neutral", sa.JSON(), nullable=True),
        sa.Column("outline", sa.JSON(), nullable=True),
        sa.Column("strokes", sa.JSON(), nullable=False),
        sa.Column("reading", sa.JSON(), nullable=True),
        sa.Column("reading_number", sa.Integer(), nullable=False),
        sa.Column("created_at", sa.DateTime(), nullable=False),
        sa.ForeignKeyConstraint(["client_id"], ["client.id"], name=op.f("fk_photo_client_id"), ondelete="CASCADE"),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_photo")),
    )
    op.create_index(op.f("ix_photo_client_id"), "photo", ["client_id"])
    op.create_table(
        "piece",
        sa.Column("id", sa.String(), nullable=False),
        sa.Column("client_id", sa.String(), nullable=False),
        sa.Column("photo_id", sa.String(), nullable=True),
        sa.Column("label", sa.String(), nullable=False),
        sa.Column("category", sa.String(32), nullable=False),
        sa.Column("pattern", sa.String(32), nullable=False),
        sa.Column("pattern_confidence", sa.Double(), nullable=False),
        sa.Column("scale", sa.String(32), nullable=True),
        sa.Column("finish", sa.JSON(), nullable=False),
        sa.Column("metal", sa.String(32), nullable=False),
        sa.Column("volume", sa.String(32), nullable=False),
        sa.Column("length", sa.String(32), nullable=True),
        sa.Column("formality", sa.Double(), nullable=True),
        sa.Column("warmth", sa.Double(), nullable=True),
        sa.Column("statement", sa.Double(), nullable=True),
        sa.Column("worn", sa.String(32), nullable=True),
        sa.Column("bin_said", sa.String(32), nullable=True),
        sa.Column("created_at", sa.DateTime(), nullable=False),
        sa.ForeignKeyConstraint(["client_id"], ["client.id"], name=op.f("fk_piece_client_id"), ondelete="CASCADE"),
        sa.ForeignKeyConstraint(["photo_id"], ["photo.id"], name=op.f("fk_piece_photo_id"), ondelete="SET NULL"),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_piece")),
        sa.UniqueConstraint("photo_id", name=op.f("uq_piece_photo_id")),
    )
    op.create_index(op.f("ix_piece_client_id"), "piece", ["client_id"])
    op.create_table(
        "look_piece",
        sa.Column("look_id", sa.String(), nullable=False),
        sa.Column("position", sa.Integer(), nullable=False),
        sa.Column("piece_id", sa.String(), nullable=False),
        sa.ForeignKeyConstraint(["look_id"], ["look.id"], name=op.f("fk_look_piece_look_id"), ondelete="CASCADE"),
        sa.ForeignKeyConstraint(["piece_id"], ["piece.id"], name=op.f("fk_look_piece_piece_id"), ondelete="RESTRICT"),
        sa.PrimaryKeyConstraint("look_id", "position", name=op.f("pk_look_piece")),
    )
    op.create_index(op.f("ix_look_piece_piece_id"), "look_piece", ["piece_id"])
    op.create_table(
        "piece_colour",
        sa.Column("piece_id", sa.String(), nullable=False),
        sa.Column("position", sa.Integer(), nullable=False),
        sa.Column("lightness", sa.Double(), nullable=False),
        sa.Column("a", sa.Double(), nullable=False),
        sa.Column("b", sa.Double(), nullable=False),
        sa.Column("share", sa.Double(), nullable=False),
        sa.Column("part", sa.String(32), nullable=False),
        sa.Column("uncertainty", sa.Double(), nullable=True),
        sa.ForeignKeyConstraint(["piece_id"], ["piece.id"], name=op.f("fk_piece_colour_piece_id"), ondelete="CASCADE"),
        sa.PrimaryKeyConstraint("piece_id", "position", name=op.f("pk_piece_colour")),
    )


def downgrade() -> None:
    op.drop_table("piece_colour")
    op.drop_table("look_piece")
    op.drop_table("piece")
    op.drop_table("photo")
    op.drop_table("look")
    op.drop_table("client")
