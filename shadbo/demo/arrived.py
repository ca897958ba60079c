"""Two pieces that came in and were not measured yet."""

from shadbo.core.job.job import Job
from shadbo.core.pieces.pieces import Paper, StretchedCanvas
from shadbo.demo.making import job, r


def arrived_jobs() -> list[Job]:
    """One without any reading, one that was begun with the rule and laid aside."""
    return [
        job(
            "Sluice gate, charcoal",
            "R. Osk",
            "the old chandlery",
            (11, 25),
            (12, 23),
            Paper(),
            condition="edges a little foxed; the charcoal is fixed",
            display="window mat",
        ),
        job(
            "Two herons, wet morning",
            "Ilka Bram",
            "Quay row 9",
            (11, 26),
            (12, 30),
            StretchedCanvas(width_top=r(803), height_left=r(604)),
            condition="new",
        ),
    ]
