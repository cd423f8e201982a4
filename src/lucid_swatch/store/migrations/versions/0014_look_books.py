"""Books that clients take home"""

import sqlalchemy as sa
from alembic import op

revision = "0014"
down_revision = "0013"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "look_book",
        sa.Column("id", sa.String(), nullable=False),
        sa.Column("client_id", sa.String(), nullable=False),
        sa.Column("title", sa.String(), nullable=False),
        sa.Column("pages", sa.JSON(), nullable=False),
        sa.Column("holds", sa.JSON(), nullable=False),
        sa.Column("by", sa.String(), nullable=False),
        sa.Column("word", sa.String(), nullable=False),
        sa.Column("paper", sa.String(length=32), nullable=False),
        sa.Column("asked", sa.JSON(), nullable=False),
        sa.Column("made", sa.JSON(), nullable=False),
        sa.Column("lack", sa.String(), nullable=False),
        sa.Column("created_at", sa.DateTime(), nullable=False),
        sa.Column("changed_at", sa.DateTime(), nullable=False),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_look_book")),
        sa.ForeignKeyConstraint(["client_id"], ["client.id"], name=op.f("fk_look_book_client_id"), ondelete="CASCADE"),
    )
    op.create_index(op.f("ix_look_book_client_id"), "look_book", ["client_id"])


def downgrade() -> None:
    op.drop_index(op.f("ix_look_book_client_id"), "look_book")
    op.drop_table("look_book")
