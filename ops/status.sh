#!/usr/bin/env bash
. "$(dirname "$0")/common.sh"
use_instance live
row() { printf '%-12s %s\n' "$1" "$2"; }
state() { if is_ours "$var/run/$1.pid" "$2"; then echo "running (process $(cat "$var/run/$1.pid"))"; else echo "stopped"; fi; }
row "version" "$(git describe --always --dirty 2>/dev/null || echo unknown)"
row "web server" "$(state nginx nginx)"
row "PHP" "$(state fpm php-fpm)"
row "database" "$(state db mariadbd)"
if [ -f "$var/app.env" ]; then row "address" "http://127.0.0.1:$(setting WEB_PORT)"; else row "address" "none yet: ./even-rungs start"; fi
row "cuff" "$(state cuff php)"
row "data" "$var/mysql"
row "logs" "$var/log, $var/storage/logs"
curl -fsS "http://127.0.0.1:$(setting WEB_PORT)/api/health" >/dev/null 2>&1 && row "answers" "yes" || { row "answers" "no" && exit 1; }
