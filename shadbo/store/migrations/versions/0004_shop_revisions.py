"""Every change of a shop's stock and settings, with the shop as it was after it."""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects.postgresql import JSONB

revision = "0004"
down_revision = "0003"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "shop_revisions",
        sa.Column("workshop_id", sa.Text, sa.ForeignKey("workshops.id", ondelete="CASCADE"), primary_key=True),
        sa.Column("version", sa.Integer, primary_key=True),
        sa.Column("state_of", sa.Integer, nullable=False),
        sa.Column("before", sa.Integer),
        sa.Column("kind", sa.Text, nullable=False),
        sa.Column("edit_id", sa.Text, nullable=False),
        sa.Column("says", sa.Text, nullable=False),
        sa.Column("shop", JSONB, nullable=False),
        sa.Column("who", sa.Text, nullable=False),
        sa.Column("at", sa.DateTime(timezone=True), nullable=False, server_default=sa.func.now()),
        sa.UniqueConstraint("workshop_id", "edit_id", name="shop_revisions_edit_once"),
    )


def downgrade() -> None:
    op.drop_table("shop_revisions")
