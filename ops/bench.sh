#!/usr/bin/env bash
# Prints speed and size beside a yardstick of the same run, on an instance of its own.
. "$(dirname "$0")/common.sh"
. "$(dirname "$0")/services.sh"
use_instance bench
bash ops/install.sh all
trap 'stop_services >/dev/null 2>&1 || true' EXIT
start_services 8831 8931
artisan demo:seed --again --yes
php bench/commands.php
php bench/planning.php
php bench/verdicts.php
php bench/first-load.php
php bench/move.php "http://127.0.0.1:$(setting WEB_PORT)"
php bench/search.php "http://127.0.0.1:$(setting WEB_PORT)"
# with "many": 300 clients and a year of logs, which takes some minutes to make
if [ "${1:-}" = many ]; then
    artisan demo:seed --many=300
    php bench/roster.php "http://127.0.0.1:$(setting WEB_PORT)" bare
fi
