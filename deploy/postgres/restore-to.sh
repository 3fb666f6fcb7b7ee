#!/bin/sh
# restore-to.sh BASE-BACKUP WAL-FOLDER "2026-11-28 09:30:00+00" NEW-DATA-FOLDER: prepares a cluster that comes up as it was at that moment. Start
# PostgreSQL on the new folder, look at it, then point the application to it. The old cluster is not touched.
set -e
[ $# = 4 ] || { sed -n '2,3p' "$0" >&2; exit 1; }
[ ! -e "$4" ] || { echo "$4 exists already." >&2; exit 1; }
cp -a "$1" "$4"
chmod 0700 "$4"
cat >>"$4/postgresql.auto.conf" <<CONF
restore_command = 'cp "$2/%f" "%p"'
recovery_target_time = '$3'
recovery_target_action = 'promote'
archive_mode = off
CONF
touch "$4/recovery.signal"
