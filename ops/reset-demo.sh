#!/usr/bin/env bash
. "$(dirname "$0")/common.sh"
use_instance live
[ -f "$var/app.env" ] || fail "nothing was started yet: ./even-rungs start"
php artisan demo:seed --again "$@"
