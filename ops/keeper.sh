#!/usr/bin/env bash
# Runs beside an instance: a backup every night, old ones and long logs cut.
. "$(dirname "$0")/common.sh"
. "$(dirname "$0")/services.sh"
use_instance "$1"
trap 'kill "${nap:-}" 2>/dev/null; exit 0' TERM INT
while :; do
    newest=$(newest_backup)
    hours=999
    [ -z "$newest" ] || hours=$((($(date +%s) - $(stat -c %Y "$newest")) / 3600))
    if [ $hours -ge 24 ] || { [ $hours -ge 12 ] && [ "$(date +%H)" = 03 ]; }; then
        # of several nodes one makes it, night after night; where that one is gone, another does two hours late
        if artisan lease:claim nightly-backup 93600 >/dev/null 2>>"$var/log/backup.log"; then
            make_backup "$var/backups" "nightly-$(date +%Y%m%d-%H%M%S)" >/dev/null 2>>"$var/log/backup.log" || true
        fi
    fi
    drop_old_backups
    cut_logs
    sleep 600 &
    nap=$!
    wait "$nap"
done
