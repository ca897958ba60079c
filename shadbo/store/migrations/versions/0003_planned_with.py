"""Which state of the shop a job's row was planned with."""

import sqlalchemy as sa
from alembic import op

revision = "0003"
down_revision = "0002"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.add_column("jobs", sa.Column("planned_with", sa.Text, nullable=False, server_default=""))


def downgrade() -> None:
    op.drop_column("jobs", "planned_with")
