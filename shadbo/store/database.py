"""The connection to PostgreSQL, and its migrations."""

import os
from pathlib import Path

from sqlalchemy import Engine, create_engine

VARIABLE = "SHADBO_DATABASE_URL"


def database_url() -> str:
    """Where the database is; RuntimeError when nobody has said."""
    url = os.environ.get(VARIABLE)
    if not url:
        raise RuntimeError(
            f"{VARIABLE} is not set: start the application with script/demo, the tests with script/test"
        )
    return url


def engine(url: str | None = None) -> Engine:
    """An engine with a small pool; broken connections are noticed before use."""
    return create_engine(
        url or database_url(),
        pool_pre_ping=True,
        pool_size=8,
        max_overflow=8,
        connect_args={"connect_timeout": 5},
    )


def migrate(url: str | None = None, to: str = "head") -> None:
    """Bring the database to a version of the tables: the newest, unless another is named."""
    from alembic import command  # here, so that a server is up sooner
    from alembic.config import Config

    config = Config()
    config.set_main_option("script_location", str(Path(__file__).parent / "migrations"))
    config.set_main_option("sqlalchemy.url", (url or database_url()).replace("%", "%%"))
    command.upgrade(config, to)
