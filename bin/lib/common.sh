# Shared by bin/start and bin/test: installing what is missing, the private PostgreSQL, settings. Sourced, not run.
ROOT=$(cd "$(dirname "${BASH_SOURCE[0]}")/../.." && pwd)
VAR=$ROOT/var
PG_BIN=/usr/lib/postgresql/15/bin
PACKAGES="php8.2-cli php8.2-fpm php8.2-pgsql php8.2-zip php8.2-gd php8.2-intl php8.2-mbstring php8.2-xml php8.2-curl php8.2-bcmath php-league-config composer postgresql-15 caddy chromium nodejs npm unzip poppler-utils fonts-stix"
PG_STARTED=
WEB_PIDS=() WORKERS=()

say() { printf '%s\n' "$*" >&2; }
die() { say "$*"; exit 1; }
# For other programs' noise: shown only when they fail.
quietly() { local log; log=$(mktemp); "$@" >"$log" 2>&1 || { cat "$log" >&2; rm -f "$log"; return 1; }; rm -f "$log"; }

missing_packages() {
    local name
    for name in $PACKAGES; do
        case $name in
            composer|caddy|chromium) command -v "$name" >/dev/null ;;
            nodejs) command -v node >/dev/null ;;
            npm) command -v npm >/dev/null ;;
            *) dpkg -s "$name" >/dev/null 2>&1 ;;
        esac || printf '%s ' "$name"
    done
}

install_packages() {
    local missing; missing=$(missing_packages)
    [ -z "$missing" ] && return
    [ "$(id -u)" = 0 ] || die "Some Debian packages are missing. Run this once, then start again:
  sudo apt-get update && sudo apt-get install --no-install-recommends $missing"
    say "Installing $missing…"
    quietly apt-get update || die "apt-get update failed."
    # shellcheck disable=SC2086
    DEBIAN_FRONTEND=noninteractive quietly apt-get -y -o DPkg::Lock::Timeout=400 --no-install-recommends install $missing || die "The packages could not be installed."
}

# Runs a step only when the file it depends on has changed since it last succeeded.
when_changed() {
    local name=$1 hash; shift
    hash=$(cat "${WATCHED[@]}" 2>/dev/null | sha256sum | cut -d' ' -f1)
    [ "$(cat "$VAR/done/$name" 2>/dev/null)" = "$hash" ] && return
    "$@" || return 1
    mkdir -p "$VAR/done"; printf %s "$hash" >"$VAR/done/$name"
}

composer_install() {
    say "Installing PHP packages…"
    export COMPOSER_ALLOW_SUPERUSER=1
    quietly composer --working-dir="$ROOT" update --no-interaction --no-progress || die "The PHP packages could not be installed."
    chmod -R a+rX "$ROOT/vendor" # Composer as root leaves some files that PHP-FPM's user cannot read
}
node_install() {
    say "Installing front-end packages…"
    if [ -f "$ROOT/package-lock.json" ]; then (cd "$ROOT" && quietly npm ci --no-audit --no-fund); else (cd "$ROOT" && quietly npm install --no-audit --no-fund); fi || die "The front-end packages could not be installed."
}
build_front() { say "Building the front end…"; (cd "$ROOT" && quietly npx vite build) || die "The front end could not be built."; }

storage_folders() { mkdir -p "$1/app/private" "$1/logs" "$1/framework/cache/data" "$1/framework/sessions" "$1/framework/views"; }

install_dependencies() {
    storage_folders "$VAR/storage"
    mkdir -p "$VAR/run" "$VAR/done"
    [ -d "$ROOT/vendor/laravel" ] || rm -f "$VAR/done/composer"
    [ -d "$ROOT/node_modules/vite" ] || rm -f "$VAR/done/node"
    [ -f "$ROOT/public/build/manifest.json" ] || rm -f "$VAR/done/front"
    WATCHED=("$ROOT/composer.json"); when_changed composer composer_install
    WATCHED=("$ROOT/package.json" "$ROOT/package-lock.json"); when_changed node node_install
    mapfile -t WATCHED < <(find "$ROOT/resources/js" "$ROOT/resources/css" "$ROOT/vite.config.ts" "$ROOT/package.json" -type f | LC_ALL=C sort); when_changed front build_front
}

port_free() { ! (exec 3<>"/dev/tcp/127.0.0.1/$1") 2>/dev/null; }
free_port() { local port=$1; until port_free "$port"; do port=$((port + 1)); done; printf %s "$port"; }

as_postgres() { if [ "$(id -u)" = 0 ]; then setpriv --reuid=postgres --regid=postgres --init-groups env HOME="$VAR/postgres" "$@"; else "$@"; fi; }

# A cluster of our own on loopback. fsync is off: it holds a demo and tests; deploy/ says how a real one is kept.
start_postgres() {
    local data=$VAR/postgres/data
    if [ ! -f "$data/PG_VERSION" ]; then
        mkdir -p "$VAR/postgres"; [ "$(id -u)" = 0 ] && chown postgres "$VAR/postgres"
        quietly as_postgres "$PG_BIN/initdb" -D "$data" -E UTF8 --locale=C.UTF-8 --auth=trust -U quarry || die "PostgreSQL could not make its data folder $data."
    fi
    PG_PORT=$(cat "$VAR/run/postgres.port" 2>/dev/null || echo 55432)
    if ! as_postgres "$PG_BIN/pg_ctl" -D "$data" status >/dev/null 2>&1; then
        PG_PORT=$(free_port "$PG_PORT")
        quietly as_postgres "$PG_BIN/pg_ctl" -D "$data" -l "$VAR/postgres/log" -w -o "-c listen_addresses=127.0.0.1 -c port=$PG_PORT -c unix_socket_directories='' -c fsync=off -c synchronous_commit=off -c full_page_writes=off -c shared_buffers=256MB -c jit=off -c random_page_cost=1.1 -c effective_cache_size=2GB -c work_mem=16MB" start || die "PostgreSQL did not start; see $VAR/postgres/log."
        printf %s "$PG_PORT" >"$VAR/run/postgres.port"
        PG_STARTED=1
    fi
}
stop_postgres() { [ -n "$PG_STARTED" ] && as_postgres "$PG_BIN/pg_ctl" -D "$VAR/postgres/data" -m fast stop >/dev/null 2>&1; PG_STARTED=; }
sql() { psql -h 127.0.0.1 -p "$PG_PORT" -U quarry -Atq -d "${2:-postgres}" -c "$1"; }
fresh_database() { sql "DROP DATABASE IF EXISTS $1 WITH (FORCE)" 2>/dev/null; sql "CREATE DATABASE $1"; }
make_database() { [ "$(sql "SELECT 1 FROM pg_database WHERE datname = '$1'")" = 1 ] || sql "CREATE DATABASE $1"; }

