# The web server, PHP, the workers and the scheduler, each watched. Sourced, not run.

# As root, everything that answers requests or runs jobs is www-data: they write the same files, and none needs more rights.
owner() { if is_root; then echo www-data; else id -un; fi; }
owned() { OWNED=("$@"); if is_root; then OWNED=(setpriv --reuid=www-data --regid=www-data --init-groups "${PORT_RIGHT[@]}" env HOME="$VAR" "$@"); fi; }
as_owner() { PORT_RIGHT=(); owned "$@"; "${OWNED[@]}"; }
give_to_owner() { if is_root; then chown -R "$(owner)" "$@"; fi; }

fill_in() { # template target
    sed -e "s|@ROOT@|$ROOT|g" -e "s|@RUN@|$RUN|g" -e "s|@PORT@|$WEB_PORT|g" -e "s|@HOSTS@|$WEB_HOSTS|g" -e "s|@BIND@|${QUARRY_BIND:-127.0.0.1}|g" \
        -e "s|@HSTS@|$WEB_HSTS|g" -e "s|@PROXIES@|$WEB_PROXIES|g" -e "s|@URL@|$APP_URL|g" "$ROOT/deploy/$1" >"$2"
}

# Settings and routes in one file each, and views compiled, made anew at every start: doing it in a request costs 4 ms. The settings
# hold the key and the database's password, so only their owner reads them.
prepare_settings() {
    PREPARED_FILES=(APP_CONFIG_CACHE="$RUN/config.php" APP_ROUTES_CACHE="$RUN/routes.php" APP_EVENTS_CACHE="$RUN/events.php")
    rm -f "$RUN/config.php" "$RUN/routes.php" "$RUN/events.php"
    (umask 077; cd "$ROOT"; env "${PREPARED_FILES[@]}" php artisan optimize --quiet) || die "The settings could not be put together."
}

start_web() { # port
    WEB_PORT=$1 RUN=$VAR/run/web-$1 PORT_RIGHT=()
    local host=${APP_URL#*://}; host=${host%%[:/]*}
    WEB_HOSTS='127.0.0.1 localhost'
    [[ " $WEB_HOSTS " == *" $host "* ]] || WEB_HOSTS="$host $WEB_HOSTS"
    WEB_HSTS='' WEB_PROXIES=''
    [[ $APP_URL == https://* ]] && WEB_HSTS='header ?Strict-Transport-Security "max-age=31536000"'
    [ -n "${QUARRY_PROXIES:-}" ] && WEB_PROXIES="trusted_proxies ${QUARRY_PROXIES//,/ }"
    mkdir -p "$RUN/caddy"
    fill_in php-fpm.conf "$RUN/php-fpm.conf"
    fill_in php-fpm-heavy.conf "$RUN/php-fpm-heavy.conf"
    fill_in Caddyfile "$RUN/Caddyfile"
    # A scan folder without coverage tools: they cost milliseconds on every request.
    rm -rf "$RUN/php"; mkdir -p "$RUN/php"
    for file in /etc/php/8.2/fpm/conf.d/*.ini; do case $file in *pcov*|*xdebug*) ;; *) ln -s "$file" "$RUN/php/" ;; esac; done
    prepare_settings
    give_to_owner "$QUARRY_STORAGE" "$ROOT/bootstrap/cache" "$RUN"
    owned env PHP_INI_SCAN_DIR="$RUN/php" "${PREPARED_FILES[@]}" php-fpm8.2 --nodaemonize --fpm-config "$RUN/php-fpm.conf"
    watch_over "php-fpm-$1" TERM "${OWNED[@]}"
    owned env PHP_INI_SCAN_DIR="$RUN/php" "${PREPARED_FILES[@]}" nice -n 3 php-fpm8.2 --nodaemonize --fpm-config "$RUN/php-fpm-heavy.conf"
    watch_over "php-fpm-heavy-$1" TERM "${OWNED[@]}"
    [ "$1" -ge 1024 ] || PORT_RIGHT=(--inh-caps=+net_bind_service --ambient-caps=+net_bind_service)
    owned env XDG_DATA_HOME="$RUN/caddy" XDG_CONFIG_HOME="$RUN/caddy" caddy run --config "$RUN/Caddyfile" --adapter caddyfile
    PORT_RIGHT=()
    watch_over "caddy-$1" TERM "${OWNED[@]}"
    local tries=0
    until curl -fs -o /dev/null "http://127.0.0.1:$1/up/live"; do
        tries=$((tries + 1))
        [ $tries -lt 200 ] || { tail -n 5 "$VAR/log/php-fpm-$1.log" "$VAR/log/caddy-$1.log" >&2; die "The application did not start."; }
        sleep 0.1
    done
}

# Two workers: one for quick work only, so that large files never hold up small ones; the other takes large ones first. QueueBell makes
# them wait for jobs, so Laravel's own pause between two looks is 0. Mail is tried five times, a minute apart; other work says itself how
# often (BackgroundWork).
start_worker() { # [suffix]
    local suffix=${1:-} common=(--quiet --sleep=0 --max-time=3600 --memory=512 --tries=5 --backoff=60)
    PORT_RIGHT=()
    owned env QUARRY_WORKER="quick$suffix" php -d memory_limit=1G "$ROOT/artisan" queue:work "${common[@]}" --queue=quick
    watch_over "worker-quick$suffix" TERM "${OWNED[@]}"
    owned env QUARRY_WORKER="any$suffix" php -d memory_limit=1G "$ROOT/artisan" queue:work "${common[@]}" --queue=large,quick
    watch_over "worker-any$suffix" TERM "${OWNED[@]}"
}

# Runs what is due: old files, prints, keys and sessions are deleted.
start_scheduler() { PORT_RIGHT=(); owned php "$ROOT/artisan" schedule:work --quiet; watch_over scheduler TERM "${OWNED[@]}"; }
