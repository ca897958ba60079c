"""Jobs are found by all that is written of them, and stand on a shelf."""

import sqlalchemy as sa
from alembic import op

revision = "0008"
down_revision = "0007"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.execute("create extension if not exists pg_trgm")
    op.add_column("jobs", sa.Column("sought", sa.Text(), nullable=False, server_default=""))
    op.add_column("jobs", sa.Column("shelf", sa.Text(), nullable=False, server_default="rack"))
    # What is sought by is written by the program: each job is told anew, as after a change of the shop.
    op.execute("update jobs set planned_with = '', sought = lower(id || ' ' || title || ' ' || owner)")
    op.create_index(
        "jobs_sought", "jobs", ["sought"], postgresql_using="gin", postgresql_ops={"sought": "gin_trgm_ops"}
    )
    op.create_index("jobs_on_shelf", "jobs", ["workshop_id", "shelf", "due"])
    op.create_check_constraint("jobs_shelf_known", "jobs", "shelf in ('rack', 'pattern', 'archive', 'bin')")


def downgrade() -> None:
    op.drop_constraint("jobs_shelf_known", "jobs")
    op.drop_index("jobs_on_shelf", "jobs")
    op.drop_index("jobs_sought", "jobs")
    op.drop_column("jobs", "shelf")
    op.drop_column("jobs", "sought")
