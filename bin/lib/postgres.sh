# A PostgreSQL cluster of our own, reached through a private socket only. Sourced, not run.
# The newest PostgreSQL from 15 on: Debian's folders first, then wherever pg_config says.
find_postgres() {
    local bin
    for bin in $(ls -d /usr/lib/postgresql/*/bin 2>/dev/null | sort -t/ -k5 -n -r) "$(pg_config --bindir 2>/dev/null)"; do
        [ -x "$bin/postgres" ] || continue
        [ "$("$bin/postgres" --version | sed 's/[^0-9]*\([0-9]*\).*/\1/')" -ge 15 ] && { printf %s "$bin"; return; }
    done
}
PG_BIN=$(find_postgres)

as_postgres() {
    if is_root; then setpriv --reuid=postgres --regid=postgres --init-groups env HOME="$PG_HOME" "$@"; else "$@"; fi
}
# The superuser is the system user who owns the cluster; nobody else can become it.
pg_admin_name() { if is_root; then echo postgres; else id -un; fi; }

# Durability settings stay at PostgreSQL's defaults (fsync, synchronous_commit and full_page_writes on). Only tests, whose data is
# thrown away, ask for "fast". Error messages leave out statements and rows: they hold people's questions.
pg_options() { # durable|fast
    printf '%s\n' -c "listen_addresses=" -c "unix_socket_directories=$PG_SOCKET" -c shared_buffers=256MB -c jit=off \
        -c random_page_cost=1.1 -c effective_cache_size=2GB -c work_mem=16MB -c max_wal_size=4GB -c wal_compression=lz4 \
        -c log_error_verbosity=terse \
        -c log_min_error_statement=panic
    if [ "$1" = fast ]; then printf '%s\n' -c fsync=off -c synchronous_commit=off -c full_page_writes=off; fi
}

# Everybody on the machine could connect through trust authentication, so: the owner by system user, all others by password.
pg_access() { printf 'local all %s peer\nlocal all all scram-sha-256\n' "$(pg_admin_name)" | as_postgres tee "$1/pg_hba.conf" >/dev/null; }

pg_folders() {
    mkdir -p "$PG_HOME" "$PG_SOCKET"
    if is_root; then chown postgres "$PG_HOME" "$PG_SOCKET"; chgrp "$(owner)" "$PG_SOCKET"; chmod 0700 "$PG_HOME"; fi
    chmod 0750 "$PG_SOCKET"
}

pg_init() { # data folder
    quietly as_postgres "$PG_BIN/initdb" -D "$1" -E UTF8 --locale=C.UTF-8 --auth=peer -U "$(pg_admin_name)" \
        || die "PostgreSQL could not create its data folder $1."
}

pg_admin() { as_postgres psql -h "$PG_SOCKET" -U "$(pg_admin_name)" -d "${2:-postgres}" -Atqc "$1"; }
pg_ready() { as_postgres "$PG_BIN/pg_isready" -q -h "$PG_SOCKET"; }
pg_wait() {
    local tries=0
    until pg_ready; do
        tries=$((tries + 1)); [ $tries -lt 600 ] || die "PostgreSQL did not start; see $VAR/log/$PG_NAME.log."
        sleep 0.1
    done
}

start_postgres() { # [name] [durable|fast]
    PG_NAME=${1:-postgres}
    PG_HOME=$VAR/$PG_NAME PG_SOCKET=${QUARRY_SOCKET:-$VAR/run/$PG_NAME.socket}
    local data=$PG_HOME/data secret=$VAR/run/$PG_NAME.password
    [ ${#PG_SOCKET} -lt 90 ] || die "The path $PG_SOCKET is too long for a socket. Name a shorter folder: QUARRY_SOCKET=/run/quarry bin/start"
    mkdir -p "$VAR/run" "$VAR/log"
    pg_folders
    [ -f "$secret" ] || head -c 24 /dev/urandom | od -An -tx1 | tr -d ' \n' | write_secret "$secret"
    if [ -f "$data/PG_VERSION" ] && [ ! -f "$PG_HOME/roles" ] && [ ! -f "$PG_HOME/old.dump" ]; then pg_move_old "$data"; fi
    [ -f "$data/PG_VERSION" ] || pg_init "$data"
    pg_access "$data"
    if ! pg_ready; then
        mapfile -t PG_OPTIONS < <(pg_options "${2:-durable}")
        if is_root; then
            watch_over "$PG_NAME" INT setpriv --reuid=postgres --regid=postgres --init-groups "$PG_BIN/postgres" -D "$data" "${PG_OPTIONS[@]}"
        else
            watch_over "$PG_NAME" INT "$PG_BIN/postgres" -D "$data" "${PG_OPTIONS[@]}"
        fi
        pg_wait
    fi
    export DB_CONNECTION=pgsql DB_HOST=$PG_SOCKET DB_PORT=5432 DB_USERNAME=quarry DB_PASSWORD
    DB_PASSWORD=$(cat "$secret")
    unset DB_URL
    pg_admin "DO \$\$ BEGIN CREATE ROLE quarry; EXCEPTION WHEN duplicate_object THEN NULL; END \$\$;
        ALTER ROLE quarry LOGIN NOSUPERUSER NOCREATEDB NOCREATEROLE PASSWORD '$DB_PASSWORD'"
    if [ ! -f "$PG_HOME/roles" ]; then
        if [ -f "$PG_HOME/old.dump" ]; then pg_take_over_old; fi
        touch "$PG_HOME/roles"
    fi
    return 0
}

# Releases up to November 2026 ran the application as the superuser "quarry" with trust authentication. Their data is dumped once and
# restored under the new roles; the old folder stays beside it as data-old until somebody deletes it.
pg_move_old() { # data folder
    say "Moving the database to a role with a password…"
    mv "$1" "$PG_HOME/data-old"
    printf 'local all all trust\n' | as_postgres tee "$PG_HOME/data-old/pg_hba.conf" >/dev/null
    rm -f "$PG_HOME/data-old/postmaster.pid"
    quietly as_postgres "$PG_BIN/pg_ctl" -D "$PG_HOME/data-old" -w -l "$PG_HOME/old.log" \
        -o "-c listen_addresses='' -c unix_socket_directories=$PG_SOCKET" start || die "The old database did not start; see $PG_HOME/old.log."
    if [ "$(as_postgres psql -h "$PG_SOCKET" -U quarry -d postgres -Atc "SELECT 1 FROM pg_database WHERE datname = 'quarry'")" = 1 ]; then
        quietly as_postgres pg_dump -h "$PG_SOCKET" -U quarry -Fc --no-owner -f "$PG_HOME/old.dump.new" quarry \
            || die "The old database could not be dumped; it is unchanged in $PG_HOME/data-old."
        as_postgres mv "$PG_HOME/old.dump.new" "$PG_HOME/old.dump"
    fi
    quietly as_postgres "$PG_BIN/pg_ctl" -D "$PG_HOME/data-old" -w -m fast stop
}
pg_take_over_old() {
    fresh_database quarry
    as_postgres cat "$PG_HOME/old.dump" >"$VAR/run/old.dump"
    quietly pg_tool pg_restore --no-owner --exit-on-error -d quarry "$VAR/run/old.dump" \
        || die "The old database could not be taken over; it is unchanged in $PG_HOME/data-old."
    rm -f "$VAR/run/old.dump"; as_postgres mv "$PG_HOME/old.dump" "$PG_HOME/old.dump.done"
}

# A program of PostgreSQL's as the application's role.
pg_tool() { local name=$1; shift; PGPASSWORD=$DB_PASSWORD PGHOST=$DB_HOST PGPORT=$DB_PORT PGUSER=$DB_USERNAME "$name" "$@"; }
sql() { pg_tool psql -Atq -d "${2:-$DB_DATABASE}" -c "$1"; }
fresh_database() { pg_admin "DROP DATABASE IF EXISTS $1 WITH (FORCE)" 2>/dev/null; pg_admin "CREATE DATABASE $1 OWNER quarry"; }
make_database() { [ "$(pg_admin "SELECT 1 FROM pg_database WHERE datname = '$1'")" = 1 ] || pg_admin "CREATE DATABASE $1 OWNER quarry"; }
