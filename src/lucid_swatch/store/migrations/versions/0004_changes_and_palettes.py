"""What a wardrobe keeps about a piece, changes that can be taken back, and palettes"""

import sqlalchemy as sa
from alembic import op

revision = "0004"
down_revision = "0003"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.add_column("piece", sa.Column("kept", sa.JSON(), nullable=False, server_default="{}"))
    op.create_table(
        "change",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("client_id", sa.String(), nullable=False),
        sa.Column("told", sa.String(), nullable=False),
        sa.Column("entries", sa.JSON(), nullable=False),
        sa.Column("made_at", sa.DateTime(), nullable=False),
        sa.Column("taken_back", sa.Boolean(), nullable=False),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_change")),
        sa.ForeignKeyConstraint(["client_id"], ["client.id"], name=op.f("fk_change_client_id"), ondelete="CASCADE"),
    )
    op.create_index(op.f("ix_change_client_id"), "change", ["client_id"])
    op.create_table(
        "palette",
        sa.Column("id", sa.String(), nullable=False),
        sa.Column("client_id", sa.String(), nullable=False),
        sa.Column("name", sa.String(), nullable=False),
        sa.Column("colours", sa.JSON(), nullable=False),
        sa.Column("within", sa.Float(), nullable=False),
        sa.Column("created_at", sa.DateTime(), nullable=False),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_palette")),
        sa.ForeignKeyConstraint(["client_id"], ["client.id"], name=op.f("fk_palette_client_id"), ondelete="CASCADE"),
    )
    op.create_index(op.f("ix_palette_client_id"), "palette", ["client_id"])


def downgrade() -> None:
    op.drop_table("palette")
    op.drop_table("change")
    op.drop_column("piece", "kept")
