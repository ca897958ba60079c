"""The table of heavy work that is asked for, and of what came of it."""

import datetime as dt
from typing import Any

from sqlalchemy import DateTime, ForeignKey, Index, Integer, LargeBinary, Text, func, text
from sqlalchemy.dialects.postgresql import JSONB
from sqlalchemy.orm import Mapped, mapped_column

from shadbo.store.models import Base

GOOD = "state in ('waiting', 'working', 'made')"


class WorkRow(Base):
    """One piece of heavy work. Of equal ones (``key``) there is one at a time, for however many ask.

    ``state``: waiting, working, made, refused, failed, given up.
    """

    __tablename__ = "work"
    __table_args__ = (
        Index(
            "work_once",
            "workshop_id",
            "key",
            unique=True,
            postgresql_where=text("state in ('waiting', 'working', 'made')"),
        ),
        Index("work_by_state", "workshop_id", "state"),
    )

    id: Mapped[str] = mapped_column(Text, primary_key=True)
    workshop_id: Mapped[str] = mapped_column(ForeignKey("workshops.id", ondelete="CASCADE"))
    job_id: Mapped[int] = mapped_column(Integer)
    key: Mapped[str] = mapped_column(Text)
    kind: Mapped[str] = mapped_column(Text)
    asked: Mapped[dict[str, Any]] = mapped_column(JSONB)
    given: Mapped[bytes] = mapped_column(LargeBinary)
    state: Mapped[str] = mapped_column(Text, default="waiting", server_default="waiting")
    at: Mapped[str] = mapped_column(Text, default="", server_default="")
    says: Mapped[str] = mapped_column(Text, default="", server_default="")
    media: Mapped[str] = mapped_column(Text, default="", server_default="")
    made: Mapped[bytes | None] = mapped_column(LargeBinary)
    asked_at: Mapped[dt.datetime] = mapped_column(DateTime(timezone=True), server_default=func.now())
    begun_at: Mapped[dt.datetime | None] = mapped_column(DateTime(timezone=True))
    done_at: Mapped[dt.datetime | None] = mapped_column(DateTime(timezone=True))
