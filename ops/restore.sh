#!/usr/bin/env bash
# restore FILE [--yes]: puts a backup in the place of what is here. A damaged file is refused before anything is touched.
. "$(dirname "$0")/common.sh"
. "$(dirname "$0")/services.sh"
file='' yes=''
for word in "$@"; do
    case "$word" in
        --yes) yes=yes ;;
        *) file=$word ;;
    esac
done
[ -n "$file" ] || fail "restore needs the file of a backup"
file=$(absolute "$file")
use_instance "${EVEN_RUNGS_COPY_OF:-live}"
bash ops/install.sh all
prepare_folders
work=$(mktemp -d "$var/tmp/restore.XXXXXX")
trap 'rm -rf "$work"' EXIT
open_backup "$file" "$work"
web_port=$(setting WEB_PORT)
db_port=$(setting DB_PORT)

start_services "${web_port:-${EVEN_RUNGS_PORT:-8431}}" "${db_port:-${EVEN_RUNGS_DB_PORT:-8531}}"
if [ "$(db -N -e 'select count(*) from even_rungs.studios')" != 0 ]; then
    [ -n "$yes" ] || fail "there is a studio here already. ./even-rungs restore FILE --yes puts the backup in its place, with a copy of what is here first"
    say "A copy of what was here: $(make_backup "$var/backups" "before-restore-$(date +%Y%m%d-%H%M%S)")"
fi
stop_one "$var/run/nginx.pid" nginx QUIT
stop_one "$var/run/fpm.pid" php-fpm QUIT
load_database "$work/database.sql" || fail "the database of the backup could not be read in"
# the key that sealed what is in the database comes along; passwords and ports of this machine stay
sed -i "s|^APP_KEY=.*|$(grep '^APP_KEY=' "$work/app.env")|" "$var/app.env"
if [ -d "$work/tls" ]; then
    rm -rf "$var/tls"
    cp -r "$work/tls" "$var/tls"
fi
start_services "$(setting WEB_PORT)" "$(setting DB_PORT)"
say "The backup of $(sed -n 's/^made //p' "$work/about") is in place:  http://127.0.0.1:$(setting WEB_PORT)"
