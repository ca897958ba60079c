"""Serving: one process a core, with the database as all that they share."""

import os

import uvicorn


def cores() -> int:
    """How many cores this process may run on."""
    return len(os.sched_getaffinity(0))


STOPPING_SECONDS = 4
"""What is in flight has so long to end when the server is told to stop; what it would have saved is sent again."""


def serve(port: int, processes: int) -> None:
    """Serve on loopback until stopped. The first of several processes only watches, and so loads nothing."""
    os.environ["SHADBO_FIRST_PROCESS"] = str(os.getpid())
    uvicorn.run(
        "shadbo.web.served:ready" if processes == 1 else "shadbo.web.served:served",
        factory=True,
        workers=processes,
        host="127.0.0.1",
        port=port,
        log_level="warning",
        timeout_graceful_shutdown=STOPPING_SECONDS,
        timeout_worker_healthcheck=60,  # one that is still loading on a busy machine is not dead
    )