# What the application is told; nothing is read from a file, so nothing can be left over.
app_environment() { settings "$@"; write_env; }
settings() { # database port
    local key=$VAR/run/key
    [ -f "$key" ] || (umask 077; printf 'base64:%s' "$(head -c32 /dev/urandom | base64)" >"$key")
    export APP_KEY; APP_KEY=$(cat "$key")
    export APP_URL="http://127.0.0.1:$2" SANCTUM_STATEFUL_DOMAINS="127.0.0.1:$2,localhost:$2" DB_CONNECTION=pgsql DB_HOST=127.0.0.1 DB_PORT="$PG_PORT" DB_DATABASE="$1" DB_USERNAME=quarry DB_PASSWORD='' \
        SESSION_DRIVER=database CACHE_STORE=database QUEUE_CONNECTION=database LOG_CHANNEL=single MAIL_MAILER=log SESSION_SECURE_COOKIE=false APP_NAME='Wide Quarry'
}
# bin/quarry started by hand finds the same settings here.
write_env() { (umask 022; env | grep -E '^(APP_(KEY|URL|NAME|ENV|DEBUG)|SANCTUM_STATEFUL_DOMAINS|DB_|SESSION_|CACHE_STORE|QUEUE_CONNECTION|LOG_CHANNEL|MAIL_MAILER|QUARRY_)' | sed -E 's/^([A-Z_]+)=(.*)$/\1="\2"/' | LC_ALL=C sort >"$ROOT/.env.new" && mv "$ROOT/.env.new" "$ROOT/.env"); }

owner() { if [ "$(id -u)" = 0 ]; then echo www-data; else id -un; fi; }

# The worker and PHP-FPM write the same files, so they are the same user.
owned() { OWNED=("$@"); if [ "$(id -u)" = 0 ]; then OWNED=(setpriv --reuid=www-data --regid=www-data --init-groups env HOME="$VAR" "$@"); fi; }
as_owner() { owned "$@"; "${OWNED[@]}"; }

start_web() { # port
    local port=$1 user run=$VAR/run/web-$1; user=$(owner); mkdir -p "$run"
    [ "$(id -u)" = 0 ] && chown -R www-data "${QUARRY_STORAGE:-$VAR/storage}" "$ROOT/bootstrap/cache"
    sed -e "s|@RUN@|$run|g" -e "s|@USER@|$user|g" "$ROOT/deploy/php-fpm.conf" >"$run/php-fpm.conf"
    sed -e "s|@ROOT@|$ROOT|g" -e "s|@RUN@|$run|g" -e "s|@PORT@|$port|g" "$ROOT/deploy/Caddyfile" >"$run/Caddyfile"
    # A scan folder without coverage tools: they cost milliseconds on every request.
    rm -rf "$run/php"; mkdir -p "$run/php"
    for file in /etc/php/8.2/fpm/conf.d/*.ini; do case $file in *pcov*|*xdebug*) ;; *) ln -s "$file" "$run/php/" ;; esac; done
    PHP_INI_SCAN_DIR=$run/php php-fpm8.2 --nodaemonize --fpm-config "$run/php-fpm.conf" $([ "$(id -u)" = 0 ] && echo --allow-to-run-as-root) >"$run/php-fpm.log" 2>&1 &
    WEB_PIDS+=($!)
    XDG_DATA_HOME=$run caddy run --config "$run/Caddyfile" --adapter caddyfile >"$run/caddy.log" 2>&1 &
    WEB_PIDS+=($!)
    local tries=0
    until curl -fs -o /dev/null "http://127.0.0.1:$port/up"; do
        tries=$((tries + 1)); [ $tries -gt 100 ] && { tail -n 5 "$run/php-fpm.log" "$run/caddy.log" >&2; die "The application did not start."; }
        sleep 0.1
    done
}
# A worker ends when the database goes away for a moment; another takes its place. The child is the worker itself, not a shell around it, so that
# nothing outlives the end and holds a pipe open.
start_worker() { (trap 'kill $child 2>/dev/null; exit' TERM; owned php artisan queue:work --quiet --sleep=0.5 --tries=3 --max-time=3600; while true; do "${OWNED[@]}" & child=$!; wait $child || true; sleep 1; done) & WORKER=$!; WORKERS+=("$WORKER"); }
stop_worker() { local pid; for pid in "${WORKERS[@]:-}"; do [ -n "$pid" ] && kill "$pid" 2>/dev/null; done; WORKERS=(); }

stop_web() { local pid; for pid in "${WEB_PIDS[@]:-}"; do [ -n "$pid" ] && kill "$pid" 2>/dev/null && wait "$pid" 2>/dev/null; done; WEB_PIDS=(); }
