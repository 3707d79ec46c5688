#!/usr/bin/env bash
# backup [FOLDER]: a copy of the studio's data, settings and keys, while it runs.
. "$(dirname "$0")/common.sh"
. "$(dirname "$0")/services.sh"
use_instance "${EVEN_RUNGS_COPY_OF:-live}"
is_ours "$var/run/db.pid" mariadbd || fail "nothing is running: ./even-rungs start"
folder=$(absolute "${1:-$var/backups}")
mkdir -p "$folder" || fail "$1 is no folder that can be written to"
before=$(newest_backup)
file=$(make_backup "$folder" "even-rungs-$(date +%Y%m%d-%H%M%S)")
say "$file"
say "  $(du -h "$file" | cut -f1), $([[ "$file" == *.enc ]] && echo encrypted || echo "not encrypted: set EVEN_RUNGS_PASSPHRASE, or write a passphrase into var/$instance/passphrase"), its sum beside it"
[ -z "$before" ] || say "  the nightly one before it is $(age_of "$before") old: $before"
say "Keep a copy on another machine. Whoever has the file and its passphrase has the studio."
