"""Photos of a client that were taken to compare"""

import sqlalchemy as sa
from alembic import op

revision = "0006"
down_revision = "0005"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "compared_photo",
        sa.Column("id", sa.String(), nullable=False),
        sa.Column("client_id", sa.String(), nullable=False),
        sa.Column("name", sa.String(), nullable=False),
        sa.Column("rows", sa.Integer(), nullable=False),
        sa.Column("columns", sa.Integer(), nullable=False),
        sa.Column("light", sa.JSON(), nullable=False),
        sa.Column("ground", sa.JSON(), nullable=True),
        sa.Column("face", sa.JSON(), nullable=True),
        sa.Column("figure", sa.JSON(), nullable=False),
        sa.Column("created_at", sa.DateTime(), nullable=False),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_compared_photo")),
        sa.ForeignKeyConstraint(
            ["client_id"], ["client.id"], name=op.f("fk_compared_photo_client_id"), ondelete="CASCADE"
        ),
    )
    op.create_index(op.f("ix_compared_photo_client_id"), "compared_photo", ["client_id"])


def downgrade() -> None:
    op.drop_index(op.f("ix_compared_photo_client_id"), "compared_photo")
    op.drop_table("compared_photo")
