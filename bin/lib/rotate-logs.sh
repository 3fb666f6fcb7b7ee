#!/usr/bin/env bash
# Keeps logs small: above 20 MB the end of a log becomes NAME.1 and the log begins again. They are written in append mode, so that is safe.
while true; do
    for log in "$1"/*.log; do
        if [ "$(stat -c %s "$log" 2>/dev/null || echo 0)" -gt 20000000 ]; then tail -c 5000000 "$log" >"$log.1"; : >"$log"; fi
    done
    sleep 600
done
