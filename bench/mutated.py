"""Mutated inputs against the server's own application: script/bench mutated [--many 100000] [--seed 1] [--workers 2]

Job files, edits, photographs, artwork and tables, each a good one with bytes turned, cut, doubled, or with values of
its JSON replaced by odd ones. Prints how many of each were taken and refused, every answer of 500 and more, the
slowest request, and the most memory.
"""

import argparse
import copy
import io
import json
import multiprocessing
import os
import random
import resource
import time
from collections import Counter
from dataclasses import dataclass, field
from typing import Any
from uuid import uuid4

from fastapi.testclient import TestClient
from PIL import Image
from sqlalchemy.orm import Session

from bench.common import machine
from shadbo.demo.jobs import demo_jobs
from shadbo.demo.shop import demo_shop
from shadbo.files import job_file
from shadbo.files.stock_table import stock_csv
from shadbo.store.jobs import Jobs
from shadbo.store.workshops import Workshops
from shadbo.web.app import create_app
from tests.database import fresh_database

SLOW_S = 2.0
ODD: tuple[Any, ...] = (
    None, True, 0, -1, 1, 0.001, -0.0, 1e308, -1e308, 2**31, 2**63, 10**40, "", " ", "\u0000", "\ud800", "½", "1/0",
    "9e99", "12 1/", "-", "∞", "NaN", [], {}, [[]], [None], "x" * 5000, {"typed": "0"}, {"typed": "1e9"},
    {"a": {"a": {"a": 1}}},
)  # fmt: skip
SIGNS = (b"\x00", b"\xff\xfe", b"<", b'"', b"}", b"[" * 50, b"9" * 40, b"\xed\xa0\x80")
TEXT = {"Content-Type": "text/plain"}
SVG = (
    b'<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 90 60"><path d="M5 5h80v50H5z M20 20c10-10 20 10 30 0z"/>'
    b'<g transform="rotate(9)"><circle cx="30" cy="30" r="9"/></g></svg>'
)
PIECES = b"kind,name,width,height,relief\nbadge,cox 2019,40,40,4\nmedal,bow 2020,1 1/2 in,38,4\n"


@dataclass
class Found:
    """What came of the mutants of one process."""

    answers: Counter[str] = field(default_factory=Counter)
    wrong: list[str] = field(default_factory=list)
    slowest: tuple[float, str] = (0.0, "")
    most_mb: float = 0.0


def turned(rng: random.Random, data: bytes) -> bytes:
    """Good bytes with a few of them spoilt."""
    out = bytearray(data)
    for _ in range(rng.choice((1, 1, 2, 3, 8, 30))):
        at = rng.randrange(len(out) + 1)
        n = rng.choice((1, 2, 4, 16, 200))
        match rng.randrange(5):
            case 0:
                out[at : at + n] = rng.randbytes(n)
            case 1:
                del out[at : at + n]
            case 2:
                out[at:at] = out[max(0, at - n) : at] * rng.choice((1, 2, 50))
            case 3:
                out[at:at] = rng.choice(
                    (b"\x00", b"\xff\xfe", b"<", b'"', b"}", b"[" * 50, b"9" * 40, b"\xed\xa0\x80")
                )
            case _:
                del out[at:]
        if not out:
            break
    return bytes(out[:400_000])


def spoilt(rng: random.Random, data: Any) -> Any:
    """JSON with a few of its values, or names, replaced."""
    out = copy.deepcopy(data)
    for _ in range(rng.choice((1, 1, 2, 5))):
        node = out
        while isinstance(node, dict | list) and node:
            key = rng.choice(list(node)) if isinstance(node, dict) else rng.randrange(len(node))
            if isinstance(node[key], dict | list) and node[key] and rng.random() < 0.85:
                node = node[key]
                continue
            if isinstance(node, dict) and rng.random() < 0.1:
                node[str(rng.choice(ODD))[:60]] = node.pop(key)
            else:
                node[key] = copy.deepcopy(rng.choice(ODD))
            break
    return out


