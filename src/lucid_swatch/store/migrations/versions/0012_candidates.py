"""Pieces that may be bought"""

import sqlalchemy as sa
from alembic import op

revision = "0012"
down_revision = "0011"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "candidate",
        sa.Column("id", sa.String(), nullable=False),
        sa.Column("client_id", sa.String(), nullable=False),
        sa.Column("source", sa.String(length=32), nullable=False),
        sa.Column("word", sa.JSON(), nullable=False),
        sa.Column("photo_id", sa.String(), nullable=True),
        sa.Column("colours", sa.JSON(), nullable=False),
        sa.Column("uncertainty", sa.Float(), nullable=True),
        sa.Column("particulars", sa.JSON(), nullable=False),
        sa.Column("seen_at", sa.String(), nullable=False),
        sa.Column("judged", sa.JSON(), nullable=True),
        sa.Column("before", sa.JSON(), nullable=True),
        sa.Column("created_at", sa.DateTime(), nullable=False),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_candidate")),
        sa.ForeignKeyConstraint(["client_id"], ["client.id"], name=op.f("fk_candidate_client_id"), ondelete="CASCADE"),
        sa.ForeignKeyConstraint(["photo_id"], ["photo.id"], name=op.f("fk_candidate_photo_id"), ondelete="SET NULL"),
        sa.UniqueConstraint("photo_id", name=op.f("uq_candidate_photo_id")),
    )
    op.create_index(op.f("ix_candidate_client_id"), "candidate", ["client_id"])


def downgrade() -> None:
    op.drop_index(op.f("ix_candidate_client_id"), "candidate")
    op.drop_table("candidate")
