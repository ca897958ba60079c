"""Tables of the schedule: what is left of each job, the secret addresses of calendars; and of exercises."""

import datetime as dt
from typing import Any

from sqlalchemy import DateTime, ForeignKey, ForeignKeyConstraint, Index, Integer, Text, func
from sqlalchemy.dialects.postgresql import JSONB
from sqlalchemy.orm import Mapped, mapped_column

from shadbo.store.models import Base


class OutlineRow(Base):
    """What is left of a job at a version of it, planned with a state of the shop. It can be made anew at any time."""

    __tablename__ = "outlines"
    __table_args__ = (
        ForeignKeyConstraint(["workshop_id", "job_id"], ["jobs.workshop_id", "jobs.id"], ondelete="CASCADE"),
    )

    workshop_id: Mapped[str] = mapped_column(Text, primary_key=True)
    job_id: Mapped[int] = mapped_column(Integer, primary_key=True)
    version: Mapped[int] = mapped_column(Integer)
    planned_with: Mapped[str] = mapped_column(Text)
    document: Mapped[dict[str, Any]] = mapped_column(JSONB)


class FeedRow(Base):
    """A secret address at which a workshop's calendar is read, by the SHA-256 of its secret; and who made it."""

    __tablename__ = "feeds"

    token_hash: Mapped[str] = mapped_column(Text, primary_key=True)
    workshop_id: Mapped[str] = mapped_column(ForeignKey("workshops.id", ondelete="CASCADE"))
    who: Mapped[str] = mapped_column(Text)
    made_at: Mapped[dt.datetime] = mapped_column(DateTime(timezone=True), server_default=func.now())


class ExerciseRow(Base):
    """An exercise that somebody was given, and their answers with their marks. Of a job, or made up of its seed."""

    __tablename__ = "exercises"
    __table_args__ = (Index("exercises_of_person", "workshop_id", "person_id", "asked_at"),)

    workshop_id: Mapped[str] = mapped_column(ForeignKey("workshops.id", ondelete="CASCADE"), primary_key=True)
    id: Mapped[str] = mapped_column(Text, primary_key=True)
    person_id: Mapped[str] = mapped_column(Text)
    level: Mapped[int] = mapped_column(Integer)
    seed: Mapped[int] = mapped_column(Integer)
    job_id: Mapped[int | None] = mapped_column(Integer)
    wanted: Mapped[list[str]] = mapped_column(JSONB)
    answers: Mapped[list[dict[str, Any]]] = mapped_column(JSONB)
    asked_at: Mapped[dt.datetime] = mapped_column(DateTime(timezone=True), server_default=func.now())
