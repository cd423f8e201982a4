"""Runs the migrations on the database that the caller names."""

import sqlalchemy as sa
from alembic import context

from lucid_swatch.store.tables import Base

engine = sa.create_engine(context.config.attributes["url"], poolclass=sa.pool.NullPool)
with engine.connect() as connection:
    context.configure(connection=connection, target_metadata=Base.metadata, render_as_batch=True)
    with context.begin_transaction():
        context.run_migrations()
