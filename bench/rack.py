"""The rack with thousands of jobs: how long its page and its search take in the repository. Run: script/bench rack"""

import random
import time

from sqlalchemy import insert, update
from sqlalchemy.orm import Session

from shadbo.core.words.folding import folded
from shadbo.demo.jobs import demo_jobs
from shadbo.demo.shop import demo_shop
from shadbo.store.database import engine, migrate
from shadbo.store.finding import Wanted
from shadbo.store.jobs import Jobs
from shadbo.store.models import JobRow, WorkshopRow
from shadbo.store.workshops import Workshops
from tests.database import fresh_database

MANY, ROUNDS = 5000, 40
NAMES = ("Maren", "Élodie", "Odd", "Søren", "Pia", "Ilka", "Hob", "Tomas", "Hedda", "Bo")
THINGS = ("quay", "slipway", "regatta", "lifeboat", "quilt", "badge", "puzzle", "poster", "pastel", "certificate")
WANTED = {
    "the first page": Wanted(),
    "page 60": Wanted(page=60),
    "one word": Wanted("soren"),
    "two words": Wanted("elodie quilt 7"),
    "a number": Wanted("4711"),
    "nothing answers": Wanted("zebra"),
    "a state, by title": Wanted(state="to cut", sort="title"),
}


def filled(session: Session) -> Jobs:
    """A workshop with so many jobs, all copied from the demo's rows under other words."""
    Workshops(session).add("bench", demo_shop())
    jobs = Jobs(session, "bench")
    for n, job in enumerate(demo_jobs()):
        jobs.make(job, f"b-{n}")
    session.flush()
    rows = [{c.name: getattr(r, c.name) for c in JobRow.__table__.columns} for r in session.query(JobRow)]
    dice, more = random.Random(5), []
    for n in range(MANY - len(rows)):
        row = dict(dice.choice(rows))
        title, owner = f"{dice.choice(THINGS)} {dice.randint(1, 99)}", f"{dice.choice(NAMES)} {dice.choice(THINGS)}"
        row |= {"id": 1000 + n, "made_by_edit": f"more-{n}", "title": title, "owner": owner}
        row["sought"] = folded(f"{row['id']} {title} {owner} {row['sought']}")
        more.append(row)
    session.execute(insert(JobRow), more)
    session.execute(update(WorkshopRow).values(last_job=9000))
    return jobs


def main() -> None:
    """Print the median and the slowest of each."""
    with fresh_database("shadbo_bench") as (url, _):
        migrate(url)
        with Session(engine(url)) as session:
            jobs = filled(session)
            session.commit()
            print(f"{MANY} jobs, {ROUNDS} rounds, ms:   median   slowest   found")
            for name, wanted in WANTED.items():
                times, total = [], 0
                for _ in range(ROUNDS):
                    session.expire_all()
                    start = time.perf_counter()
                    total = jobs.rack(wanted).total
                    times.append(1000 * (time.perf_counter() - start))
                times.sort()
                print(f"{name:32} {times[len(times) // 2]:8.1f} {times[-1]:9.1f} {total:7d}")


if __name__ == "__main__":
    main()
