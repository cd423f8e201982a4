"""The light of a series, the colour reader, likeness, newer readings, and what is kept for the studio"""

import sqlalchemy as sa
from alembic import op

revision = "0002"
down_revision = "0001"
branch_labels = None
depends_on = None

ADDED = ("light", "series_light", "reader", "likeness", "proposal")


def upgrade() -> None:
    with op.batch_alter_table("photo") as table:
        for name in ADDED:
            table.add_column(sa.Column(name, sa.JSON(), nullable=True))
        table.add_column(sa.Column("not_same", sa.JSON(), nullable=False, server_default="[]"))
    op.create_table(
        "studio",
        sa.Column("key", sa.String(), nullable=False),
        sa.Column("value", sa.JSON(), nullable=False),
        sa.PrimaryKeyConstraint("key", name=op.f("pk_studio")),
    )


def downgrade() -> None:
    op.drop_table("studio")
    with op.batch_alter_table("photo") as table:
        for name in (*ADDED, "not_same"):
            table.drop_column(name)
