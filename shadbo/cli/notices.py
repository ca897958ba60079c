"""``shadbo notices``: whose work ships with this, and under which terms, with the texts that have to go along."""

import argparse
import json
import re
from collections.abc import Iterator
from dataclasses import dataclass
from importlib.metadata import Distribution, PackageNotFoundError, distribution
from pathlib import Path

ROOT = Path(__file__).parents[2]
TEXTS = re.compile(r"(licen[cs]e|copying|notice|ofl)[^/]*$", re.IGNORECASE)
PIN = re.compile(r"^([A-Za-z0-9_.-]+)==", re.MULTILINE)


@dataclass(frozen=True, slots=True)
class Work:
    """One package: its name, version, terms in a word, and the texts that it brings."""

    name: str
    version: str
    terms: str
    texts: tuple[str, ...]


def python_works(lock: Path) -> Iterator[Work]:
    """Every package of a lock file that is installed; those of other platforms are not."""
    for name in PIN.findall(lock.read_text()):
        try:
            found = distribution(name)
        except PackageNotFoundError:
            continue
        terms = (
            _field(found, "License-Expression") or _classified(found) or _field(found, "License") or "see its text"
        )
        yield Work(name, found.version, terms.splitlines()[0][:80], tuple(_python_texts(found)))


def _field(found: Distribution, name: str) -> str:
    return str((found.metadata.get_all(name) or [""])[0])


def _classified(found: Distribution) -> str:
    marks = [c for c in found.metadata.get_all("Classifier") or () if c.startswith("License ::")]
    return "; ".join(c.split(" :: ")[-1] for c in marks)


def _python_texts(found: Distribution) -> Iterator[str]:
    for file in sorted(found.files or (), key=str):
        if TEXTS.search(file.name) and not file.name.endswith((".py", ".pyc")):
            path = Path(str(found.locate_file(file)))
            if path.is_file():
                yield path.read_text(encoding="utf-8", errors="replace")


def node_works(front: Path) -> Iterator[Work]:
    """Every package that the built pages are made of: the front end's dependencies, and theirs."""
    seen: set[str] = set()
    todo = list(json.loads((front / "package.json").read_text())["dependencies"])
    while todo:
        name = todo.pop(0)
        home = front / "node_modules" / name
        if name in seen or not (home / "package.json").is_file():
            continue
        seen.add(name)
        data = json.loads((home / "package.json").read_text())
        todo += data.get("dependencies", {})
        texts = [
            p.read_text(errors="replace") for p in sorted(home.iterdir()) if p.is_file() and TEXTS.search(p.name)
        ]
        yield Work(name, data["version"], str(data.get("license", "see its text")), tuple(texts))


def notices(root: Path = ROOT) -> str:
    """All of it as one text: a list, then the texts, each once."""
    works = sorted([*python_works(root / "requirements/run.lock"), *node_works(root / "frontend")],
                   key=lambda w: w.name.lower())  # fmt: skip
    out = ["Shadbo ships with, or runs on, the work of others. Their terms:", ""]
    out += [f"  {w.name} {w.version}: {w.terms}" for w in works]
    out += ["", "PostgreSQL and Debian's own packages come from Debian, with their terms under /usr/share/doc."]
    by: dict[str, list[str]] = {}
    for w in works:
        for text in w.texts:
            by.setdefault(text.strip(), []).append(f"{w.name} {w.version}")
    for text, names in by.items():
        out += ["", "=" * 100, ", ".join(dict.fromkeys(names)), "", text]
    return "\n".join(out) + "\n"


def add_command(commands: "argparse._SubParsersAction[argparse.ArgumentParser]") -> None:
    """The command, with where it writes to."""
    notice = commands.add_parser("notices", help="write the notices of the packages that ship with this")
    notice.add_argument("file", type=Path)
    notice.set_defaults(run=_write)


def _write(args: argparse.Namespace) -> int:
    args.file.write_text(notices(), encoding="utf-8")
    return 0
