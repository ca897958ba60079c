# A PostgreSQL of the project's own, on loopback. Sourced after common.sh.
# start_postgres NAME [SETTING=VALUE …] sets SHADBO_DATABASE_URL; stop_postgres NAME stops it, unless another
# start still uses it. No start ever deletes data: a folder is used, mended, or refused with the way out.

PG_BIN=$(ls -d /usr/lib/postgresql/*/bin 2>/dev/null | sort -V | tail -n 1)
PG_LIB=${SHADBO_LIB:-/var/lib/shadbo}

# PostgreSQL refuses to run as root, so root hands it to the system's own postgres user.
# What it starts does not hold this shell's locks.
as_pg() (
  [ -z "${PG_USED:-}" ] || exec {PG_USED}>&-
  [ -z "${PG_STARTING:-}" ] || exec {PG_STARTING}>&-
  if [ "$(id -u)" = 0 ]; then cd / && setpriv --reuid=postgres --regid=postgres --clear-groups --reset-env "$@"; else "$@"; fi
)

# The data folder is var/NAME, unless the server's user cannot reach it there: then it is in /var/lib/shadbo, under
# a name of this checkout's own. What an earlier version put under /var/tmp is moved from there, where it may be swept.
pg_home() {
  local home="$VAR/$1" mine swept
  mkdir -p "$home"
  if [ "$(id -u)" = 0 ]; then
    chown postgres:postgres "$home"
    if ! as_pg test -w "$home" 2>/dev/null; then
      rmdir "$home" 2>/dev/null || true
      mine="$(printf '%s' "$ROOT" | sha256sum | cut -c1-12)-$1"
      home="$PG_LIB/$mine"
      swept="/var/tmp/shadbo-$mine"
      mkdir -p "$PG_LIB"
      chmod 711 "$PG_LIB"
      if [ -d "$swept/data" ] && [ ! -e "$home" ]; then
        if as_pg "$PG_BIN/pg_ctl" -D "$swept/data" status >/dev/null 2>&1; then
          home=$swept  # it runs there now; it is moved at the next start
        else
          say "moving the data from $swept to $home"
          mv "$swept" "$home"
        fi
      fi
      mkdir -p "$home"
      chown postgres:postgres "$home"
    fi
  fi
  chmod 700 "$home"
  printf '%s' "$home"
}

free_port() {
  python3 -c 'import socket; s = socket.socket(); s.bind(("127.0.0.1", 0)); print(s.getsockname()[1])'
}

# The server's programs for what the folder holds; refuses a folder that no installed server can read.
pg_bin_for() {
  local data=$1 has
  has=$(as_pg cat "$data/PG_VERSION")
  if [ -x "/usr/lib/postgresql/$has/bin/postgres" ]; then
    printf '/usr/lib/postgresql/%s/bin' "$has"
    return 0  # in a trap a bare one would say what failed before it, and the server would stay up
  fi
  local now
  now=$(basename "$(dirname "$PG_BIN")")
  die "the data in $data is PostgreSQL $has's, and only $now is installed. Nothing was changed. Install postgresql-$has and
  start again; or bring the data over: apt-get install postgresql-$has, then as the user who owns the folder
  $PG_BIN/initdb -D $data-$now -U shadbo && $PG_BIN/pg_upgrade -U shadbo -b /usr/lib/postgresql/$has/bin -B $PG_BIN -d $data -D $data-$now
  and rename $data-$now to $data."
}

# A new cluster is made beside its place and moved there when it is whole, so that what stands there always is.
pg_make() {
  local home=$1 data=$2 secret=$3 fresh
  say "making a database in $data"
  (umask 077; python3 -c 'import secrets; print(secrets.token_urlsafe(24))' >"$secret")
  fresh=$(as_pg mktemp -d "$home/new.XXXXXX")
  cp "$secret" "$home/pw"
  [ "$(id -u)" != 0 ] || chown postgres:postgres "$home/pw"
  quietly "$(basename "$home")-initdb" as_pg "$PG_BIN/initdb" -D "$fresh" -U shadbo --pwfile="$home/pw" -A scram-sha-256 -E UTF8 --locale=C.UTF-8
  rm -f "$home/pw"
  as_pg mv -T "$fresh" "$data"
}

# The secret is only a password on loopback: where it is missing, a new one is given to the database that is there.
pg_new_secret() {
  local home=$1 data=$2 secret=$3 bin=$4 word
  say "the secret of the database in $data is missing; it gets a new one"
  if as_pg "$bin/pg_ctl" -D "$data" status >/dev/null 2>&1; then as_pg "$bin/pg_ctl" -D "$data" -m fast -w stop >/dev/null; fi
  word=$(python3 -c 'import secrets; print(secrets.token_urlsafe(24))')
  printf "alter role shadbo with login superuser password '%s'\n" "$word" |
    quietly "$(basename "$home")-secret" as_pg "$bin/postgres" --single -D "$data" postgres
  (umask 077; printf '%s\n' "$word" >"$secret")
}

start_postgres() {
  [ -n "$PG_BIN" ] || die "PostgreSQL is not installed: script/setup installs it"
  local name=$1; shift
  PG_HOME=$(pg_home "$name")
  local data="$PG_HOME/data" secret="$VAR/$name.secret" bin=$PG_BIN
  # One start at a time makes or mends the folder; all that use it hold a shared lock.
  exec {PG_STARTING}>"$VAR/$name.starting"
  flock "$PG_STARTING"
  exec {PG_USED}>"$VAR/$name.used"
  flock -s "$PG_USED"
  if [ -z "$(ls -A "$data" 2>/dev/null)" ]; then
    [ ! -d "$data" ] || rmdir "$data"
    pg_make "$PG_HOME" "$data" "$secret"
  elif ! as_pg test -f "$data/PG_VERSION" || ! as_pg test -f "$data/global/pg_control"; then
    die "$data holds something, and no whole database. Nothing was changed. Look into it, move it away, and start again;
  a copy that 'shadbo backup' made is brought back by 'shadbo restore'."
  else
    bin=$(pg_bin_for "$data")
    [ -s "$secret" ] || pg_new_secret "$PG_HOME" "$data" "$secret" "$bin"
  fi
  PG_OPTIONS=("$@")
  PG_PORT=
  pg_up "$name" "$bin" "$data"
  export SHADBO_DATABASE_URL="postgresql+psycopg://shadbo:$(cat "$secret")@127.0.0.1:$PG_PORT/shadbo"
  local had
  had=$(LC_ALL=C PGPASSWORD=$(cat "$secret") "$bin/psql" -h 127.0.0.1 -p "$PG_PORT" -U shadbo -d postgres -Atc \
    "select count(*) from pg_database where datname = 'shadbo'" 2>"$LOGS/$name-secret.log") || had=
  if [ -z "$had" ] && grep -q "password authentication failed" "$LOGS/$name-secret.log"; then
    pg_new_secret "$PG_HOME" "$data" "$secret" "$bin"
    PG_PORT=
    pg_up "$name" "$bin" "$data"
    export SHADBO_DATABASE_URL="postgresql+psycopg://shadbo:$(cat "$secret")@127.0.0.1:$PG_PORT/shadbo"
    had=$(PGPASSWORD=$(cat "$secret") "$bin/psql" -h 127.0.0.1 -p "$PG_PORT" -U shadbo -d postgres -Atc \
      "select count(*) from pg_database where datname = 'shadbo'")
  fi
  [ -n "$had" ] || die "the database in $data does not answer: $(cat "$LOGS/$name-secret.log")"
  [ "$had" != 0 ] || PGPASSWORD=$(cat "$secret") "$bin/createdb" -h 127.0.0.1 -p "$PG_PORT" -U shadbo shadbo
  flock -u "$PG_STARTING"
}

# Starts the server where none runs, on the port that it had where it ran before.
pg_up() {
  local name=$1 bin=$2 data=$3 setting options
  if as_pg "$bin/pg_ctl" -D "$data" status >/dev/null 2>&1; then
    PG_PORT=$(as_pg sed -n 4p "$data/postmaster.pid")
    return
  fi
  PG_PORT=${PG_PORT:-$(free_port)}
  options="-p $PG_PORT -c listen_addresses=127.0.0.1 -c unix_socket_directories=''"
  for setting in "${PG_OPTIONS[@]}"; do options+=" -c $setting"; done
  quietly "$name-start" as_pg "$bin/pg_ctl" -D "$data" -w -t 60 -l "$(dirname "$data")/server.log" -o "$options" start
}

# Looks every two seconds, and starts a server again that has died; run in the background beside what uses it.
watch_postgres() {
  local name=$1 bin data="$PG_HOME/data"
  bin=$(pg_bin_for "$data")
  while sleep 2; do
    as_pg "$bin/pg_ctl" -D "$data" status >/dev/null 2>&1 && continue
    say "the database has stopped; it is started again"
    (pg_up "$name" "$bin" "$data") || say "the database could not be started again: see $PG_HOME/server.log"
  done
}

# Stops the server when nobody else has it: the last one to leave gets the lock for itself.
stop_postgres() {
  local name=$1 home bin
  home=${PG_HOME:-$(pg_home "$name")}
  [ -z "${PG_USED:-}" ] || flock -u "$PG_USED"
  exec {PG_LAST}>"$VAR/$name.used"
  flock -xn "$PG_LAST" || return 0
  bin=$(pg_bin_for "$home/data" 2>/dev/null) || return 0  # a folder that was refused has no server of ours
  as_pg "$bin/pg_ctl" -D "$home/data" -m fast -w stop >/dev/null 2>&1 || true
}
