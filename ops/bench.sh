#!/usr/bin/env bash
# Prints one table of speed and size, each row a ratio in one run to a bare page or to `php -r ''`, on an instance of its own; with --record
# it becomes the last recorded run in docs/speed.md. With "planning", "search" or "line" what the planner,
# the finder and a live line take by themselves.
. "$(dirname "$0")/common.sh"
. "$(dirname "$0")/services.sh"
use_instance bench
what=${1:-}
case "$what" in
    '' | --record | line | planning | search) ;;
    *) fail "bench knows --record, line, planning and search, not $what" ;;
esac
if [ "$what" = planning ]; then
    # clients at random are made by what tests make them with
    bash ops/install.sh test
    exec php bench/planning.php
fi
bash ops/install.sh "$([ "$what" = line ] && echo test || echo all)"
trap 'stop_services >/dev/null 2>&1 || true' EXIT
start_services 8831 8931
base="http://127.0.0.1:$(setting WEB_PORT)"
artisan demo:seed --again --yes
if [ "$what" = line ]; then
    php bench/line.php "$base"
    exit
fi
if [ "$what" = search ]; then
    php bench/search.php "$base"
    exit
fi
began=$SECONDS
artisan demo:many 300 --no-interaction
say "The seed of 300 clients and a year: $((SECONDS - began)) s; the aim is under 120 s"
artisan demo:many 10 --weeks=4 --as=few --no-interaction
php bench/table.php "$base" "$@"
if [ -x /usr/bin/chromedriver ] && [ -d vendor/php-webdriver ]; then
    php bench/slow-line.php "$base" "$@"
else
    say "The pages on a slow line need the browser that ./even-rungs test installs."
fi
