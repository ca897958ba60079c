"""Load the demo workshop into the database, once."""

from sqlalchemy.orm import Session

from shadbo.demo.jobs import demo_jobs
from shadbo.demo.people import CREW
from shadbo.demo.pictures import shirt_photo
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
        fresh = Workshops(session).add(WORKSHOP, demo_shop())
        _crew(session)
        if not fresh:
            return "The demo workshop is there already; left as it is."
        jobs = Jobs(session, WORKSHOP, "demo")
        for n, job in enumerate(demo_jobs(), 1):
            made = jobs.make(job, f"demo-{n}")
            if job.display == "jersey box":
                photo = take_in(shirt_photo())
                Photos(session, WORKSHOP).add(made.id, photo, "the shirt on the bench", "demo-shirt")
    return f"Loaded the demo workshop with {len(demo_jobs())} jobs."


def _crew(session: Session) -> None:
    """Those who work there, where nobody is known yet."""
    people = People(session, WORKSHOP)
    if not people.all():
        for name, role in CREW:
            people.add(name, role)
