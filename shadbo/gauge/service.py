"""The service: its devices, readings that wait to be taken, and a panel whose keys can be pressed."""

import asyncio
import time
from collections.abc import AsyncIterator, Callable
from contextlib import asynccontextmanager, suppress
from dataclasses import dataclass, field
from pathlib import Path
from typing import Annotated, Literal
from urllib.parse import urlsplit

from fastapi import FastAPI, HTTPException, WebSocket, WebSocketDisconnect
from fastapi.responses import HTMLResponse
from pydantic import Field, ValidationError

from shadbo.gauge.protocol import AGAIN_S, KEEP_S, Device, Hello, Reading, Said, Took

How = Literal["plain", "lost", "twice", "late", "nonsense"]
LATE_S = 8.0
PANEL = Path(__file__).with_name("panel.html")
LOOPBACK = ("127.0.0.1", "localhost", "::1")


class Press(Said):
    """A key pressed on the panel, and what befalls its reading on the way."""

    device: str
    value: Annotated[float, Field(ge=0, le=20_000)]
    unit: Literal["mm", "in"] = "mm"
    how: How = "plain"
    battery: Annotated[float, Field(ge=0, le=1)] | None = None


@dataclass(slots=True)
class Waiting:
    """A reading that nobody took yet, and when its key was pressed."""

    reading: Reading
    pressed: float


@dataclass(slots=True)
class Gauge:
    """All devices of one bench. ``clock`` gives seconds."""

    clock: Callable[[], float] = time.monotonic
    devices: dict[str, Device] = field(default_factory=dict)
    pressed: dict[str, int] = field(default_factory=dict)
    waiting: list[Waiting] = field(default_factory=list)
    listeners: set[WebSocket] = field(default_factory=set)

    def press(self, press: Press) -> list[str]:
        """What is said at once of a key that is pressed. KeyError for a device that there is not."""
        device = self.devices[press.device]
        if press.battery is not None:
            device = self.devices[press.device] = device.model_copy(update={"battery": press.battery})
        number = self.pressed[press.device] = self.pressed.get(press.device, 0) + 1
        if press.how == "nonsense":
            return ['{"say":"reading","device":"' + press.device + '","value":"4l.0"}']
        reading = Reading(
            device=press.device,
            number=number,
            value=press.value,
            unit=press.unit,
            uncertainty_mm=device.uncertainty_mm,
            battery=device.battery,
            age_ms=0,
        )
        if press.how == "lost":
            return []
        pressed = self.clock() - (LATE_S if press.how == "late" else 0.0)
        self.waiting.append(Waiting(reading, pressed))
        text = self.told(self.waiting[-1])
        return [text, text] if press.how == "twice" else [text]

    def told(self, waiting: Waiting) -> str:
        """A reading with its age now."""
        age = max(round((self.clock() - waiting.pressed) * 1000), 0)
        return waiting.reading.model_copy(update={"age_ms": age}).model_dump_json()

    def took(self, took: Took) -> None:
        """Somebody has it: it is said no more."""
        self.waiting = [w for w in self.waiting if (w.reading.device, w.reading.number) != (took.device, took.number)]
        device = self.devices.get(took.device)
        if device is not None and took.number > device.took:
            self.devices[took.device] = device.model_copy(update={"took": took.number})

    def again(self) -> list[str]:
        """What is said once more; what is older than a minute is given up."""
        now = self.clock()
        self.waiting = [w for w in self.waiting if now - w.pressed < KEEP_S]
        return [self.told(w) for w in self.waiting]

    async def say(self, texts: list[str]) -> None:
        """To everyone who listens; who has gone is forgotten."""
        for listener in list(self.listeners):
            try:
                for text in texts:
                    await listener.send_text(text)
            except (RuntimeError, WebSocketDisconnect):
                self.listeners.discard(listener)


def two_devices() -> dict[str, Device]:
    """The caliper and the tape of the demo's bench."""
    both = (
        Device(
            id="caliper-1", name="caliper 1", kind="caliper", resolution_mm=0.01, uncertainty_mm=0.03, battery=0.82
        ),
        Device(id="tape-1", name="tape 1", kind="tape", resolution_mm=0.5, uncertainty_mm=0.5, battery=0.4),
    )
    return {d.id: d for d in both}


def create_gauge(origins: tuple[str, ...] = (), again_s: float = AGAIN_S) -> FastAPI:
    """The gauge as an application. Pages of this machine may listen, and those of the hosts named."""
    gauge = Gauge(devices=two_devices())

    @asynccontextmanager
    async def lifespan(_: FastAPI) -> AsyncIterator[None]:
        async def repeat() -> None:
            while True:
                await asyncio.sleep(again_s)
                await gauge.say(gauge.again())

        task = asyncio.create_task(repeat())
        yield
        task.cancel()
        with suppress(asyncio.CancelledError):
            await task

    app = FastAPI(title="Gauge stand-in", version="1", docs_url=None, redoc_url=None, lifespan=lifespan)

    @app.get("/", response_class=HTMLResponse)
    def panel() -> str:
        return PANEL.read_text()

    @app.get("/devices")
    def devices() -> list[Device]:
        return list(gauge.devices.values())

    @app.post("/press", status_code=204)
    async def press(body: Press) -> None:
        if body.device not in gauge.devices:
            raise HTTPException(404, f"There is no device “{body.device}”")
        await gauge.say(gauge.press(body))

    @app.websocket("/readings")
    async def readings(socket: WebSocket) -> None:
        host = urlsplit(socket.headers.get("origin", "")).hostname
        if host is not None and host not in (*LOOPBACK, *origins):
            await socket.close(1008)
            return
        await socket.accept()
        await socket.send_text(Hello(devices=list(gauge.devices.values())).model_dump_json())
        gauge.listeners.add(socket)
        try:
            while True:
                with suppress(ValidationError):
                    gauge.took(Took.model_validate_json(await socket.receive_text()))
        except WebSocketDisconnect:
            gauge.listeners.discard(socket)

    return app
