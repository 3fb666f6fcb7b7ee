# Keeps programs running: starts each again when it dies, and ends it with all its children when we stop. Sourced, not run.
WATCHERS=()

# The program's own process group goes with it, so that no child of a killed master stays behind.
end_group() { # pid signal
    local tries=0
    [ -n "$1" ] || return 0
    kill -"$2" "$1" 2>/dev/null
    while kill -0 "$1" 2>/dev/null && [ $tries -lt 100 ]; do sleep 0.1; tries=$((tries + 1)); done
    kill -KILL -- "-$1" 2>/dev/null
    return 0
}

watch_over() { # name signal-to-end command…
    local name=$1 signal=$2; shift 2
    (
        set +e
        child= guard=
        trap 'end_group "$child" "$signal"; kill "$guard" 2>/dev/null; rm -f "$VAR/run/$name.pid"; exit 0' TERM INT
        # Ends when the script that started us is gone, even by kill -9.
        tail --pid=$$ -f /dev/null & guard=$!
        while true; do
            setsid "$@" >>"$VAR/log/$name.log" 2>&1 & child=$!
            printf %s "$child" >"$VAR/run/$name.pid"
            wait -n "$child" "$guard"
            if ! kill -0 "$guard" 2>/dev/null; then end_group "$child" "$signal"; rm -f "$VAR/run/$name.pid"; exit 0; fi
            kill -KILL -- "-$child" 2>/dev/null
            printf '%s %s ended and is started again.\n' "$(date -Is)" "$name" >>"$VAR/log/watch.log"
            sleep 0.5
        done
    ) &
    WATCHERS+=("$!")
}

# Ends everything in the reverse order, so that the database goes last.
stop_all() {
    local i
    for ((i = ${#WATCHERS[@]} - 1; i >= 0; i--)); do
        kill -TERM "${WATCHERS[i]}" 2>/dev/null && wait "${WATCHERS[i]}" 2>/dev/null
    done
    WATCHERS=()
}
