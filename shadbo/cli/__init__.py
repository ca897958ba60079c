"""Commands: ``shadbo plan``, ``papers``, ``schema``, ``serve``, ``demo``, the stand-ins, and those that keep data."""

import argparse
import json
import sys
from collections.abc import Sequence
from pathlib import Path
from typing import TYPE_CHECKING

from shadbo.cli.keeping import add_archives, add_commands
from shadbo.cli.notices import add_command
from shadbo.cli.serving import add_serving

if TYPE_CHECKING:
    from shadbo.core.job.job import Job
    from shadbo.core.shop.shop import Shop

# Each command loads what it runs: those that only serve or watch are up sooner.


def main(argv: Sequence[str] | None = None) -> int:
    """Run one command; the exit status is 2 when a file cannot be read as what it should be."""
    args = _parser().parse_args(argv)
    status: int = args.run(args)
    return status


def _parser() -> argparse.ArgumentParser:
    parser = argparse.ArgumentParser(prog="shadbo", description="Plans how a piece is framed.")
    commands = parser.add_subparsers(required=True, metavar="COMMAND")
    plan = commands.add_parser("plan", help="the figures of a job file")
    plan.add_argument("file", type=Path)
    plan.add_argument("--shop", type=Path, help="a shop file; without it, the shop that ships with the program")
    form = plan.add_mutually_exclusive_group()
    form.add_argument("--json", action="store_true", help="the whole plan as JSON")
    form.add_argument("--csv", action="store_true", help="every figure as CSV")
    plan.set_defaults(run=_plan)
    schema = commands.add_parser("schema", help="the JSON Schema of the job file, or of a plan's solids")
    schema.add_argument("of", nargs="?", choices=("job", "solids"), default="job")
    schema.set_defaults(run=_schema)
    cutter = commands.add_parser("cutter", help="serve the mat cutter's stand-in on loopback")
    cutter.add_argument("--port", type=int, default=8778)
    cutter.add_argument("--pace", type=float, default=1.0, help="how many times quicker than a machine it cuts")
    cutter.set_defaults(run=_cutter)
    gauge = commands.add_parser("gauge", help="serve the stand-in of a caliper and a tape on loopback")
    gauge.add_argument("--port", type=int, default=8779)
    gauge.add_argument(
        "--host", action="append", default=[], help="a host whose pages may listen too; may be given several times"
    )
    gauge.set_defaults(run=_gauge)
    papers = commands.add_parser("papers", help="work sheet, templates, mats and cutting files of a job file")
    papers.add_argument("file", type=Path)
    papers.add_argument("folder", type=Path, help="where the files go; it is made when it is missing")
    papers.add_argument("--shop", type=Path)
    papers.add_argument("--page", choices=("a4", "letter"), default="a4")
    papers.set_defaults(run=_papers)
    demo = commands.add_parser("demo", help="load the demo workshop once")
    demo.set_defaults(run=_demo)
    add_commands(commands)
    add_archives(commands)
    add_command(commands)
    add_serving(commands)
    api = commands.add_parser("openapi", help="the OpenAPI document of the server")
    api.set_defaults(run=_openapi)
    return parser


def _read(args: argparse.Namespace) -> "tuple[Job, Shop] | int":
    from pydantic import ValidationError

    from shadbo.core.shop.shop import Shop
    from shadbo.demo.shop import demo_shop
    from shadbo.files import job_file

    try:
        job = job_file.read(args.file.read_text(encoding="utf-8"))
        shop = Shop.model_validate_json(args.shop.read_text(encoding="utf-8")) if args.shop else demo_shop()
        return job, shop
    except job_file.BadFile as bad:
        return _refuse(f"{args.file}: {bad.where}: found {bad.found}; expected {bad.expected}")
    except ValidationError as bad:
        first = bad.errors(include_url=False)[0]
        where = "/".join(map(str, first["loc"])) or "the file"
        return _refuse(f"{args.shop}: {where}: {first['msg']}")
    except UnicodeDecodeError as bad:
        return _refuse(f"{args.file}: byte {bad.start}: found bytes that are no UTF-8; expected a text file")
    except OSError as bad:
        return _refuse(f"{bad.filename}: {bad.strerror}")


def _plan(args: argparse.Namespace) -> int:
    from shadbo.core.advise import advise
    from shadbo.files import plan_table

    read = _read(args)
    if isinstance(read, int):
        return read
    plan = advise(*read)
    if args.csv:
        sys.stdout.write(plan_table.as_csv(plan))
    elif args.json:
        print(json.dumps(plan_table.as_data(plan), ensure_ascii=False, indent=2))
    else:
        sys.stdout.write(plan_table.as_text(plan))
    return 0


def _papers(args: argparse.Namespace) -> int:
    from shadbo.cli.papers import write_papers

    read = _read(args)
    if isinstance(read, int):
        return read
    try:
        for name in write_papers(*read, args.folder, args.page):
            print(name)
    except OSError as bad:
        return _refuse(f"{bad.filename}: {bad.strerror}")
    return 0


def _gauge(args: argparse.Namespace) -> int:
    import uvicorn

    from shadbo.gauge.service import create_gauge

    print(f"The gauge's stand-in is at http://127.0.0.1:{args.port}", flush=True)
    uvicorn.run(create_gauge(tuple(args.host)), host="127.0.0.1", port=args.port, log_level="warning")
    return 0


def _cutter(args: argparse.Namespace) -> int:
    import uvicorn

    from shadbo.cutter.service import create_cutter

    if args.pace <= 0:
        return _refuse("--pace: found nothing to cut with; expected a number above 0")
    print(f"The cutter's stand-in is at http://127.0.0.1:{args.port}", flush=True)
    uvicorn.run(create_cutter(args.pace), host="127.0.0.1", port=args.port, log_level="warning")
    return 0


def _refuse(message: str) -> int:
    print(f"shadbo: {message}", file=sys.stderr)
    return 2


def _schema(args: argparse.Namespace) -> int:
    from shadbo.files import job_file
    from shadbo.files.solids import solids_schema

    schema = job_file.schema() if args.of == "job" else solids_schema()
    print(json.dumps(schema, ensure_ascii=False, indent=2))
    return 0


def _demo(_: argparse.Namespace) -> int:
    from shadbo.demo.load import load

    print(load())
    return 0


def _openapi(_: argparse.Namespace) -> int:
    from shadbo.web.app import create_app

    print(json.dumps(create_app().openapi(), ensure_ascii=False, indent=1))
    return 0
