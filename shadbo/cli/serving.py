"""``shadbo serve``: on this machine alone, or on the workshop's network under TLS; ``shadbo work`` beside it."""

import argparse
import os
import sys
from pathlib import Path
from typing import Any

TLS = "SHADBO_TLS"
"""Where the installation's own certificate lies."""


def add_serving(commands: "argparse._SubParsersAction[Any]") -> None:
    """Teach the parser to serve."""
    serve = commands.add_parser("serve", help="serve the application, on loopback unless another address is given")
    serve.add_argument("--port", type=int, default=8777)
    serve.add_argument("--processes", type=int, default=0, help="how many serve; 0 is one a core")
    serve.add_argument(
        "--host", default="127.0.0.1", help="the address to listen at; 0.0.0.0 for all. On a network it is under TLS"
    )
    serve.add_argument(
        "--name", action="append", default=[], help="a further name that it goes by; may be given several times"
    )
    serve.add_argument("--cert", type=Path, help="a certificate, as PEM; without one it makes its own")
    serve.add_argument("--key", type=Path, help="the certificate's key, as PEM")
    serve.add_argument(
        "--tls-folder",
        type=Path,
        help=f"where its own certificate lies; {TLS}, or the user's state folder, without it",
    )
    serve.add_argument(
        "--behind", default="", help="the address of a proxy, whose word on scheme and sender is taken from then on"
    )
    serve.add_argument("--workers", type=int, default=1, help="how much heavy work is done here at once; 0 for none")
    serve.set_defaults(run=_serve)
    work = commands.add_parser("work", help="do heavy work, here or on another machine beside the same database")
    work.add_argument("--at-once", type=int, default=1)
    work.set_defaults(run=_work)


def _folder(given: Path | None) -> Path:
    said = os.environ.get(TLS)
    return given or (Path(said) if said else Path.home() / ".local" / "state" / "shadbo" / "tls")


def _serve(args: argparse.Namespace) -> int:
    from shadbo.web.network import NotServed
    from shadbo.web.serve import certificate, cores, first_code, reached, serve
    from shadbo.work.worker import Worker

    try:
        if args.processes < 0:
            raise NotServed("--processes: found less than none; expected 0 for one a core, or how many")
        at = reached(args.host, args.name, args.behind)
        under = certificate(at, args.cert, args.key, _folder(args.tls_folder))
    except NotServed as bad:
        print(f"shadbo: {bad}", file=sys.stderr)
        return 2
    code = first_code()
    scheme = "https" if under else "http"
    names = ["127.0.0.1"] if at.alone else [n for n in at.names if n not in ("127.0.0.1", "localhost")]
    print(f"Shadbo is at {' and '.join(f'{scheme}://{n}:{args.port}' for n in names)}", flush=True)
    if code:
        print(f"Nobody can come in yet. Set it up with this code, good for a day: {code}", flush=True)
    worker = Worker(args.workers) if args.workers > 0 else None
    if worker is not None:
        worker.start()
    try:
        serve(at, args.port, args.processes or cores(), under, args.behind)
    finally:
        if worker is not None:
            worker.stop()
    return 0


def _work(args: argparse.Namespace) -> int:
    from shadbo.work.worker import run_worker

    if args.at_once < 1:
        print("shadbo: --at-once: found nothing at all; expected 1 or more", file=sys.stderr)
        return 2
    run_worker(args.at_once)
    return 0
