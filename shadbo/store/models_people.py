"""Tables of who works here, and of how they come in."""

import datetime as dt

from sqlalchemy import DateTime, ForeignKey, ForeignKeyConstraint, Index, Integer, Text, func, text
from sqlalchemy.orm import Mapped, mapped_column

from shadbo.core.roles import Role
from shadbo.store.models import Base


class PersonRow(Base):
    """Someone who works in a workshop, or a tablet that lies in it. ``password`` is an Argon2id hash, or None.

    Who has left stays, for what they did; their name is free again.
    """

    __tablename__ = "people"
    __table_args__ = (
        Index(
            "people_by_name",
            "workshop_id",
            text("lower(name)"),
            unique=True,
            postgresql_where=text("left_at is null"),
        ),
    )

    workshop_id: Mapped[str] = mapped_column(ForeignKey("workshops.id", ondelete="CASCADE"), primary_key=True)
    id: Mapped[str] = mapped_column(Text, primary_key=True)
    name: Mapped[str] = mapped_column(Text)
    role: Mapped[Role] = mapped_column(Text)
    password: Mapped[str | None] = mapped_column(Text)
    left_at: Mapped[dt.datetime | None] = mapped_column(DateTime(timezone=True))
    made_at: Mapped[dt.datetime] = mapped_column(DateTime(timezone=True), server_default=func.now())


class SessionRow(Base):
    """Somebody who is signed in, on one device. The token is theirs alone: here stands its SHA-256."""

    __tablename__ = "sessions"
    __table_args__ = (
        ForeignKeyConstraint(["workshop_id", "person_id"], ["people.workshop_id", "people.id"], ondelete="CASCADE"),
    )

    token_hash: Mapped[str] = mapped_column(Text, primary_key=True)
    workshop_id: Mapped[str] = mapped_column(Text)
    person_id: Mapped[str] = mapped_column(Text)
    made_at: Mapped[dt.datetime] = mapped_column(DateTime(timezone=True), server_default=func.now())
    seen_at: Mapped[dt.datetime] = mapped_column(DateTime(timezone=True))
    until: Mapped[dt.datetime] = mapped_column(DateTime(timezone=True))
    ends: Mapped[dt.datetime] = mapped_column(DateTime(timezone=True))


class CodeRow(Base):
    """A code that lets someone in once: to set up, to choose a password, to pair a tablet. Here is its SHA-256."""

    __tablename__ = "codes"
    __table_args__ = (
        ForeignKeyConstraint(["workshop_id", "person_id"], ["people.workshop_id", "people.id"], ondelete="CASCADE"),
    )

    code_hash: Mapped[str] = mapped_column(Text, primary_key=True)
    kind: Mapped[str] = mapped_column(Text)
    workshop_id: Mapped[str | None] = mapped_column(Text)
    person_id: Mapped[str | None] = mapped_column(Text)
    until: Mapped[dt.datetime] = mapped_column(DateTime(timezone=True))


class TryRow(Base):
    """One try to come in that failed: from which address, by which name. Kept for as long as it counts."""

    __tablename__ = "tries"
    __table_args__ = (Index("tries_by_address", "address", "at"), Index("tries_by_name", "name", "at"))

    id: Mapped[int] = mapped_column(Integer, primary_key=True)
    address: Mapped[str] = mapped_column(Text)
    name: Mapped[str] = mapped_column(Text)
    at: Mapped[dt.datetime] = mapped_column(DateTime(timezone=True))
