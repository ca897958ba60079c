# A PostgreSQL of the project's own, on loopback. Sourced after common.sh.
# start_postgres NAME [SETTING=VALUE …] sets SHADBO_DATABASE_URL; stop_postgres NAME stops it.

PG_BIN=$(ls -d /usr/lib/postgresql/*/bin | sort -V | tail -n 1)

# PostgreSQL refuses to run as root, so root hands it to the system's own postgres user.
as_pg() {
  if [ "$(id -u)" = 0 ]; then (cd / && setpriv --reuid=postgres --regid=postgres --clear-groups --reset-env "$@"); else "$@"; fi
}

# The data folder is var/NAME, unless the server's user cannot reach it there.
pg_home() {
  local home="$VAR/$1"
  mkdir -p "$home"
  if [ "$(id -u)" = 0 ]; then
    chown postgres:postgres "$home"
    if ! as_pg test -w "$home" 2>/dev/null; then
      rmdir "$home" 2>/dev/null || true
      home="/var/tmp/shadbo-$(printf '%s' "$ROOT" | sha256sum | cut -c1-12)-$1"
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

start_postgres() {
  local name=$1; shift
  local home data secret port
  home=$(pg_home "$name")
  data="$home/data"
  secret="$VAR/$name.secret"
  # A checkout that was made anew has no secret any more: its old database can only be made anew too.
  if [ ! -f "$home/ready" ] || [ ! -f "$secret" ]; then
    say "making a database in $data"
    [ ! -f "$data/postmaster.pid" ] || as_pg "$PG_BIN/pg_ctl" -D "$data" -m immediate -w stop >/dev/null 2>&1 || true
    rm -f "$home/ready"
    rm -rf "$data"
    (umask 077; python3 -c 'import secrets; print(secrets.token_urlsafe(24))' >"$secret")
    cp "$secret" "$home/pw"
    [ "$(id -u)" != 0 ] || chown postgres:postgres "$home/pw"
    quietly "$name-initdb" as_pg "$PG_BIN/initdb" -D "$data" -U shadbo --pwfile="$home/pw" -A scram-sha-256 -E UTF8 --locale=C.UTF-8
    rm -f "$home/pw"
    touch "$home/ready"
  fi
  if as_pg "$PG_BIN/pg_ctl" -D "$data" status >/dev/null 2>&1; then
    port=$(as_pg sed -n 4p "$data/postmaster.pid")
    PG_STARTED=no
  else
    port=$(free_port)
    local options="-p $port -c listen_addresses=127.0.0.1 -c unix_socket_directories=''"
    local setting
    for setting in "$@"; do options+=" -c $setting"; done
    quietly "$name-start" as_pg "$PG_BIN/pg_ctl" -D "$data" -w -t 60 -l "$home/server.log" -o "$options" start
    PG_STARTED=yes
  fi
  export SHADBO_DATABASE_URL="postgresql+psycopg://shadbo:$(cat "$secret")@127.0.0.1:$port/shadbo"
  PGPASSWORD=$(cat "$secret") "$PG_BIN/createdb" -h 127.0.0.1 -p "$port" -U shadbo shadbo 2>/dev/null || true
}

stop_postgres() {
  local home
  home=$(pg_home "$1")
  as_pg "$PG_BIN/pg_ctl" -D "$home/data" -m fast -w stop >/dev/null 2>&1 || true
}
