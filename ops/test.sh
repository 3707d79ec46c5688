#!/usr/bin/env bash
# All checks and tests, or the tests of one suite.
. "$(dirname "$0")/common.sh"
. "$(dirname "$0")/services.sh"
use_instance test
suite=${1:-}
# passwords of the demo cost what those of the tests do
export BCRYPT_ROUNDS=4
case "$suite" in
    '' | core | reference | formats | http | browser) ;;
    *) fail "there is no suite \"$suite\"; there are core, reference, formats, http, browser" ;;
esac

bash ops/install.sh test
[ ! -x var/node/bin/node ] || PATH="$root/var/node/bin:$PATH"

step() {
    local name=$1 began=$SECONDS
    shift
    say "· $name"
    "$@" || fail "$name: see above"
    say "  $((SECONDS - began)) s"
}

if [ -z "$suite" ]; then
    say "Installed PHP packages:"
    composer show --direct --format=text 2>/dev/null | awk '{print "  " $1, $2}'
fi

if [ -z "$suite" ] || [ "$suite" = http ] || [ "$suite" = browser ]; then
    trap 'stop_services >/dev/null 2>&1 || true' EXIT
    start_services 8631 8731
    artisan migrate:fresh --force --no-interaction >"$var/log/migrate.log" 2>&1 || fail "the test database could not be made"
    artisan demo:seed
fi

if [ -n "$suite" ]; then
    [ "$suite" != browser ] || suite=browser,desk
    vendor/bin/phpunit --testsuite "$suite"
    exit
fi

# The browser, which kills its servers, runs on one core; on the other the checks of the code, what needs no browser and, behind it, those at the
# desk that let servers live, on servers of their own. The last line is all tests, as PHPUnit says it.
code=0
(
    step "Formatting of PHP (Pint)" vendor/bin/pint --test -q
    step "PHPStan, highest level: core, formats, storage, cli" vendor/bin/phpstan analyse -c phpstan.neon --no-progress --memory-limit=1G --error-format=raw
    step "PHPStan, level 8: app" vendor/bin/phpstan analyse -c phpstan-app.neon --no-progress --memory-limit=1G --error-format=raw
    step "TypeScript, ESLint, Prettier" npm run -s check
    say "The house in numbers:"
    php ops/house.php
    use_instance plain
    trap 'stop_services >/dev/null 2>&1 || true' EXIT
    start_services 8641 8741
    artisan migrate:fresh --force --no-interaction >"$var/log/migrate.log" 2>&1
    artisan demo:seed
    EVEN_RUNGS_TEST_INSTANCE=plain vendor/bin/phpunit --testsuite core,reference,formats,http,desk --do-not-cache-result
) >"$var/log/plain-tests.log" 2>&1 &
plain_pid=$!
# into a file, not a pipe: servers that a test restarts would hold the pipe open after everything is done
vendor/bin/phpunit --testsuite browser >"$var/log/browser-tests.log" 2>&1 &
browser_pid=$!
tail -n +1 -f --pid="$browser_pid" "$var/log/browser-tests.log" &
tail_pid=$!
wait "$browser_pid" || code=$?
wait "$tail_pid" || true
say "The checks, and everything else:"
wait "$plain_pid" || code=$?
cat "$var/log/plain-tests.log"
say ""
php ops/add-up.php "$var/log/browser-tests.log" "$var/log/plain-tests.log" || code=$?
exit "$code"
