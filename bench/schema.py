"""Many requests that a schema-based generator makes of every operation, and what was not as declared: few to print.

python -m bench.schema --examples 500
"""

import argparse
import os
import re
import subprocess
import sys
import time


def main() -> None:
    parser = argparse.ArgumentParser(description=__doc__)
    parser.add_argument("--examples", type=int, default=300, help="how many of each operation")
    args = parser.parse_args()
    begun = time.monotonic()
    command = [sys.executable, "-m", "pytest", "-q", "tests/web/test_schema.py", "-n", "2", "--no-header"]
    done = subprocess.run(
        command, env={**os.environ, "SHADBO_SCHEMA_EXAMPLES": str(args.examples)}, capture_output=True, text=True
    )
    wrong = re.findall(r"- (ST\d+ .*)", done.stdout)
    for line in sorted(set(wrong)):
        print(f"{wrong.count(line)} × {line}")
    print(done.stdout.splitlines()[-1])
    print(f"{args.examples} of each operation, {time.monotonic() - begun:.0f} s, {len(wrong)} not as declared")
    raise SystemExit(done.returncode)


if __name__ == "__main__":
    main()
