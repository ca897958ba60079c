"""What the shop's own jobs say of its habits, and what another habit would do to the jobs that are open."""

from dataclasses import dataclass
from typing import Annotated

from fastapi import APIRouter
from pydantic import Field

from shadbo.core.change import planned
from shadbo.core.decisions.edit import BadEdit
from shadbo.core.learned.effect import Effect, effect
from shadbo.core.learned.lessons import Lesson, lessons
from shadbo.core.learned.samples import sample
from shadbo.core.settings.values import KNOWN, BadSetting, read, set_to
from shadbo.core.words.lengths import System
from shadbo.web.bodies import Body
from shadbo.web.deps import LearningDep
from shadbo.web.opens import opens_to
from shadbo.web.problems import RESPONSES

router = APIRouter(prefix="/api/learned", tags=["learned"], responses=RESPONSES)


@dataclass(frozen=True, slots=True)
class LearnedView:
    """What so many finished jobs say."""

    jobs: int
    lessons: tuple[Lesson, ...]


class TryOn(Body):
    """A habit as it would be set."""

    name: Annotated[str, Field(max_length=60)]
    typed: Annotated[str, Field(max_length=80)]


@router.get("")
@opens_to("look")
def learned(store: LearningDep, system: System = "mm") -> LearnedView:
    """All that can be learned of the jobs that were handed over last."""
    shop, finished = store.shop(), store.finished()
    store.let_go()
    samples = [sample(n, plan) for n, job in finished.items() if (plan := planned(job, shop)) is not None]
    return LearnedView(len(samples), lessons(samples, shop, system))


@router.post("/effect")
@opens_to("look")
def try_on(store: LearningDep, body: TryOn) -> Effect:
    """What a habit would do to jobs that are open; nothing is kept."""
    shop, jobs = store.shop(), store.open()
    store.let_go()
    setting = KNOWN.get(body.name)
    if setting is None:
        raise BadEdit("name", "there is no such setting", body.name)
    try:
        practice = set_to(shop.practice, setting, read(setting, body.typed, "mm"), shop.the_mark(), body.typed)
    except BadSetting as bad:
        raise BadEdit("typed", bad.message.mm, body.typed) from None
    return effect(jobs, shop, practice)
