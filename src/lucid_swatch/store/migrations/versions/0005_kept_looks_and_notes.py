"""What is kept about a look, and notes on looks that were waved away"""

import sqlalchemy as sa
from alembic import op

revision = "0005"
down_revision = "0004"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.add_column("client", sa.Column("dismissed", sa.JSON(), nullable=False, server_default="[]"))
    op.add_column("look", sa.Column("kept", sa.JSON(), nullable=False, server_default="{}"))
    op.add_column("look", sa.Column("verdicts", sa.JSON(), nullable=False, server_default="[]"))


def downgrade() -> None:
    op.drop_column("look", "verdicts")
    op.drop_column("look", "kept")
    op.drop_column("client", "dismissed")
