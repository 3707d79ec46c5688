#!/usr/bin/env bash
# The people of this machine, for whoever owns it.
. "$(dirname "$0")/common.sh"
. "$(dirname "$0")/services.sh"
use_instance live
is_ours "$var/run/db.pid" mariadbd || fail "nothing is running: ./even-rungs start"
artisan trainer "$@"
