"""The gauge's protocol, ours and open: JSON texts over one WebSocket at ``/readings``.

The gauge says ``hello`` first, with its devices and the number of each one's last reading that somebody took. Each
press of its key is a ``reading`` with a number of its own, one more than the last. Whoever takes a reading answers
``took``; until then the gauge says it again once a second, for a minute. So a reading may come late, which its age
tells, or twice, which its number tells; a gap in the numbers tells of readings that nobody took.
"""

from typing import Annotated, Literal

from pydantic import BaseModel, ConfigDict, Field

FORMAT: Literal["shadbo-gauge"] = "shadbo-gauge"
AGAIN_S, KEEP_S = 1.0, 60.0
"""How often a reading is said again that nobody took, and for how long."""

DeviceId = Annotated[str, Field(pattern=r"^[a-z0-9-]{1,40}$")]
Share = Annotated[float, Field(ge=0, le=1)]


class Said(BaseModel):
    """Strict: what is not of the protocol is refused."""

    model_config = ConfigDict(extra="forbid", allow_inf_nan=False)


class Device(Said):
    """One instrument; ``took`` is the number of its last reading that was taken."""

    id: DeviceId
    name: str
    kind: Literal["caliper", "tape"]
    resolution_mm: float
    uncertainty_mm: float
    battery: Share
    took: int = 0


class Hello(Said):
    """The first word of the gauge."""

    say: Literal["hello"] = "hello"
    format: Literal["shadbo-gauge"] = FORMAT
    version: Literal[1] = 1
    devices: list[Device]


class Reading(Said):
    """One press of the key: a value with its unit, its uncertainty, and how long ago it was (ms)."""

    say: Literal["reading"] = "reading"
    device: DeviceId
    number: Annotated[int, Field(ge=1)]
    value: Annotated[float, Field(ge=0, le=20_000)]
    unit: Literal["mm", "in"]
    uncertainty_mm: Annotated[float, Field(ge=0, le=100)]
    battery: Share
    age_ms: Annotated[int, Field(ge=0)]


class Took(Said):
    """The answer to a reading."""

    say: Literal["took"] = "took"
    device: DeviceId
    number: int
