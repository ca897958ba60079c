from shadbo.core.assembly import Assembly
from shadbo.core.desk import Desk
from shadbo.core.findings import StationName
from shadbo.core.questions import Question
def floater_questions(desk: Desk, assembly: Assembly | None) -> dict[StationName, list[Question]]:
    return {}
