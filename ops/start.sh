#!/usr/bin/env bash
. "$(dirname "$0")/common.sh"
. "$(dirname "$0")/services.sh"
use_instance live
bash ops/install.sh all
case "${1:-}" in
    --lan | --no-lan)
        mkdir -p "$var"
        if [ "$1" = --lan ]; then echo "${EVEN_RUNGS_LAN_PORT:-8443}" >"$var/lan"; else rm -f "$var/lan"; fi
        stop_one "$var/run/nginx.pid" nginx QUIT
        ;;
    "") ;;
    *) fail "start knows --lan and --no-lan, not $1" ;;
esac
start_services "${EVEN_RUNGS_PORT:-8431}" "${EVEN_RUNGS_DB_PORT:-8531}"
php artisan demo:seed
say ""
say "Even Rungs is ready:  http://127.0.0.1:$(setting WEB_PORT)"
if [ -f "$var/lan" ]; then
    for address in $(hostname -I); do
        [[ "$address" == *:* ]] || say "On this network:      https://$address:$(cat "$var/lan")"
    done
    say "Its authority:        $var/tls/studio-ca.crt (also at /studio-ca.crt); install it once on each tablet"
fi
say "Demo sign-in:         trainer@slipway.example  /  slipway-demo"
