"""Looks that were made for one question, side by side"""

import sqlalchemy as sa
from alembic import op

revision = "0010"
down_revision = "0009"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "wall",
        sa.Column("id", sa.String(), nullable=False),
        sa.Column("client_id", sa.String(), nullable=False),
        sa.Column("name", sa.String(), nullable=False),
        sa.Column("wanted", sa.JSON(), nullable=False),
        sa.Column("asked", sa.JSON(), nullable=True),
        sa.Column("looks", sa.JSON(), nullable=False),
        sa.Column("spares", sa.JSON(), nullable=False),
        sa.Column("dropped", sa.JSON(), nullable=False),
        sa.Column("lack", sa.String(), nullable=False),
        sa.Column("base_looks", sa.Integer(), nullable=False),
        sa.Column("good", sa.Integer(), nullable=False),
        sa.Column("left_out", sa.JSON(), nullable=False),
        sa.Column("made_at", sa.DateTime(), nullable=True),
        sa.Column("created_at", sa.DateTime(), nullable=False),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_wall")),
        sa.ForeignKeyConstraint(["client_id"], ["client.id"], name=op.f("fk_wall_client_id"), ondelete="CASCADE"),
    )
    op.create_index(op.f("ix_wall_client_id"), "wall", ["client_id"])


def downgrade() -> None:
    op.drop_index(op.f("ix_wall_client_id"), "wall")
    op.drop_table("wall")
