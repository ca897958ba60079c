"""How many small errors in the sums the tests find: ``python -m bench.mutants [--sample N] [--seed S]``.

The named errors are planted one by one in a copy of the program, and the tests of the core are run on it. With
``--sample`` as many more are drawn from the arithmetic, comparisons and constants of the sums and checks. Prints
each, and the score; the plans written down are left out, because they would find any change at all.
"""

import argparse
import ast
import os
import random
import shutil
import subprocess
import sys
import tempfile
from collections.abc import Iterator
from dataclasses import dataclass
from pathlib import Path

ROOT = Path(__file__).parents[1]
BAR = 0.95
"""Share of errors that is to be found."""
ROOMS = ("sums", "checks", "hang", "layout", "shapes")
SUMS: dict[type[ast.operator], type[ast.operator]] = {
    ast.Add: ast.Sub,
    ast.Sub: ast.Add,
    ast.Mult: ast.Div,
    ast.Div: ast.Mult,
}
LIMITS: dict[type[ast.cmpop], type[ast.cmpop]] = {
    ast.Lt: ast.GtE,
    ast.Gt: ast.LtE,
    ast.LtE: ast.Gt,
    ast.GtE: ast.Lt,
}


@dataclass(frozen=True, slots=True)
class Mutant:
    """One error: its module, what stands there and what is put in its place; ``line`` for one drawn at random."""

    name: str
    path: str
    old: str
    new: str
    line: int = 0


NAMED = (
    Mutant("reading error dropped from the fit's allowance", "sums/fit.py",
           "[base, sheet.number(package.worst, MM)]", "[base]"),
    Mutant("softwood stiffer by a third", "sums/bending.py", '"softwood": 9000.0', '"softwood": 12000.0'),
    Mutant("hanger's screw as long as its wood", "hang/screw.py",
           "rail.thick_at_ledge.value - short_mm", "rail.thick_at_ledge.value"),
    Mutant("lever of the pull-out the wrong way", "hang/hanging.py",
           "assembly.outside_height - down - s.number(9, MM)", "assembly.outside_height - down + s.number(9, MM)"),
    Mutant("wood beside a slot measured along the mitre", "displays/rabbeted/joints.py",
           '(s["joint.from_point"] - s["joint.slot"]) / joints.ROOT2', 's["joint.from_point"] - s["joint.slot"]'),
    Mutant("single plate refused at twice its limit", "checks/hanging.py",
           "hang.weight.value >= p.plate_most_kg", "hang.weight.value >= 2 * p.plate_most_kg"),
    Mutant("equal gaps on the wrong side", "layout/snap.py", "(b[0] + b[1] + gap,", "(b[0] + b[1] - gap,"),
    Mutant("the season's hold the wrong way", "season.py",
           's["profile.lip"].value - slack', 's["profile.lip"].value + slack'),
    Mutant("a mount carries three times its limit", "build/mounts.py",
           "mass_kg > mount.most_kg", "mass_kg > 3 * mount.most_kg"),
    Mutant("depth to waste ten times dearer", "displays/rabbeted/suiting.py", "most_spare_mm, 0.0) * 0.5",
           "most_spare_mm, 0.0) * 5"),
    Mutant('sight a lip too large', 'sums/fit.py',
           'middle - 2 * lip)', 'middle - lip)'),
    Mutant('rim hidden without its slack', 'sums/fit.py',
           'lip - slack / 2)', 'lip - slack)'),
    Mutant('rabbet wanted without its allowance', 'sums/fit.py',
           'package + allowance, "package + allowance"', 'package + 0 * allowance, "package + allowance"'),
    Mutant('wire pulled by half', 'sums/hang.py',
           'return weight_n / (2 * math.sin(', 'return weight_n / (4 * math.sin('),
    Mutant('hook without the drop', 'sums/hang.py',
           'eye + outside_height / 2 - drop', 'eye + outside_height / 2 + drop'),
    Mutant('screws hold by gravity, not its square', 'sums/hang.py',
           '108.25 * gravity**2', '108.25 * gravity'),
    Mutant('across by the diameter, not its square', 'sums/hang.py',
           'k * diameter_mm**2 *', 'k * diameter_mm *'),
    Mutant('hinged beam five times too stiff', 'sums/bending.py',
           'return 5 * w * length**4 / (384 * e * i)', 'return w * length**4 / (384 * e * i)'),
    Mutant('second moment by the cube of the depth', 'sums/bending.py',
           'return depth * face**3 / 12', 'return depth**3 * face / 12'),
    Mutant('load on the span by the wrong rest', 'sums/bending.py',
           'pull * at**2 * rest**2 / (3 * e', 'pull * at**2 * rest**2 / (4 * e'),
    Mutant('lean without halving', 'sums/square.py',
           '/ (4 * width)', '/ (2 * width)'),
    Mutant('fourth side by the sine', 'sums/square.py',
           '2 * bottom * right * math.cos(', '2 * bottom * right * math.sin('),
    Mutant('acrylic grows by damp alone', 'sums/movement.py',
           'ACRYLIC_PER_K * kelvin + ACRYLIC_PER_RH', '0 * kelvin + ACRYLIC_PER_RH'),
    Mutant('wood swells by the wet state alone', 'sums/movement.py',
           'per_percent * (high - low)', 'per_percent * high'),
    Mutant('mitre as long as its face', 'sums/joints.py',
           'return face * ROOT2', 'return face'),
    Mutant('splines half as dense', 'sums/joints.py',
           'depth_mm / 25', 'depth_mm / 50'),
    Mutant('mitre gap of four joints', 'sums/joints.py',
           '(8 * math.radians', '(4 * math.radians'),
    Mutant('dowel half of the thinnest', 'sums/pegs.py',
           'return thickness_mm / 3', 'return thickness_mm / 2'),
    Mutant("peg's stress by the radius", 'sums/pegs.py',
           '32 * force_n * gap_mm', '16 * force_n * gap_mm'),
    Mutant('peg holds when it hangs below', 'sums/pegs.py',
           'centre_up_mm >= line_up_mm', 'centre_up_mm <= line_up_mm'),
    Mutant('screws weigh by the radius', 'sums/weight.py',
           'math.pi / 4 * diameter_mm**2', 'math.pi * diameter_mm**2'),
    Mutant('a pane sags by the cube', 'sums/plate.py',
           'alpha(a / b) * q * b**4 / d', 'alpha(a / b) * q * b**3 / d'),
    Mutant('clips ten apart more', 'sums/border.py',
           '(side_mm - 80) / apart_mm', '(side_mm - 80) / (apart_mm + 10)'),
    Mutant('points from the corner', 'sums/border.py',
           '(side_mm - 100) / apart_mm', 'side_mm / apart_mm'),
    Mutant('two hinges whatever the width', 'sums/border.py',
           'math.ceil((width_mm - first_mm) / apart_mm - 1e-6)', '0'),
    Mutant('nothing presses in a stack', 'solids/held.py',
           'more = pressed(held)', 'more = held'),
    Mutant('lying against at ten times the air', 'solids/held.py',
           'LYING_MM = 0.5', 'LYING_MM = 5.0'),
    Mutant('a fixing that grazes holds', 'solids/bites.py',
           'across * 2 < thin - THIN_MM', 'across * 2 < 0'),
    Mutant('a way in from the wrong side', 'solids/ways_in.py',
           'if enters == "from behind":', 'if enters != "from behind":'),
    Mutant('piles one board short', 'sums/piles.py',
           'm = int(to((goal_mm - n * one) / other))', 'm = int(to((goal_mm - n * one) / other)) - 1'),
)  # fmt: skip


