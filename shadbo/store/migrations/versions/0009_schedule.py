"""What is left of each job, kept for the schedule; the secret addresses of calendars; exercises of apprentices."""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects.postgresql import JSONB

revision = "0009"
down_revision = "0008"
branch_labels = None
depends_on = None

ROLE = "shadbo_workshop"
OWN = "workshop_id = current_setting('shadbo.workshop', true)"
TABLES = ("outlines", "feeds", "exercises")


def upgrade() -> None:
    op.create_table(
        "outlines",
        sa.Column("workshop_id", sa.Text, primary_key=True),
        sa.Column("job_id", sa.Integer, primary_key=True),
        sa.Column("version", sa.Integer, nullable=False),
        sa.Column("planned_with", sa.Text, nullable=False),
        sa.Column("document", JSONB, nullable=False),
        sa.ForeignKeyConstraint(["workshop_id", "job_id"], ["jobs.workshop_id", "jobs.id"], ondelete="CASCADE"),
    )
    op.create_table(
        "feeds",
        sa.Column("token_hash", sa.Text, primary_key=True),
        sa.Column("workshop_id", sa.Text, sa.ForeignKey("workshops.id", ondelete="CASCADE"), nullable=False),
        sa.Column("who", sa.Text, nullable=False),
        sa.Column("made_at", sa.DateTime(timezone=True), nullable=False, server_default=sa.func.now()),
    )
    op.create_table(
        "exercises",
        sa.Column("workshop_id", sa.Text, sa.ForeignKey("workshops.id", ondelete="CASCADE"), primary_key=True),
        sa.Column("id", sa.Text, primary_key=True),
        sa.Column("person_id", sa.Text, nullable=False),
        sa.Column("level", sa.Integer, nullable=False),
        sa.Column("seed", sa.Integer, nullable=False),
        sa.Column("job_id", sa.Integer),
        sa.Column("wanted", JSONB, nullable=False),
        sa.Column("answers", JSONB, nullable=False),
        sa.Column("asked_at", sa.DateTime(timezone=True), nullable=False, server_default=sa.func.now()),
    )
    op.create_index("exercises_of_person", "exercises", ["workshop_id", "person_id", "asked_at"])
    # More of each job is sought by: each is told anew, those that were handed over too.
    op.execute("update jobs set planned_with = ''")
    for table in TABLES:
        op.execute(f"grant select, insert, update, delete on {table} to {ROLE}")
        op.execute(f"alter table {table} enable row level security")
        op.execute(f"create policy {table}_of_its_own on {table} to {ROLE} using ({OWN}) with check ({OWN})")


def downgrade() -> None:
    for table in TABLES:
        op.drop_table(table)
