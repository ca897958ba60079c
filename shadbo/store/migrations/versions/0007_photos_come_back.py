"""A photograph that is taken away lies aside for a while, and can come back."""

import sqlalchemy as sa
from alembic import op

revision = "0007"
down_revision = "0006"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.add_column("photos", sa.Column("removed_at", sa.DateTime(timezone=True)))


def downgrade() -> None:
    op.execute("delete from photos where removed_at is not null")
    op.drop_column("photos", "removed_at")