def drawn(many: int, seed: int) -> list[Mutant]:
    """Errors at random places of the rooms whose numbers matter most."""
    places = [m for room in ROOMS for m in _places(room)]
    return random.Random(seed).sample(places, min(many, len(places)))


def _places(room: str) -> Iterator[Mutant]:
    for path in sorted((ROOT / "shadbo/core" / room).rglob("*.py")):
        tree = ast.parse(path.read_text())
        for node in ast.walk(tree):
            old = ast.unparse(node) if isinstance(node, ast.expr) else ""
            if isinstance(node, ast.BinOp) and type(node.op) in SUMS:
                new = ast.unparse(ast.BinOp(node.left, SUMS[type(node.op)](), node.right))
            elif isinstance(node, ast.Compare) and type(node.ops[0]) in LIMITS:
                swapped = [LIMITS[type(node.ops[0])](), *node.ops[1:]]
                new = ast.unparse(ast.Compare(node.left, swapped, node.comparators))
            else:
                continue
            whole = ast.get_source_segment(path.read_text(), node)
            if whole is not None and "\n" not in whole:
                rel = str(path.relative_to(ROOT / "shadbo/core"))
                yield Mutant(f"{rel}:{node.lineno}: {old} → {new}", rel, whole, f"({new})", node.lineno)


def found(mutant: Mutant, workers: str) -> bool:
    """Whether the tests fail with the error in place."""
    with tempfile.TemporaryDirectory() as folder:
        home = Path(folder)
        for name in ("shadbo", "tests"):
            shutil.copytree(ROOT / name, home / name, ignore=shutil.ignore_patterns("__pycache__"))
        for name in ("pyproject.toml", "docs", "frontend"):
            (home / name).symlink_to(ROOT / name)
        path = home / "shadbo/core" / mutant.path
        path.write_text(_planted(path.read_text(), mutant))
        done = subprocess.run(
            [sys.executable, "-m", "pytest", "-x", "-n", workers, "tests/core", "tests/reference",
             "--ignore=tests/core/test_golden_plans.py", "--ignore=tests/core/test_house.py"],
            cwd=home, env={**os.environ, "PYTHONPATH": folder}, capture_output=True, check=False,
        )  # fmt: skip
    return done.returncode != 0


def _planted(text: str, mutant: Mutant) -> str:
    lines = text.splitlines(keepends=True)
    if mutant.line:
        n = mutant.line - 1
        if mutant.old not in lines[n]:
            raise SystemExit(f"nothing to change: {mutant.name}")
        lines[n] = lines[n].replace(mutant.old, mutant.new, 1)
        return "".join(lines)
    if mutant.old not in text:
        raise SystemExit(f"nothing to change: {mutant.name}")
    return text.replace(mutant.old, mutant.new, 1)


def main() -> None:
    """Plant, test, print."""
    ask = argparse.ArgumentParser(description=__doc__)
    ask.add_argument("--sample", type=int, default=0, help="as many more, drawn at random")
    ask.add_argument("--seed", type=int, default=1)
    ask.add_argument("--workers", default="auto")
    ask.add_argument("--drawn-only", action="store_true", help="leave the named ones out")
    said = ask.parse_args()
    all_ = [*([] if said.drawn_only else NAMED), *drawn(said.sample, said.seed)]
    killed = 0
    for mutant in all_:
        hit = found(mutant, said.workers)
        killed += hit
        print(f"{'found ' if hit else 'MISSED'}  {mutant.name}", flush=True)
    score = killed / len(all_)
    print(f"{killed} of {len(all_)} found: {score:.0%}, the bar is {BAR:.0%}: {'above' if score >= BAR else 'BELOW'}")


if __name__ == "__main__":
    main()
