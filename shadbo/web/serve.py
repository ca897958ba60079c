"""Serving: one process a core, with the database as all that they share."""

import os

import uvicorn


def cores() -> int:
    """How many cores this process may run on."""
    return len(os.sched_getaffinity(0))


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
        timeout_worker_healthcheck=60,  # one that is still loading on a busy machine is not dead
    )
