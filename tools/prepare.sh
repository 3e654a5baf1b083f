# Installs what is missing, for ./start, ./test and ./amvel.  Sourced; needs ROOT.  Safe to run twice and at the same time.
set -euo pipefail
ROOT=${ROOT:?}
VAR="$ROOT/var"
mkdir -p "$VAR/static"
export AMVEL_KERNELS="$VAR/kernels"  # where compiled kernels are kept, see core/src/amvel/body/compiled.py
unset PYTHONDONTWRITEBYTECODE  # some machines set it, and every process would read a thousand files as text once more
fail() { echo "amvel: $*" >&2; exit 1; }
say() { echo "amvel: $*" >&2; }

lock() { exec 9>"$VAR/prepare.lock"; flock 9; }
unlock() { flock -u 9; exec 9>&-; }

need_python() {
  command -v python3.11 >/dev/null 2>&1 && PYTHON=python3.11 || PYTHON=python3
  "$PYTHON" -c 'import sys; sys.exit(sys.version_info[:2] != (3, 11))' 2>/dev/null || fail "Python 3.11 is needed and was not found"
}

system_packages() {  # names…: installs those that dpkg does not know
  local missing=() p
  for p in "$@"; do dpkg-query -W -f='${Status}' "$p" 2>/dev/null | grep -q 'ok installed' || missing+=("$p"); done
  [ ${#missing[@]} -eq 0 ] && return 0
  command -v apt-get >/dev/null || fail "missing system packages: ${missing[*]} (no apt-get here to install them)"
  [ "$(id -u)" = 0 ] || fail "missing system packages: ${missing[*]}; install them or run once as root"
  say "installing system packages: ${missing[*]}"
  mkdir -p /etc/postgresql-common
  grep -qs '^create_main_cluster' /etc/postgresql-common/createcluster.conf || echo 'create_main_cluster = false' >>/etc/postgresql-common/createcluster.conf
  apt-get update -qq >"$VAR/apt.log" 2>&1 || fail "apt-get update failed; see var/apt.log"
  DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends -o Dpkg::Options::=--force-confold "${missing[@]}" >>"$VAR/apt.log" 2>&1 \
    || fail "could not install ${missing[*]}; see var/apt.log"
}

# The lock files name every package, so that nothing is left to resolve; what nobody imports need not be compiled.
pip_install() { "$ROOT/.venv/bin/python" -m pip install -q --disable-pip-version-check --no-deps --no-compile "$@" >>"$VAR/pip.log" 2>&1 || fail "pip failed; see var/pip.log"; }

python_packages() {
  need_python
  local want; want=$(cat "$ROOT/requirements.txt" "$ROOT/core/pyproject.toml" | sha256sum | cut -c1-16)
  [ "$(cat "$VAR/python.done" 2>/dev/null)" = "$want$ROOT" ] && [ -x "$ROOT/.venv/bin/python" ] && return 0
  say "installing Python packages into .venv"
  "$PYTHON" -m venv "$ROOT/.venv" >"$VAR/pip.log" 2>&1 || fail "python3-venv is missing; see var/pip.log"
  pip_install -r "$ROOT/requirements.txt"
  pip_install -e "$ROOT/core"
  echo "$want$ROOT" >"$VAR/python.done"
}

test_packages() {
  local want; want=$(cat "$ROOT/requirements.txt" "$ROOT/requirements-test.txt" | sha256sum | cut -c1-16)
  [ "$(cat "$VAR/python-tests.done" 2>/dev/null)" = "$want$ROOT" ] && return 0
  say "installing what only tests need into .venv"
  pip_install -r "$ROOT/requirements-test.txt"
  echo "$want$ROOT" >"$VAR/python-tests.done"
}

kernels() {
  local want; want=$(cat "$ROOT"/core/src/amvel/body/*.py "$ROOT/requirements.txt" | sha256sum | cut -c1-16)
  [ "$(cat "$VAR/kernels.done" 2>/dev/null)" = "$want$ROOT" ] && [ -d "$AMVEL_KERNELS" ] && return 0
  say "compiling the body model (once, half a minute)"
  "$ROOT/.venv/bin/python" -m amvel.warm_up >"$VAR/kernels.log" 2>&1 || fail "the body model did not compile; see var/kernels.log"
  echo "$want$ROOT" >"$VAR/kernels.done"
}

node_packages() {
  command -v npm >/dev/null || fail "Node 20 with npm is needed and was not found"
  local want; want=$(sha256sum <"$ROOT/web/package-lock.json" | cut -c1-16)
  [ "$(cat "$VAR/node.done" 2>/dev/null)" = "$want" ] && [ -d "$ROOT/web/node_modules" ] && return 0
  say "installing the web packages"
  (cd "$ROOT/web" && npm ci --no-audit --no-fund) >"$VAR/npm.log" 2>&1 || fail "npm ci failed; see var/npm.log"
  echo "$want" >"$VAR/node.done"
}

web_build() {
  local want; want=$(cd "$ROOT/web" && find src public index.html vite.config.ts package-lock.json -type f -print0 2>/dev/null | sort -z | xargs -0 sha256sum | sha256sum | cut -c1-16)
  [ "$(cat "$VAR/web.done" 2>/dev/null)" = "$want" ] && [ -f "$ROOT/web/dist/index.html" ] && return 0
  say "building the web application"
  (cd "$ROOT/web" && npm run build) >"$VAR/web.log" 2>&1 || fail "the web build failed; see var/web.log"
  echo "$want" >"$VAR/web.done"
}

POSTGRES_PACKAGES=(postgresql-15)
PAGE_PACKAGES=(libpango-1.0-0 libpangoft2-1.0-0 libharfbuzz-subset0 fonts-dejavu-core)


# What does not need each other is fetched, compiled and built side by side; each says itself what went wrong.
side_by_side() {  # commands…
  local begun=() p status=0
  for p in "$@"; do (eval "$p") & begun+=($!); done
  for p in "${begun[@]}"; do wait "$p" || status=1; done
  [ "$status" = 0 ] || exit 1
}

prepare_core() { lock; python_packages; kernels; unlock; }
prepare_pages() { lock; side_by_side 'system_packages "${PAGE_PACKAGES[@]}"' 'python_packages; kernels'; unlock; }
prepare_server() {
  lock
  side_by_side 'system_packages "${POSTGRES_PACKAGES[@]}" "${PAGE_PACKAGES[@]}"' 'python_packages; kernels' 'node_packages; web_build'
  unlock
}
prepare_tests() {
  lock
  side_by_side 'system_packages "${POSTGRES_PACKAGES[@]}" "${PAGE_PACKAGES[@]}" chromium' \
    'python_packages; side_by_side kernels test_packages' 'node_packages; web_build'
  unlock
}
