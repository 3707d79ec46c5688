#!/usr/bin/env bash
# The studio's server, and the demo's beside it while there is no studio or where it is asked for.
. "$(dirname "$0")/common.sh"
. "$(dirname "$0")/services.sh"
lan='' demo=''
for word in "$@"; do
    case "$word" in
        --lan | --no-lan) lan=$word ;;
        --demo) demo=yes ;;
        *) fail "start knows --lan, --no-lan and --demo, not $word" ;;
    esac
done
bash ops/install.sh all

use_instance live
if [ -n "$lan" ]; then
    mkdir -p "$var"
    if [ "$lan" = --lan ]; then echo "${EVEN_RUNGS_LAN_PORT:-8443}" >"$var/lan"; else rm -f "$var/lan"; fi
    stop_one "$var/run/nginx.pid" nginx QUIT
fi
forget_port WEB_PORT "${EVEN_RUNGS_PORT:-}"
forget_port DB_PORT "${EVEN_RUNGS_DB_PORT:-}"
start_services "${EVEN_RUNGS_PORT:-8431}" "${EVEN_RUNGS_DB_PORT:-8531}"
artisan demo:seed --leave
link=$(artisan studio welcome)
address="http://127.0.0.1:$(setting WEB_PORT)"

say ""
if [ -n "$link" ]; then
    say "Set up your studio:   $link"
    say "                      (works once; every start prints a new one until the studio is there)"
else
    say "Your studio:          $address"
fi
: >"$var/storage/addresses"
if [ -f "$var/lan" ]; then
    for each in $(hostname -I); do
        [[ "$each" == *:* ]] || { say "On this network:      https://$each:$(cat "$var/lan")" && echo "https://$each:$(cat "$var/lan")" >>"$var/storage/addresses"; }
    done
    say "Its authority:        $var/tls/studio-ca.crt (also at /studio-ca.crt); install it once on each tablet"
fi

# the demo listens on this machine only, and stays off once a studio is there
(
    use_instance demo
    if [ -z "$link" ] && [ -z "$demo" ]; then
        stop_services
        exit 0
    fi
    forget_port WEB_PORT "${EVEN_RUNGS_DEMO_PORT:-}"
    forget_port DB_PORT "${EVEN_RUNGS_DEMO_DB_PORT:-}"
    start_services "${EVEN_RUNGS_DEMO_PORT:-8432}" "${EVEN_RUNGS_DEMO_DB_PORT:-8532}"
    artisan demo:seed
    say "The demo:             http://127.0.0.1:$(setting WEB_PORT)"
    say "                      sign in there with trainer@slipway.example / slipway-demo"
)
