"""What a photo tells of its light by itself, and of the room that it was taken in"""

import sqlalchemy as sa
from alembic import op

revision = "0011"
down_revision = "0010"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.add_column("photo", sa.Column("evidence", sa.JSON(), nullable=True))
    op.add_column("photo", sa.Column("paper", sa.Boolean(), nullable=True))
    op.add_column("photo", sa.Column("room", sa.String(), nullable=True))
    op.add_column("photo", sa.Column("lent_by", sa.String(), nullable=True))
    op.add_column("photo", sa.Column("taken_at", sa.Float(), nullable=True))
    op.add_column("photo", sa.Column("camera", sa.String(), nullable=True))
    op.add_column("photo", sa.Column("sent_with", sa.String(), nullable=True))


def downgrade() -> None:
    for name in ("evidence", "paper", "room", "lent_by", "taken_at", "camera", "sent_with"):
        op.drop_column("photo", name)
