"""Tables. Documents are JSONB; beside them stand typed columns for what is searched."""

import datetime as dt
from typing import Any

from sqlalchemy import (
    CheckConstraint,
    Date,
    DateTime,
    ForeignKey,
    ForeignKeyConstraint,
    Index,
    Integer,
    LargeBinary,
    Text,
    UniqueConstraint,
    func,
)
from sqlalchemy.dialects.postgresql import JSONB
from sqlalchemy.orm import DeclarativeBase, Mapped, mapped_column

Json = dict[str, Any]


class Base(DeclarativeBase):
    """Base of the tables."""


class WorkshopRow(Base):
    """A workshop with its practice and stock."""

    __tablename__ = "workshops"

    id: Mapped[str] = mapped_column(Text, primary_key=True)
    shop: Mapped[Json] = mapped_column(JSONB)
    last_job: Mapped[int] = mapped_column(Integer, default=100, server_default="100")


class ShopRevisionRow(Base):
    """One change of a shop: the shop after it, who and when.

    ``state_of`` is the version whose shop this is: its own, or an earlier one that was brought back; ``before`` the
    version whose shop it replaced, None for the shop as it was found.
    """

    __tablename__ = "shop_revisions"
    __table_args__ = (UniqueConstraint("workshop_id", "edit_id", name="shop_revisions_edit_once"),)

    workshop_id: Mapped[str] = mapped_column(ForeignKey("workshops.id", ondelete="CASCADE"), primary_key=True)
    version: Mapped[int] = mapped_column(Integer, primary_key=True)
    state_of: Mapped[int] = mapped_column(Integer)
    before: Mapped[int | None] = mapped_column(Integer)
    kind: Mapped[str] = mapped_column(Text)
    edit_id: Mapped[str] = mapped_column(Text)
    says: Mapped[str] = mapped_column(Text)
    shop: Mapped[Json] = mapped_column(JSONB)
    who: Mapped[str] = mapped_column(Text)
    at: Mapped[dt.datetime] = mapped_column(DateTime(timezone=True), server_default=func.now())


class JobRow(Base):
    """A job as it is now. ``version`` counts its revisions."""

    __tablename__ = "jobs"
    __table_args__ = (
        CheckConstraint("version >= 1", name="jobs_version_counts"),
        UniqueConstraint("workshop_id", "made_by_edit", name="jobs_made_once"),
        Index("jobs_by_due", "workshop_id", "due"),
        Index("jobs_sought", "sought", postgresql_using="gin", postgresql_ops={"sought": "gin_trgm_ops"}),
        Index("jobs_on_shelf", "workshop_id", "shelf", "due"),
        CheckConstraint("shelf in ('rack', 'pattern', 'archive', 'bin')", name="jobs_shelf_known"),
    )

    workshop_id: Mapped[str] = mapped_column(ForeignKey("workshops.id"), primary_key=True)
    id: Mapped[int] = mapped_column(Integer, primary_key=True)
    title: Mapped[str] = mapped_column(Text)
    owner: Mapped[str] = mapped_column(Text)
    due: Mapped[dt.date | None] = mapped_column(Date)
    state: Mapped[str] = mapped_column(Text)
    worst: Mapped[str] = mapped_column(Text)
    says: Mapped[Json] = mapped_column(JSONB)
    planned_with: Mapped[str] = mapped_column(Text, default="", server_default="")
    sought: Mapped[str] = mapped_column(Text, default="", server_default="")
    shelf: Mapped[str] = mapped_column(Text, default="rack", server_default="rack")
    version: Mapped[int] = mapped_column(Integer)
    document: Mapped[Json] = mapped_column(JSONB)
    changed_at: Mapped[dt.datetime] = mapped_column(DateTime(timezone=True), server_default=func.now())
    made_by_edit: Mapped[str] = mapped_column(Text)


class RevisionRow(Base):
    """One saved change: the edits, those that undo it, the whole job after it, who and when."""

    __tablename__ = "revisions"
    __table_args__ = (
        ForeignKeyConstraint(["workshop_id", "job_id"], ["jobs.workshop_id", "jobs.id"], ondelete="CASCADE"),
        UniqueConstraint("workshop_id", "job_id", "edit_id", name="revisions_edit_once"),
    )

    workshop_id: Mapped[str] = mapped_column(Text, primary_key=True)
    job_id: Mapped[int] = mapped_column(Integer, primary_key=True)
    version: Mapped[int] = mapped_column(Integer, primary_key=True)
    kind: Mapped[str] = mapped_column(Text)
    of_version: Mapped[int | None] = mapped_column(Integer)
    edit_id: Mapped[str] = mapped_column(Text)
    edits: Mapped[list[Json]] = mapped_column(JSONB)
    inverse: Mapped[list[Json]] = mapped_column(JSONB)
    document: Mapped[Json] = mapped_column(JSONB)
    who: Mapped[str] = mapped_column(Text)
    at: Mapped[dt.datetime] = mapped_column(DateTime(timezone=True), server_default=func.now())


class PhotoRow(Base):
    """A photograph of a piece, full and small, both JPEG without the camera's notes; taken away, it lies aside."""

    __tablename__ = "photos"
    __table_args__ = (
        ForeignKeyConstraint(["workshop_id", "job_id"], ["jobs.workshop_id", "jobs.id"], ondelete="CASCADE"),
        UniqueConstraint("workshop_id", "job_id", "edit_id", name="photos_edit_once"),
    )

    workshop_id: Mapped[str] = mapped_column(Text, primary_key=True)
    job_id: Mapped[int] = mapped_column(Integer, primary_key=True)
    id: Mapped[int] = mapped_column(Integer, primary_key=True, autoincrement=False)
    name: Mapped[str] = mapped_column(Text)
    edit_id: Mapped[str] = mapped_column(Text)
    width: Mapped[int] = mapped_column(Integer)
    height: Mapped[int] = mapped_column(Integer)
    full: Mapped[bytes] = mapped_column(LargeBinary)
    small: Mapped[bytes] = mapped_column(LargeBinary)
    at: Mapped[dt.datetime] = mapped_column(DateTime(timezone=True), server_default=func.now())
    removed_at: Mapped[dt.datetime | None] = mapped_column(DateTime(timezone=True))
