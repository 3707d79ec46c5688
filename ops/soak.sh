#!/usr/bin/env bash
# The long random runs: 20,000 clients, half from a fixed seed and half fresh, 500 orders and weeks and 200 filled weeks against the solver,
# 1,000 careers of a year, whose weeks to the top are printed by style, and 120 that go on until they end at the top.
. "$(dirname "$0")/common.sh"
. "$(dirname "$0")/services.sh"
[ "${1:-}" != cluster ] || exec bash ops/soak-cluster.sh
bash ops/install.sh test
if [ "${1:-}" = mutants ]; then
    shift
    exec php ops/mutants.php "$@"
fi
EVEN_RUNGS_LETTERS=1 vendor/bin/phpunit tests/Core/SearchTest.php
EVEN_RUNGS_DOCUMENTS=${EVEN_RUNGS_DOCUMENTS:-2000} EVEN_RUNGS_BUNDLES=${EVEN_RUNGS_BUNDLES:-2000} vendor/bin/phpunit tests/Formats/ThereAndBackTest.php tests/Formats/FhirTest.php
EVEN_RUNGS_SOLVER_CASES=${EVEN_RUNGS_SOLVER_CASES:-500} vendor/bin/phpunit tests/Reference/SolverTest.php tests/Reference/CoverageTest.php
EVEN_RUNGS_FILMS=${EVEN_RUNGS_FILMS:-1000} vendor/bin/phpunit tests/Reference/FilmsTest.php
EVEN_RUNGS_FILLED_WEEKS=${EVEN_RUNGS_FILLED_WEEKS:-200} EVEN_RUNGS_SOLVER_S=${EVEN_RUNGS_SOLVER_S:-60} vendor/bin/phpunit tests/Reference/FilledWeekTest.php
EVEN_RUNGS_CAREERS=${EVEN_RUNGS_CAREERS:-1000} EVEN_RUNGS_WEEKS=${EVEN_RUNGS_WEEKS:-52} EVEN_RUNGS_ENDLESS=${EVEN_RUNGS_ENDLESS:-120} EVEN_RUNGS_MISSING=${EVEN_RUNGS_MISSING:-120} vendor/bin/phpunit tests/Core/ClosedLoopTest.php
EVEN_RUNGS_AUDITS=${EVEN_RUNGS_AUDITS:-200} vendor/bin/phpunit tests/Core/AuditChangesTest.php
EVEN_RUNGS_POPULATION=${EVEN_RUNGS_POPULATION:-400} vendor/bin/phpunit tests/Core/PopulationTest.php
EVEN_RUNGS_CLIENTS=${EVEN_RUNGS_CLIENTS:-500} vendor/bin/phpunit tests/Core/ProgramFitTest.php tests/Core/WhyNotTest.php tests/Core/ThroughTheWeeksTest.php tests/Core/CarriedOverTest.php tests/Core/ChosenLaddersTest.php tests/Core/TrueReasonsTest.php
EVEN_RUNGS_CLIENTS=${EVEN_RUNGS_CLIENTS:-10000} vendor/bin/phpunit --filter test_every_plan_keeps_its_promises_whoever_the_client_is tests/Core/WeekPromisesTest.php
# every page on four screens and a slow line, 100,000 bent requests and 200 kills of servers, 20 of the browser, on servers of their own
use_instance test
trap 'stop_services >/dev/null 2>&1 || true' EXIT
start_services 8631 8731
artisan migrate:fresh --force --no-interaction >"$var/log/migrate.log" 2>&1
artisan demo:seed
EVEN_RUNGS_TAKE_OUTS=${EVEN_RUNGS_TAKE_OUTS:-2000} vendor/bin/phpunit tests/Http/RandomTakeOutsTest.php
EVEN_RUNGS_KNOWN=${EVEN_RUNGS_KNOWN:-1000} vendor/bin/phpunit tests/Http/KnownTest.php
EVEN_RUNGS_EVERY_PAGE=1 vendor/bin/phpunit tests/Browser/EveryPageTest.php
EVEN_RUNGS_FUZZ=${EVEN_RUNGS_FUZZ:-100000} vendor/bin/phpunit tests/Http/FuzzTest.php
EVEN_RUNGS_KILLS=${EVEN_RUNGS_KILLS:-200} vendor/bin/phpunit tests/Browser/KillsTest.php
EVEN_RUNGS_BROWSER_KILLS=${EVEN_RUNGS_BROWSER_KILLS:-20} vendor/bin/phpunit --filter test_a_browser_that_is_killed tests/Browser/FloorLossesTest.php
