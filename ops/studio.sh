#!/usr/bin/env bash
# The studios of this machine, for whoever owns it.
. "$(dirname "$0")/common.sh"
. "$(dirname "$0")/services.sh"
use_instance live
is_ours "$var/run/db.pid" mariadbd || fail "nothing is running: ./even-rungs start"
# a file is opened here: the application's own user may not read what the caller may
if [ "${1:-}" = read-in ] && [ -n "${2:-}" ]; then
    artisan studio read-in /dev/stdin <"$(absolute "$2")"
else
    artisan studio "$@"
fi
