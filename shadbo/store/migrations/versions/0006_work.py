"""Heavy work that is asked for and what came of it, and the tables of the library that queues it."""

import sqlalchemy as sa
from alembic import op
from procrastinate.schema import SchemaManager
from sqlalchemy.dialects.postgresql import JSONB

revision = "0006"
down_revision = "0005"
branch_labels = None
depends_on = None

ROLE = "shadbo_workshop"
OWN = "workshop_id = current_setting('shadbo.workshop', true)"


def upgrade() -> None:
    now = sa.func.now()
    op.create_table(
        "work",
        sa.Column("id", sa.Text, primary_key=True),
        sa.Column("workshop_id", sa.Text, sa.ForeignKey("workshops.id", ondelete="CASCADE"), nullable=False),
        sa.Column("job_id", sa.Integer, nullable=False),
        sa.Column("key", sa.Text, nullable=False),
        sa.Column("kind", sa.Text, nullable=False),
        sa.Column("asked", JSONB, nullable=False),
        sa.Column("given", sa.LargeBinary, nullable=False),
        sa.Column("state", sa.Text, nullable=False, server_default="waiting"),
        sa.Column("at", sa.Text, nullable=False, server_default=""),
        sa.Column("says", sa.Text, nullable=False, server_default=""),
        sa.Column("media", sa.Text, nullable=False, server_default=""),
        sa.Column("made", sa.LargeBinary),
        sa.Column("asked_at", sa.DateTime(timezone=True), nullable=False, server_default=now),
        sa.Column("begun_at", sa.DateTime(timezone=True)),
        sa.Column("done_at", sa.DateTime(timezone=True)),
    )
    good = sa.text("state in ('waiting', 'working', 'made')")
    op.create_index("work_once", "work", ["workshop_id", "key"], unique=True, postgresql_where=good)
    op.create_index("work_by_state", "work", ["workshop_id", "state"])
    op.execute(f"grant select, insert, update on work to {ROLE}")
    op.execute("alter table work enable row level security")
    op.execute(f"create policy work_of_its_own on work to {ROLE} using ({OWN}) with check ({OWN})")
    # The library's own text, several statements with signs of its own: not for the toolkit's placeholders.
    raw = op.get_bind().connection.cursor()
    raw.execute(SchemaManager.get_schema())
    raw.close()


def downgrade() -> None:
    op.drop_table("work")
    for table in (
        "procrastinate_events",
        "procrastinate_periodic_defers",
        "procrastinate_jobs",
        "procrastinate_workers",
    ):
        op.execute(f"drop table {table} cascade")
