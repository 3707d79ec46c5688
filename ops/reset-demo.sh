#!/usr/bin/env bash
. "$(dirname "$0")/common.sh"
. "$(dirname "$0")/services.sh"
use_instance demo
[ -f "$var/app.env" ] || fail "there is no demo here yet: ./even-rungs start --demo"
is_ours "$var/run/db.pid" mariadbd || fail "the demo is not running: ./even-rungs start --demo"
artisan demo:seed --again "$@"
