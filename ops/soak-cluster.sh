#!/usr/bin/env bash
# Two clusters on this machine under four floors: what they lose, how long anybody waits, and what it costs. About half an hour.
. "$(dirname "$0")/common.sh"
bash ops/install.sh test
trap 'bash ops/cluster.sh stop >/dev/null 2>&1 || true' EXIT
export BCRYPT_ROUNDS=4
for each in a b; do bash ops/cluster.sh start "$each"; done
bash ops/cluster.sh artisan a web1 demo:seed --again --yes
code=0
for each in TwoNodes Costs LosesNodes LosesAll Moves; do vendor/bin/phpunit --do-not-cache-result "tests/Cluster/${each}Test.php" || code=1; done
bash ops/cluster.sh status
exit $code
