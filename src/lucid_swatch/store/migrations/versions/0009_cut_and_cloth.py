"""The cut of a piece, what its photo tells of it, and a volume that may be unknown"""

import sqlalchemy as sa
from alembic import op

revision = "0009"
down_revision = "0008"
branch_labels = None
depends_on = None


def upgrade() -> None:
    for name in ("details", "seen"):
        op.add_column("piece", sa.Column(name, sa.JSON(), nullable=False, server_default="{}"))
    # easy stood for whatever nobody had said
    op.alter_column("piece", "volume", new_column_name="volume_before")
    op.add_column("piece", sa.Column("volume", sa.String(length=32), nullable=True))
    op.execute("UPDATE piece SET volume = NULLIF(volume_before, 'easy')")
    op.drop_column("piece", "volume_before")


def downgrade() -> None:
    op.alter_column("piece", "volume", new_column_name="volume_before")
    op.add_column("piece", sa.Column("volume", sa.String(length=32), nullable=False, server_default="easy"))
    op.execute("UPDATE piece SET volume = COALESCE(volume_before, 'easy')")
    for name in ("volume_before", "details", "seen"):
        op.drop_column("piece", name)
