"""Load the demo workshop into the database, once."""

from sqlalchemy.orm import Session

from shadbo.demo.jobs import demo_jobs
from shadbo.demo.shop import demo_shop
from shadbo.store.database import engine, migrate
from shadbo.store.jobs import Jobs
from shadbo.store.workshops import Workshops

WORKSHOP = "netloft"


def load(url: str | None = None) -> str:
    """Migrate, add the workshop and its jobs where they are not there yet; says what it did."""
    migrate(url)
    with Session(engine(url)) as session, session.begin():
        if not Workshops(session).add(WORKSHOP, demo_shop()):
            return "The demo workshop is there already; left as it is."
        jobs = Jobs(session, WORKSHOP)
        for n, job in enumerate(demo_jobs(), 1):
            jobs.make(job, f"demo-{n}", "demo")
    return f"Loaded the demo workshop with {len(demo_jobs())} jobs."
