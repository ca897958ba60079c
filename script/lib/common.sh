# What the commands share. Sourced, never run; ROOT is the checkout.
set -euo pipefail
ROOT=$(cd "$(dirname "${BASH_SOURCE[0]}")/../.." && pwd)
VAR="$ROOT/var"
mkdir -p "$VAR"
LOGS="$VAR/log"
mkdir -p "$LOGS"
unset PYTHONDONTWRITEBYTECODE  # each process that serves, works or tests would compile everything anew

say() { printf '· %s\n' "$*" >&2; }
die() { printf 'shadbo: %s\n' "$*" >&2; exit 1; }

# Run a step with its output in a log; show the log's end when it fails.
quietly() {
  local name=$1; shift
  if ! "$@" >"$LOGS/$name.log" 2>&1; then
    tail -n 40 "$LOGS/$name.log" >&2
    die "$name failed; the whole output is in $LOGS/$name.log"
  fi
}

as_root() {
  if [ "$(id -u)" = 0 ]; then "$@"
  elif command -v sudo >/dev/null; then sudo "$@"
  else die "needs root or sudo for: $*"; fi
}

# True when the stamp file was written for exactly these files' contents.
fresh() {
  local stamp=$1; shift
  [ -f "$stamp" ] && [ "$(cat "$stamp")" = "$(cat "$@" | sha256sum)" ]
}
stamp() { local stamp=$1; shift; cat "$@" | sha256sum >"$stamp"; }
