"""Photographs of the pieces."""

import sqlalchemy as sa
from alembic import op

revision = "0002"
down_revision = "0001"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "photos",
        sa.Column("workshop_id", sa.Text, primary_key=True),
        sa.Column("job_id", sa.Integer, primary_key=True),
        sa.Column("id", sa.Integer, primary_key=True, autoincrement=False),
        sa.Column("name", sa.Text, nullable=False),
        sa.Column("edit_id", sa.Text, nullable=False),
        sa.Column("width", sa.Integer, nullable=False),
        sa.Column("height", sa.Integer, nullable=False),
        sa.Column("full", sa.LargeBinary, nullable=False),
        sa.Column("small", sa.LargeBinary, nullable=False),
        sa.Column("at", sa.DateTime(timezone=True), nullable=False, server_default=sa.func.now()),
        sa.ForeignKeyConstraint(["workshop_id", "job_id"], ["jobs.workshop_id", "jobs.id"], ondelete="CASCADE"),
        sa.UniqueConstraint("workshop_id", "job_id", "edit_id", name="photos_edit_once"),
    )


def downgrade() -> None:
    op.drop_table("photos")
