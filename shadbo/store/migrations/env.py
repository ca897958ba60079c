"""Alembic's way in."""

from alembic import context
from sqlalchemy import create_engine, pool

from shadbo.store import models_people, models_schedule, models_work  # noqa: F401  their tables are Base's too
from shadbo.store.models import Base


def run() -> None:
    url = context.config.get_main_option("sqlalchemy.url")
    assert url is not None
    with create_engine(url, poolclass=pool.NullPool).connect() as connection:
        context.configure(connection=connection, target_metadata=Base.metadata)
        with context.begin_transaction():
            context.run_migrations()


run()
