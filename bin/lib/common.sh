# Shared by bin/start, bin/test and bin/bench: paths, messages and what has to be installed. Sourced, not run.
ROOT=$(cd "$(dirname "${BASH_SOURCE[0]}")/../.." && pwd)
# QUARRY_VAR puts database, files and settings elsewhere, so that several installations can run from one checkout.
VAR=${QUARRY_VAR:-$ROOT/var}
BUILD=$ROOT/var
# php-fpm and chromium's helpers are in the system folders, which an ordinary user's PATH may lack
export PATH=$PATH:/usr/sbin:/sbin
PACKAGES="php8.2-cli php8.2-fpm php8.2-pgsql php8.2-zip php8.2-gd php8.2-intl php8.2-mbstring php8.2-xml php8.2-curl php8.2-bcmath
    php8.2-gmp php-league-config composer postgresql caddy chromium chromium-headless-shell nodejs npm unzip poppler-utils fonts-stix
    libvips-tools pandoc gnumeric coinor-cbc"

say() { printf '%s\n' "$*" >&2; }
die() { say "$*"; exit 1; }
# Hides a program's output unless it fails.
quietly() {
    local log; log=$(mktemp)
    "$@" >"$log" 2>&1 || { cat "$log" >&2; rm -f "$log"; return 1; }
    rm -f "$log"
}
is_root() { [ "$(id -u)" = 0 ]; }

missing_packages() {
    local name
    for name in $PACKAGES; do
        case $name in
            postgresql) [ -n "$(find_postgres)" ] ;;
            composer|caddy|chromium|chromium-headless-shell) command -v "$name" >/dev/null ;;
            nodejs) command -v node >/dev/null ;;
            npm) command -v npm >/dev/null ;;
            *) dpkg -s "$name" >/dev/null 2>&1 ;;
        esac || printf '%s ' "$name"
    done
}

install_packages() {
    local missing; missing=$(missing_packages)
    [ -z "$missing" ] && return
    is_root || die "Some Debian packages are missing. Run this once, then start again:
  sudo apt-get update && sudo apt-get install --no-install-recommends $missing"
    say "Installing $missing…"
    quietly apt-get update || die "apt-get update failed."
    # shellcheck disable=SC2086
    DEBIAN_FRONTEND=noninteractive quietly apt-get -y -o DPkg::Lock::Timeout=400 --no-install-recommends install $missing \
        || die "The packages could not be installed."
    PG_BIN=$(find_postgres)
}

# Runs a step only when the files it depends on have changed since it last succeeded.
when_changed() {
    local name=$1 hash; shift
    hash=$(cat "${WATCHED[@]}" 2>/dev/null | sha256sum | cut -d' ' -f1)
    [ "$(cat "$BUILD/done/$name" 2>/dev/null)" = "$hash" ] && return
    "$@" || return 1
    mkdir -p "$BUILD/done"; printf %s "$hash" >"$BUILD/done/$name"
}

composer_install() {
    say "Installing PHP packages…"
    export COMPOSER_ALLOW_SUPERUSER=1
    local pins=() update=(composer --working-dir="$ROOT" update --no-interaction --no-progress)
    mapfile -t pins < <(grep -v '^#' "$ROOT/composer.pins" | sed 's/^/--with=/')
    if ! quietly "${update[@]}" "${pins[@]}"; then
        say "Not every pinned version (composer.pins) can be had here; trying the newest that fit composer.json."
        quietly "${update[@]}" || limited_composer_install
    fi
    chmod -R a+rX "$ROOT/vendor" # Composer as root leaves some files that PHP-FPM's user cannot read
}

# For registries that lack some of Laravel's packages: the Symfony monolith and Debian's league/config stand in for them.
limited_composer_install() {
    say "The registry lacks packages of composer.json; using the stand-ins of bin/lib/composer.limited.json."
    php -r '[, $whole, $more, $to] = $argv;
        $json = json_decode(file_get_contents($whole), true);
        foreach (json_decode(file_get_contents($more), true) as $key => $values) $json[$key] = [...($json[$key] ?? []), ...$values];
        file_put_contents($to, json_encode($json, JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES));' \
        "$ROOT/composer.json" "$ROOT/bin/lib/composer.limited.json" "$ROOT/composer.local.json"
    COMPOSER=composer.local.json quietly composer --working-dir="$ROOT" update --no-interaction --no-progress \
        || die "The PHP packages could not be installed."
}

node_install() {
    local how=install
    [ -f "$ROOT/package-lock.json" ] && how=ci
    say "Installing front-end packages…"
    (cd "$ROOT" && quietly npm $how --no-audit --no-fund) || die "The front-end packages could not be installed."
}
build_front() { say "Building the front end…"; (cd "$ROOT" && quietly npx vite build) || die "The front end could not be built."; }

storage_folders() {
    mkdir -p "$1/app/private" "$1/app/stand-ins" "$1/logs" "$1/framework/cache/data" "$1/framework/sessions" "$1/framework/views"
}

install_dependencies() {
    storage_folders "$VAR/storage"
    mkdir -p "$VAR/run" "$VAR/log" "$BUILD/done"
    [ -d "$ROOT/vendor/laravel" ] || rm -f "$BUILD/done/composer"
    [ -d "$ROOT/node_modules/vite" ] || rm -f "$BUILD/done/node"
    [ -f "$ROOT/public/build/manifest.json" ] || rm -f "$BUILD/done/front"
    WATCHED=("$ROOT/composer.json" "$ROOT/composer.pins"); when_changed composer composer_install
    WATCHED=("$ROOT/package.json" "$ROOT/package-lock.json"); when_changed node node_install
    mapfile -t WATCHED < <(
        find "$ROOT/resources/js" "$ROOT/resources/css" "$ROOT/vite.config.ts" "$ROOT/package.json" -type f | LC_ALL=C sort
    )
    when_changed front build_front
}

port_free() { ! (exec 3<>"/dev/tcp/127.0.0.1/$1") 2>/dev/null; }
free_port() { local port=$1; until port_free "$port"; do port=$((port + 1)); done; printf %s "$port"; }

# Writes standard input to a file that only its owner can read, replacing it in one step.
write_secret() { local new=$1.$BASHPID.new; (umask 077; cat >"$new" && mv "$new" "$1"); }

. "$ROOT/bin/lib/watch.sh"
. "$ROOT/bin/lib/postgres.sh"
. "$ROOT/bin/lib/settings.sh"
. "$ROOT/bin/lib/services.sh"
