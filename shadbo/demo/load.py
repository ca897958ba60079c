"""Load the demo workshop into the database, once."""

import datetime as dt

from sqlalchemy.orm import Session

from shadbo.demo.arrived import arrived_jobs
from shadbo.demo.at_work import so_far
from shadbo.demo.autumn import autumn, shifted, weeks_since
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
FIRST = 101
"""The number of the first job on the rack; those of the autumn stand before it."""
WRITTEN = dt.date(2026, 11, 26)
"""The day that the jobs' own days were written for: loaded weeks later, they stand weeks later."""


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
        past = list(autumn(shop, now))
        Workshops(session).begin_after(WORKSHOP, FIRST - len(past) - 1)
        for n, finished in enumerate(past, 1):
            made = jobs.make(finished.job, f"autumn-{n}")
            jobs.save(made.id, made.version, finished.edits, f"autumn-{n}-work")
        later = weeks_since(WRITTEN, now)
        on_the_rack = [*demo_jobs(), *arrived_jobs()]
        for n, job in enumerate(on_the_rack, 1):
            shown, taken = photographed(shifted(job, later))
            made = jobs.make(shown, f"demo-{n}")
            for k, photo in enumerate(taken, 1):
                Photos(session, WORKSHOP).add(made.id, take_in(photo.jpeg), photo.name, f"demo-{n}-{k}")
            done = so_far(job, shop, now)
            if done:
                jobs.save(made.id, jobs.laid_out(made.id)[0], done, f"demo-{n}-work")
    return f"Loaded the demo workshop with {len(on_the_rack)} jobs on the rack and {len(past)} that were handed over."


def _crew(session: Session) -> None:
    """Those who work there, where nobody is known yet."""
    people = People(session, WORKSHOP)
    if not people.all():
        for name, role in CREW:
            people.add(name, role)
