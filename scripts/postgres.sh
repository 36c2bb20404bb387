# A private PostgreSQL cluster inside the project. Sourced by ./start and ./test.
#
# pg_start NAME FAST   starts .cluster/NAME on a free loopback port; sets FERNBACK_DB_SOCKET and FERNBACK_DB_PORT
# pg_join NAME         the same where it runs already, else fails
# pg_stop              stops what pg_start started

# Empty until PostgreSQL is installed; install_postgres then sets it.
PG_BIN=$( (ls -d /usr/lib/postgresql/*/bin 2>/dev/null || true) | sort -V | tail -n 1)

pg_as() { # run as the account that may own a cluster; PostgreSQL refuses root
  # 9 is the lock of ./start: a database that outlives a killed ./start must not hold it.
  if [ "$(id -u)" = 0 ]; then (cd / && runuser -u postgres -- "$@" 9>&-); else (cd / && "$@" 9>&-); fi
}

pg_home() { # a folder that account can reach, with a socket path short enough for the kernel
  local inside="$ROOT/.cluster/$1"
  mkdir -p "$ROOT/.cluster"
  if [ "$(id -u)" = 0 ]; then chown postgres: "$ROOT/.cluster"; fi
  if [ ${#inside} -lt 80 ] && pg_as test -w "$ROOT/.cluster"; then
    echo "$inside"
    return
  fi
  local outside
  outside="/var/tmp/fernback-$(printf '%s' "$ROOT" | sha256sum | cut -c1-12)"
  mkdir -p "$outside"
  if [ "$(id -u)" = 0 ]; then chown postgres: "$outside"; fi
  chmod 700 "$outside"
  echo "$outside/$1"
}

pg_ready() { pg_as "$PG_BIN/pg_isready" -q -h "$PG_HOME/socket" -p "$FERNBACK_DB_PORT"; }

pg_init() { # a cut-short initdb never counts: the folder gets its name last
  pg_as rm -rf "$PG_HOME.new"
  pg_as mkdir -m 700 "$PG_HOME.new"
  pg_as "$PG_BIN/initdb" -D "$PG_HOME.new/data" -U postgres -E UTF8 --locale=C.UTF-8 --data-checksums \
    --auth-local=trust --auth-host=scram-sha-256 >/dev/null
  pg_as mkdir -m 700 "$PG_HOME.new/socket"
  pg_as mv "$PG_HOME.new" "$PG_HOME"
}

pg_port() { # the one used before when it is free, else any free one
  python3 - "$PG_HOME" <<'PY'
import pathlib, socket, sys
remembered = pathlib.Path(sys.argv[1], "port")
def is_free(port):
    with socket.socket() as probe:
        probe.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
        try:
            probe.bind(("127.0.0.1", port))
        except OSError:
            return False
        return True
try:
    port = int(remembered.read_text())
except (OSError, ValueError):
    port = 0
if not port or not is_free(port):
    with socket.socket() as probe:
        probe.bind(("127.0.0.1", 0))
        port = probe.getsockname()[1]
print(port)
PY
}

pg_start() {
  local name=$1 fast=${2:-}
  PG_HOME=$(pg_home "$name")
  pg_as test -d "$PG_HOME" || pg_init
  if pg_as test -f "$PG_HOME/data/postmaster.pid"; then # left by a kill, or still running: either way begin clean
    FERNBACK_DB_PORT=$(pg_as sed -n 4p "$PG_HOME/data/postmaster.pid")
    if [ -n "$FERNBACK_DB_PORT" ] && pg_ready; then
      pg_as "$PG_BIN/pg_ctl" -D "$PG_HOME/data" -m fast -w stop >/dev/null 2>&1 || true
    fi
  fi
  FERNBACK_DB_PORT=$(pg_port)
  local options="-c listen_addresses=127.0.0.1 -c port=$FERNBACK_DB_PORT -c unix_socket_directories='$PG_HOME/socket'"
  [ "$fast" = fast ] && options="$options -c fsync=off -c synchronous_commit=off -c full_page_writes=off"
  local try
  for try in 1 2 3 4 5; do
    if pg_as "$PG_BIN/pg_ctl" -D "$PG_HOME/data" -l "$PG_HOME/log" -o "$options" -w -t 60 start >/dev/null 2>&1; then break; fi
    sleep 1
  done
  if ! pg_ready; then
    echo "PostgreSQL did not start. Its log:" >&2
    pg_as tail -n 20 "$PG_HOME/log" >&2 || true
    return 1
  fi
  echo "$FERNBACK_DB_PORT" | pg_as tee "$PG_HOME/port" >/dev/null
  export FERNBACK_DB_PORT FERNBACK_DB_SOCKET="$PG_HOME/socket"
}

pg_join() { # use the cluster as it runs already; fails where it does not
  PG_HOME=$(pg_home "$1")
  pg_as test -f "$PG_HOME/data/postmaster.pid" || return 1
  FERNBACK_DB_PORT=$(pg_as sed -n 4p "$PG_HOME/data/postmaster.pid")
  [ -n "$FERNBACK_DB_PORT" ] && pg_ready || return 1
  export FERNBACK_DB_PORT FERNBACK_DB_SOCKET="$PG_HOME/socket"
}

pg_stop() {
  [ -n "${PG_HOME:-}" ] || return 0
  pg_as "$PG_BIN/pg_ctl" -D "$PG_HOME/data" -m fast -w stop >/dev/null 2>&1 || true
}

pg_ask() { # what a database answers to a statement
  pg_as "$PG_BIN/psql" -h "$FERNBACK_DB_SOCKET" -p "$FERNBACK_DB_PORT" -U postgres -d "$1" -Atqc "$2"
}

pg_database() { # make a database unless it is there
  [ -n "$(pg_ask postgres "SELECT 1 FROM pg_database WHERE datname = '$1'")" ] || pg_ask postgres "CREATE DATABASE \"$1\""
}

pg_drop() { pg_ask postgres "DROP DATABASE IF EXISTS \"$1\" WITH (FORCE)" 2>/dev/null; }
