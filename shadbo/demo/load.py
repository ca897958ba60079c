"""Load the demo workshop into the database, once."""

import datetime as dt

from sqlalchemy.orm import Session

from shadbo.demo.at_work import so_far
from shadbo.demo.jobs import demo_jobs
from shadbo.demo.people import CREW
from shadbo.demo.pictures import photographed
from shadbo.demo.shop import demo_shop
from shadbo.files.photo import take_in
from shadbo.store.database import engine, migrate
from shadbo.store.jobs import Jobs
from shadbo.store.people import People
from shadbo.store.photos import Photos
from shadbo.store.workshops import Workshops

WORKSHOP = "netloft"


def load(url: str | None = None) -> str:
    """Migrate, add the workshop and its jobs where they are not there yet; says what it did."""
    migrate(url)
    with Session(engine(url)) as session, session.begin():
        shop = demo_shop()
        fresh = Workshops(session).add(WORKSHOP, shop)
        _crew(session)
        if not fresh:
            return "The demo workshop is there already; left as it is."
        jobs, now = Jobs(session, WORKSHOP, "demo"), dt.datetime.now(dt.UTC)
        for n, job in enumerate(demo_jobs(), 1):
            shown, taken = photographed(job)
            made = jobs.make(shown, f"demo-{n}")
            for k, photo in enumerate(taken, 1):
                Photos(session, WORKSHOP).add(made.id, take_in(photo.jpeg), photo.name, f"demo-{n}-{k}")
            done = so_far(job, shop, now)
            if done:
                jobs.save(made.id, jobs.laid_out(made.id)[0], done, f"demo-{n}-work")
    return f"Loaded the demo workshop with {len(demo_jobs())} jobs."


def _crew(session: Session) -> None:
    """Those who work there, where nobody is known yet."""
    people = People(session, WORKSHOP)
    if not people.all():
        for name, role in CREW:
            people.add(name, role)
