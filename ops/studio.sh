#!/usr/bin/env bash
# The studios of this machine, for whoever owns it.
. "$(dirname "$0")/common.sh"
use_instance live
is_ours "$var/run/db.pid" mariadbd || fail "nothing is running: ./even-rungs start"
# a file is named from where the caller stands
[ "${1:-}" != read-in ] || [ -z "${2:-}" ] || set -- read-in "$(absolute "$2")"
php artisan studio "$@"