def sent_of(rng: random.Random, good: dict[str, Any]) -> tuple[str, str, dict[str, Any]]:
    """One mutated request: what it is, where it goes, what it carries."""
    edit_id = f"edit_id={uuid4()}"
    job_id = rng.randrange(101, 124)
    kind = rng.choice(("job", "job", "job bytes", "edit", "edit", "photo", "artwork", "pieces", "stock"))
    match kind:
        case "job":
            text = json.dumps(spoilt(rng, rng.choice(good["jobs"]))).encode()
            return kind, f"/api/files?{edit_id}", {"content": text, "headers": TEXT}
        case "job bytes":
            text = turned(rng, json.dumps(rng.choice(good["jobs"])).encode())
            return kind, f"/api/files?{edit_id}", {"content": text, "headers": TEXT}
        case "edit":
            body = json.dumps(
                spoilt(rng, {"edits": edits_of(rng, good), "view": "edge", "system": rng.choice(("mm", "in"))})
            )
            return (
                kind,
                f"/api/jobs/{job_id}/plan",
                {"content": body.encode(), "headers": {"Content-Type": "application/json"}},
            )
        case "photo":
            return kind, f"/api/jobs/{job_id}/photos?{edit_id}", {"content": turned(rng, rng.choice(good["photos"]))}
        case "artwork":
            return kind, "/api/jobs/122/artwork", {"content": turned(rng, SVG), "headers": TEXT}
        case "pieces":
            return kind, "/api/jobs/119/pieces/table", {"content": turned(rng, PIECES), "headers": TEXT}
        case _:
            return kind, "/api/stock/table", {"content": turned(rng, good["stock"]), "headers": TEXT}


def edits_of(rng: random.Random, good: dict[str, Any]) -> list[dict[str, Any]]:
    """A few values of a good job, as edits at their places."""
    edits = []
    for _ in range(rng.choice((1, 2, 4))):
        node, path = rng.choice(good["jobs"]), []
        while isinstance(node, dict) and node:
            key = rng.choice(list(node))
            path.append(key)
            node = node[key]
        edits.append({"at": "/".join(path), "to": node if rng.random() < 0.3 else rng.choice(ODD)})
    return edits


def photographs() -> list[bytes]:
    """A small good photograph in each form that is taken."""
    out = []
    for form in ("JPEG", "PNG", "WEBP"):
        stream = io.BytesIO()
        Image.effect_noise((60, 40), 30).convert("RGB").save(stream, form)
        out.append(stream.getvalue())
    return out


def run(many: int, seed: int) -> Found:
    """So many mutants against an application of this process's own."""
    rng, found = random.Random(seed), Found()
    resource.setrlimit(resource.RLIMIT_CORE, (0, 0))
    with fresh_database(f"mutated_{seed}") as (_, engine):
        with Session(engine) as s, s.begin():
            Workshops(s).add("here", demo_shop())
            for n, job in enumerate(demo_jobs()):
                Jobs(s, "here").make(job, f"demo-{n}")
        good = {
            "jobs": [json.loads(job_file.write(j)) for j in demo_jobs()],
            "photos": photographs(),
            "stock": stock_csv(demo_shop().stock).encode(),
        }
        app = create_app(engine, unlocked=True)
        with TestClient(app, base_url="http://127.0.0.1", raise_server_exceptions=False) as client:
            for n in range(many):
                _one(client, rng, good, found, n)
    found.most_mb = resource.getrusage(resource.RUSAGE_SELF).ru_maxrss / 1000
    return found


def _one(client: TestClient, rng: random.Random, good: dict[str, Any], found: Found, n: int) -> None:
    kind, path, more = sent_of(rng, good)
    began = time.perf_counter()
    answer = client.post(path, **more)
    took = time.perf_counter() - began
    found.answers[f"{kind} {answer.status_code}"] += 1
    if answer.status_code >= 500:
        found.wrong.append(f"{n}: {kind} {answer.status_code} {answer.text[:200]} {more.get('content', b'')[:300]!r}")
    if took > found.slowest[0]:
        found.slowest = (took, f"{n}: {kind} {answer.status_code} {more.get('content', b'')[:200]!r}")


def main() -> None:
    """Mutate, send, count, print."""
    ask = argparse.ArgumentParser(description=__doc__)
    ask.add_argument("--many", type=int, default=100_000)
    ask.add_argument("--seed", type=int, default=1)
    ask.add_argument("--workers", type=int, default=len(os.sched_getaffinity(0)))
    said = ask.parse_args()
    print(machine(), f"— {said.many} mutants")
    shares = [(said.many // said.workers, said.seed * 1000 + n) for n in range(said.workers)]
    with multiprocessing.Pool(said.workers) as pool:
        all_found = pool.starmap(run, shares)
    answers = sum((f.answers for f in all_found), Counter[str]())
    for name, n in sorted(answers.items()):
        print(f"{n:7d}  {name}")
    wrong = [w for f in all_found for w in f.wrong]
    for line in wrong[:20]:
        print(line)
    slow, what = max(f.slowest for f in all_found)
    most = max(f.most_mb for f in all_found)
    print(f"{len(wrong)} answers of 500 and more; slowest {slow:.2f} s ({what}); most memory {most:.0f} MB")


if __name__ == "__main__":
    main()
