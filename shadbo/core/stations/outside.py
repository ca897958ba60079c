"""What is given out of the house: a finish, boards cut by machine; each with the working days that it takes."""

from shadbo.core.asking.questions import Question
from shadbo.core.asking.rows import beside, text_row
from shadbo.core.plan import Plan


def questions(plan: Plan) -> list[Question]:
    """Rows for what this build has that others can do; none before it is planned."""
    a, job, rows = plan.assembly, plan.desk.job, []
    if a is None:
        return []
    if job.finish and any(p.role == "rail" and p.to_cut for p in a.parts):
        days = str(job.finish_days or "")
        rows.append(
            text_row("finish_days", f"{job.finish}: done elsewhere, working days", days, "number", "none: here")
        )
    cut = {p.id for p in a.parts if p.to_cut}
    if any(w.sheet in cut and not w.stays for w in a.windows):
        days = str(job.machine_days or "")
        rows.append(
            text_row("machine_days", "Openings cut by machine elsewhere, working days", days, "number", "none: here")
        )
    return beside(rows)
