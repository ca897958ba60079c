"""Who works here and how they come in; and workshops kept apart by the database itself.

Requests are served under the role ``shadbo_workshop``, which sees the rows of one workshop: the one that
``shadbo.workshop`` names for the length of a transaction. The role that owns the tables (migrations, backups, signing
in) sees all of them.
"""

import sqlalchemy as sa
from alembic import op

revision = "0005"
down_revision = "0004"
branch_labels = None
depends_on = None

ROLE = "shadbo_workshop"
OWN = "current_setting('shadbo.workshop', true)"
APART = {
    "workshops": ("id", "select, update"),
    "shop_revisions": ("workshop_id", "select, insert"),
    "jobs": ("workshop_id", "select, insert, update, delete"),
    "revisions": ("workshop_id", "select, insert"),
    "photos": ("workshop_id", "select, insert, update, delete"),
    "people": ("workshop_id", "select, insert, update"),
    "sessions": ("workshop_id", "select, delete"),
    "codes": ("workshop_id", "select, insert, delete"),
}
"""Tables that are kept apart: by which column, and what a workshop may do with its own rows."""


def upgrade() -> None:
    _people()
    _ways_in()
    op.execute(
        f"do $$ begin create role {ROLE} nologin nobypassrls;"
        " exception when duplicate_object or unique_violation then null; end $$"
    )
    op.execute(
        f"do $$ begin if not pg_has_role(current_user, '{ROLE}', 'member') then"
        f" execute format('grant {ROLE} to %I', current_user); end if; end $$"
    )
    op.execute(f"do $$ begin execute format('grant usage on schema %I to {ROLE}', current_schema()); end $$")
    for table, (column, rights) in APART.items():
        op.execute(f"grant {rights} on {table} to {ROLE}")
        op.execute(f"alter table {table} enable row level security")
        own = f"{column} = {OWN}"
        op.execute(f"create policy {table}_of_its_own on {table} to {ROLE} using ({own}) with check ({own})")


def _people() -> None:
    op.create_table(
        "people",
        sa.Column("workshop_id", sa.Text, sa.ForeignKey("workshops.id", ondelete="CASCADE"), primary_key=True),
        sa.Column("id", sa.Text, primary_key=True),
        sa.Column("name", sa.Text, nullable=False),
        sa.Column("role", sa.Text, nullable=False),
        sa.Column("password", sa.Text),
        sa.Column("left_at", sa.DateTime(timezone=True)),
        sa.Column("made_at", sa.DateTime(timezone=True), nullable=False, server_default=sa.func.now()),
    )
    op.create_index(
        "people_by_name",
        "people",
        ["workshop_id", sa.text("lower(name)")],
        unique=True,
        postgresql_where=sa.text("left_at is null"),
    )


def _ways_in() -> None:
    of_people = ["workshop_id", "person_id"], ["people.workshop_id", "people.id"]
    op.create_table(
        "sessions",
        sa.Column("token_hash", sa.Text, primary_key=True),
        sa.Column("workshop_id", sa.Text, nullable=False),
        sa.Column("person_id", sa.Text, nullable=False),
        sa.Column("made_at", sa.DateTime(timezone=True), nullable=False, server_default=sa.func.now()),
        sa.Column("seen_at", sa.DateTime(timezone=True), nullable=False),
        sa.Column("until", sa.DateTime(timezone=True), nullable=False),
        sa.Column("ends", sa.DateTime(timezone=True), nullable=False),
        sa.ForeignKeyConstraint(*of_people, ondelete="CASCADE"),
    )
    op.create_table(
        "codes",
        sa.Column("code_hash", sa.Text, primary_key=True),
        sa.Column("kind", sa.Text, nullable=False),
        sa.Column("workshop_id", sa.Text),
        sa.Column("person_id", sa.Text),
        sa.Column("until", sa.DateTime(timezone=True), nullable=False),
        sa.ForeignKeyConstraint(*of_people, ondelete="CASCADE"),
    )
    op.create_table(
        "tries",
        sa.Column("id", sa.Integer, primary_key=True),
        sa.Column("address", sa.Text, nullable=False),
        sa.Column("name", sa.Text, nullable=False),
        sa.Column("at", sa.DateTime(timezone=True), nullable=False),
    )
    op.create_index("tries_by_address", "tries", ["address", "at"])
    op.create_index("tries_by_name", "tries", ["name", "at"])


def downgrade() -> None:
    for table in APART:
        op.execute(f"drop policy {table}_of_its_own on {table}")
        op.execute(f"alter table {table} disable row level security")
    for table in ("tries", "codes", "sessions", "people"):
        op.drop_table(table)
    op.execute(f"revoke all on all tables in schema public from {ROLE}")
