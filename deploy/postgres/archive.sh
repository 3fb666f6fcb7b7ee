#!/bin/sh
# archive.sh FOLDER PATH NAME: keeps one file of the write-ahead log. Never overwrites; is there whole or not at all (PostgreSQL 15 manual, 26.3.1).
set -e
[ -f "$1/$3" ] && exec cmp -s "$2" "$1/$3"
mkdir -p "$1"
cp "$2" "$1/$3.new"
sync "$1/$3.new"
mv "$1/$3.new" "$1/$3"
sync "$1"
