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
    _bound_colours()


def _bound_colours() -> None:
    """Colours of lipstick and roots that no surface has were taken before, and would be refused when they are read now."""
    client = sa.table("client", sa.column("id", sa.String()), sa.column("about", sa.JSON()))
    connection = op.get_bind()
    for id, about in connection.execute(sa.select(client.c.id, client.c.about)).all():
        bounded = dict(about or {})
        if bounded.get("lipstick"):
            bounded["lipstick"] = _bounded(bounded["lipstick"])
        hair = bounded.get("dyed_hair")
        if hair and hair.get("root"):
            bounded["dyed_hair"] = hair | {"root": _bounded(hair["root"])}
        if bounded != (about or {}):
            connection.execute(sa.update(client).where(client.c.id == id).values(about=bounded))


def _bounded(lab: list[float]) -> list[float]:
    return [min(max(lab[0], 0.0), 100.0), *(min(max(value, -150.0), 150.0) for value in lab[1:])]


def downgrade() -> None:
    with op.batch_alter_table("photo") as photo:
        photo.drop_column("revision")
    op.drop_table("going")
