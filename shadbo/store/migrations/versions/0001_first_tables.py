"""First tables: workshops, jobs, revisions."""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects.postgresql import JSONB

revision = "0001"
down_revision = None
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "workshops",
        sa.Column("id", sa.Text, primary_key=True),
        sa.Column("shop", JSONB, nullable=False),
        sa.Column("last_job", sa.Integer, nullable=False, server_default="100"),
    )
    op.create_table(
        "jobs",
        sa.Column("workshop_id", sa.Text, sa.ForeignKey("workshops.id"), primary_key=True),
        sa.Column("id", sa.Integer, primary_key=True),
        sa.Column("title", sa.Text, nullable=False),
        sa.Column("owner", sa.Text, nullable=False),
        sa.Column("due", sa.Date),
        sa.Column("state", sa.Text, nullable=False),
        sa.Column("worst", sa.Text, nullable=False),
        sa.Column("says", JSONB, nullable=False),
        sa.Column("version", sa.Integer, nullable=False),
        sa.Column("document", JSONB, nullable=False),
        sa.Column("changed_at", sa.DateTime(timezone=True), nullable=False, server_default=sa.func.now()),
        sa.Column("made_by_edit", sa.Text, nullable=False),
        sa.CheckConstraint("version >= 1", name="jobs_version_counts"),
        sa.UniqueConstraint("workshop_id", "made_by_edit", name="jobs_made_once"),
    )
    op.create_index("jobs_by_due", "jobs", ["workshop_id", "due"])
    op.create_table(
        "revisions",
        sa.Column("workshop_id", sa.Text, primary_key=True),
        sa.Column("job_id", sa.Integer, primary_key=True),
        sa.Column("version", sa.Integer, primary_key=True),
        sa.Column("kind", sa.Text, nullable=False),
        sa.Column("of_version", sa.Integer),
        sa.Column("edit_id", sa.Text, nullable=False),
        sa.Column("edits", JSONB, nullable=False),
        sa.Column("inverse", JSONB, nullable=False),
        sa.Column("document", JSONB, nullable=False),
        sa.Column("who", sa.Text, nullable=False),
        sa.Column("at", sa.DateTime(timezone=True), nullable=False, server_default=sa.func.now()),
        sa.ForeignKeyConstraint(["workshop_id", "job_id"], ["jobs.workshop_id", "jobs.id"], ondelete="CASCADE"),
        sa.UniqueConstraint("workshop_id", "job_id", "edit_id", name="revisions_edit_once"),
    )


def downgrade() -> None:
    op.drop_table("revisions")
    op.drop_table("jobs")
    op.drop_table("workshops")
