"""Tables of the schedule: what is left of each job, and the secret addresses that calendars are read at."""

import datetime as dt
from typing import Any

from sqlalchemy import DateTime, ForeignKey, ForeignKeyConstraint, Integer, Text, func
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
