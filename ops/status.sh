#!/usr/bin/env bash
# The studio's services, and the demo's where it runs. Ends with 1 where the studio does not answer.
. "$(dirname "$0")/common.sh"
row() { printf '%-12s %s\n' "$1" "$2"; }
state() { if is_ours "$var/run/$1.pid" "$2"; then echo "running (process $(cat "$var/run/$1.pid"))"; else echo "stopped"; fi; }
answers() { curl -fsS "http://127.0.0.1:$(setting WEB_PORT)/api/health" >/dev/null 2>&1; }
row "version" "$(git describe --always --dirty 2>/dev/null || echo unknown)"
use_instance live
row "web server" "$(state nginx nginx)"
row "PHP" "$(state fpm php-fpm)"
row "database" "$(state db mariadbd)"
if [ -f "$var/app.env" ]; then row "address" "http://127.0.0.1:$(setting WEB_PORT)"; else row "address" "none yet: ./even-rungs start"; fi
row "cuff" "$(state cuff php)"
row "data" "$var/mysql"
row "logs" "$var/log, $var/storage/logs"
code=0
if answers; then row "answers" "yes"; else row "answers" "no" && code=1; fi
use_instance demo
if is_ours "$var/run/nginx.pid" nginx; then row "demo" "http://127.0.0.1:$(setting WEB_PORT)"; else row "demo" "off"; fi
exit $code
