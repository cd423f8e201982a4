"""What a photo tells of its light by itself, and of the room that it was taken in"""

from typing import Any

import sqlalchemy as sa
from alembic import op

revision = "0011"
down_revision = "0010"
branch_labels = None
depends_on = None

ADDED: tuple[sa.Column[Any], ...] = (
    sa.Column("evidence", sa.JSON(), nullable=True),
    sa.Column("paper", sa.Boolean(), nullable=True),
    sa.Column("room", sa.String(), nullable=True),
    sa.Column("lent_by", sa.String(), nullable=True),
    sa.Column("taken_at", sa.Float(), nullable=True),
    sa.Column("camera", sa.String(), nullable=True),
    sa.Column("sent_with", sa.String(), nullable=True),
)


def upgrade() -> None:
    for column in ADDED:
        op.add_column("photo", column.copy())


def downgrade() -> None:
    for column in ADDED:
        op.drop_column("photo", column.name)
