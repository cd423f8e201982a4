"""Files that are to go, and corrections counted"""

import sqlalchemy as sa
from alembic import op

revision = "0007"
down_revision = "0006"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "going",
        sa.Column("kind", sa.String(), nullable=False),
        sa.Column("name", sa.String(), nullable=False),
        sa.PrimaryKeyConstraint("kind", "name", name=op.f("pk_going")),
    )
    with op.batch_alter_table("photo") as photo:
        photo.add_column(sa.Column("revision", sa.Integer(), nullable=False, server_default="0"))


def downgrade() -> None:
    with op.batch_alter_table("photo") as photo:
        photo.drop_column("revision")
    op.drop_table("going")
