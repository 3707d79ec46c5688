# Shared by the ops scripts. An instance is one database, one web server and their files under var/NAME.
set -euo pipefail
from=$PWD
root=$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)
cd "$root"
# Debian keeps server programs where a plain user's PATH does not look.
PATH="$PATH:/usr/sbin:/sbin"

say() { printf '%s\n' "$*"; }
fail() {
    printf 'even-rungs: %s\n' "$*" >&2
    exit 1
}

# absolute PATH: as whoever called means it, from where they stand
absolute() { case "$1" in /*) printf '%s' "$1" ;; *) printf '%s/%s' "$from" "$1" ;; esac; }

use_instance() {
    instance=$1
    var="$root/var/$instance"
    export EVEN_RUNGS_INSTANCE=$instance
    # A socket path may have about 100 characters; deep folders fall back to /tmp.
    socket="$var/run/db.sock"
    if [ ${#socket} -gt 95 ]; then
        socket="/tmp/even-rungs-$(printf '%s' "$var" | md5sum | cut -c1-12).sock"
    fi
    caches="$var/storage/framework"
    fpm_socket="$var/run/fpm.sock"
    if [ ${#fpm_socket} -gt 95 ]; then
        fpm_socket="/tmp/even-rungs-$(printf '%s' "$var" | md5sum | cut -c1-12)-fpm.sock"
    fi
}

# is_ours PIDFILE NAME: the process in the pid file is alive, is the program it should be, and runs on this folder.
is_ours() {
    local pid
    pid=$(cat "$1" 2>/dev/null) || return 1
    [ -n "$pid" ] && [ -r "/proc/$pid/cmdline" ] && tr '\0' ' ' <"/proc/$pid/cmdline" | grep -q -- "$2.*$root/"
}

port_is_free() { ! (exec 3<>"/dev/tcp/127.0.0.1/$1") 2>/dev/null; }

# first_free_port START: the first port from START on that nothing answers on.
first_free_port() {
    local port=$1
    while ! port_is_free "$port"; do
        port=$((port + 1))
        [ "$port" -lt $(($1 + 100)) ] || fail "no free port from $1 to $port"
    done
    printf '%s' "$port"
}

# chosen_port SETTING START: the port that was used once, waited for where something still holds it, so that an address that was written down
# stays right; the first free one where there was none yet. Tests and measurements take any.
chosen_port() {
    local kept end=$((SECONDS + ${EVEN_RUNGS_PORT_WAIT_S:-20}))
    kept=$(setting "$1")
    if [ -z "$kept" ] || { [ "$instance" != live ] && [ "$instance" != demo ]; }; then
        first_free_port "$2"
        return
    fi
    until port_is_free "$kept"; do
        [ $SECONDS -lt $end ] || fail "port $kept was used here before and another program holds it now. End that program, or choose another port once: EVEN_RUNGS_PORT, EVEN_RUNGS_DB_PORT (the demo's: EVEN_RUNGS_DEMO_PORT, EVEN_RUNGS_DEMO_DB_PORT)"
        sleep 0.2
    done
    printf '%s' "$kept"
}

# forget_port SETTING PORT: where another port is asked for by name, the one of before counts no more.
forget_port() {
    [ -z "$2" ] || [ ! -f "$var/app.env" ] || [ "$(setting "$1")" = "$2" ] || sed -i "/^$1=/d" "$var/app.env"
}

# wait_for SECONDS WHAT COMMAND...: until the command succeeds.
wait_for() {
    local seconds=$1 what=$2
    shift 2
    local end=$((SECONDS + seconds))
    until "$@" >/dev/null 2>&1; do
        [ $SECONDS -lt $end ] || fail "$what did not answer within $seconds s; see var/$instance/log"
        sleep 0.1
    done
}

setting() { { sed -n "s/^$1=//p" "$var/app.env" 2>/dev/null || true; } | head -n 1; }
