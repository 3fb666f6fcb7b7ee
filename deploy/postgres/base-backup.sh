#!/bin/sh
# base-backup.sh FOLDER [pg_basebackup flags, such as -h and -U]: a copy of the whole cluster to start from; run it every week, as a role that
# may replicate. The archive is then only needed from there on.
set -e
target="$1/$(date -u +%Y-%m-%dT%H%M%SZ)"; shift
pg_basebackup -D "$target.new" --format=plain --wal-method=stream --checkpoint=fast "$@"
mv "$target.new" "$target"
echo "$target"
