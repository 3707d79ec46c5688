# The nodes of clusters on this machine. Sourced after common.sh and services.sh.
galera=/usr/lib/galera/libgalera_smm.so
databases=(db1 db2 db3)
webs=(web1 web2)

set_up_names() {
    clusters="$root/var/cluster"
    front="$clusters/front"
    site_port=${EVEN_RUNGS_CLUSTER_PORT:-9000}
    # a socket's path may have about 100 characters, as in use_instance
    proxy_socket="$front/haproxy.sock"
    [ ${#proxy_socket} -le 95 ] || proxy_socket="/tmp/even-rungs-$(printf '%s' "$front" | md5sum | cut -c1-12)-proxy.sock"
}

need_cluster_packages() {
    local missing=() have
    for have in haproxy:/usr/sbin/haproxy galera-4:$galera mariadb-server:/usr/bin/wsrep_sst_rsync rsync:/usr/bin/rsync iproute2:/usr/bin/ss; do
        [ -e "${have#*:}" ] || missing+=("${have%%:*}")
    done
    [ ${#missing[@]} -gt 0 ] || return 0
    [ "$(id -u)" = 0 ] || fail "missing: ${missing[*]} - install these Debian packages (as root: apt-get install ${missing[*]}) and start again"
    say "Installing ${missing[*]}"
    # a database of the package's own is not to start
    DEBIAN_FRONTEND=noninteractive RUNLEVEL=1 sh -c 'apt-get update -q && apt-get install -q -y --no-install-recommends "$@"' sh "${missing[@]}" \
        >"${TMPDIR:-/tmp}/even-rungs-cluster-packages.log" 2>&1 || fail "apt-get could not install ${missing[*]}"
}

check_node() {
    case "$1" in [a-h]) ;; *) fail "a cluster is one letter from a to h, not $1" ;; esac
    [ -d "$clusters/$1" ] || fail "there is no cluster $1: ops/cluster.sh start $1"
    case "$2" in db[123] | web[12]) ;; *) fail "a node is db1, db2, db3, web1 or web2, not $2" ;; esac
}

use_node() { # CLUSTER NODE
    cluster=$1 node=$2
    use_instance "cluster/$1/$2"
}

# port CLUSTER NODE WHAT: a hundred ports for each cluster behind the site's own.
port() {
    local number=${2//[a-z]/} base
    base=$((site_port + 100 * ($(printf '%d' "'$1") - 96)))
    case "$3" in
        web) echo $((base + number)) ;;
        sql) echo $((base + 10 + number)) ;;
        group) echo $((base + 20 + number)) ;;
        steps) echo $((base + 30 + number)) ;;
        whole) echo $((base + 40 + number)) ;;
        through) echo $((base + 50 + number)) ;;
    esac
}

each_cluster() {
    local each
    for each in "$clusters"/[a-h]; do
        [ ! -d "$each" ] || "$@" "$(basename "$each")"
    done
}

each_node() { each_cluster nodes_of "$@"; }
nodes_of() {
    local each act=$1
    for each in "${databases[@]}" "${webs[@]}"; do "$act" "$2" "$each"; done
}

# kept CLUSTER NAME: a setting that all nodes of a cluster share, made once.
kept() {
    local file="$clusters/$1/$2"
    mkdir -p "$clusters/$1"
    if [ ! -s "$file" ]; then
        (umask 077 && case "$2" in
            key) printf 'base64:%s' "$(head -c 32 /dev/urandom | base64)" ;;
            password) head -c 18 /dev/urandom | base64 | tr -dc 'A-Za-z0-9' ;;
        esac >"$file")
    fi
    cat "$file"
}

# make_group_certificate CLUSTER: what the databases of a cluster know each other by.
make_group_certificate() {
    local folder="$clusters/$1"
    [ ! -s "$folder/group.crt" ] || return 0
    (umask 077 && openssl req -x509 -newkey rsa:2048 -nodes -days 3650 -sha256 -subj "/CN=Even Rungs, cluster $1" -addext subjectAltName=IP:127.0.0.1,DNS:localhost \
        -keyout "$folder/group.key" -out "$folder/group.crt" 2>"$folder/tls.log") || fail "no certificate could be made; see var/cluster/$1/tls.log"
    chmod 644 "$folder/group.crt"
}

# database_user: as whom the databases run. Started by root, as the user of Debian's package: rsync, which brings a whole copy, refuses root.
database_user() { if [ "$(id -u)" = 0 ]; then echo mysql; else id -un; fi; }

prepare_database() {
    mkdir -p "$var"/{run,log,tmp,mysql}
    [ "$(id -u)" != 0 ] || chown -R mysql:mysql "$var" "$clusters/$cluster"/group.*
}

is_running() { is_ours "$var/run/db.pid" mariadbd; }

# asked WORDS: what a database node answers, one value.
asked() { db --connect-timeout=2 -Ne "$1" 2>/dev/null; }
state_of() { asked "select variable_value from information_schema.global_status where variable_name = 'wsrep_$1'"; }
is_synced() { [ "$(state_of local_state)" = 4 ] && [ "$(state_of cluster_status)" = Primary ]; }

# run_node [--wsrep-new-cluster | --wsrep-start-position=...]: one database node; what it missed it gets from the others.
run_node() {
    local others='' each
    for each in "${databases[@]}"; do others="$others,127.0.0.1:$(port "$cluster" "$each" group)"; done
    rm -f "$var/run/db.pid" "$socket"
    prepare_database
    local own="gmcast.listen_addr=ssl://127.0.0.1:$(port "$cluster" "$node" group);ist.recv_addr=127.0.0.1:$(port "$cluster" "$node" steps)"
    own="$own;socket.ssl_key=$clusters/$cluster/group.key;socket.ssl_cert=$clusters/$cluster/group.crt;socket.ssl_ca=$clusters/$cluster/group.crt"
    # who says nothing for three seconds is suspected; whoever is quicker parts nodes that only had much to do
    own="$own;evs.keepalive_period=PT0.5S;evs.suspect_timeout=PT3S;evs.inactive_timeout=PT10S;evs.install_timeout=PT7.5S"
    own="$own;repl.causal_read_timeout=PT3S;gcache.size=128M;gcache.recover=yes;pc.recovery=true"
    # not through a function: its shell would stay and hold whatever reads what this one writes
    local as=()
    [ "$(id -u)" != 0 ] || as=(setpriv --reuid mysql --regid mysql --clear-groups)
    nohup "${as[@]}" mariadbd --no-defaults --datadir="$var/mysql" --socket="$socket" --pid-file="$var/run/db.pid" \
        --bind-address=127.0.0.1 --port="$(port "$cluster" "$node" sql)" --skip-name-resolve --log-error="$var/log/db.log" --tmpdir="$var/tmp" \
        --innodb-buffer-pool-size=128M --innodb-log-file-size=96M --innodb-flush-log-at-trx-commit=1 \
        --ssl-ca="$clusters/$cluster/group.crt" --ssl-cert="$clusters/$cluster/group.crt" --ssl-key="$clusters/$cluster/group.key" \
        --character-set-server=utf8mb4 --collation-server=utf8mb4_unicode_ci --max-allowed-packet=64M \
        --binlog-format=ROW --innodb-autoinc-lock-mode=2 --wsrep-on=ON --wsrep-provider="$galera" --wsrep-cluster-name="even-rungs-$cluster" \
        --wsrep-cluster-address="gcomm://${others#,}" --wsrep-node-name="$node" --wsrep-node-address="127.0.0.1:$(port "$cluster" "$node" group)" \
        --wsrep-sst-method=rsync --wsrep-sst-receive-address="127.0.0.1:$(port "$cluster" "$node" whole)" --wsrep-sst-donor=db3, \
        --server-id=1 --wsrep-gtid-mode=ON --wsrep-gtid-domain-id=$(($(printf '%d' "'$cluster") - 96)) --wsrep-slave-threads=2 --wsrep-retry-autocommit=4 --wsrep-provider-options="$own" "$@" >/dev/null 2>&1 </dev/null 9>&- 8>&- &
    disown
}

# last_position: how far a node had come, from what it wrote down or, where it had no time to, from its tables.
last_position() {
    local found
    found=$(sed -n 's/^uuid: *//p' "$var/mysql/grastate.dat" 2>/dev/null):$(sed -n 's/^seqno: *//p' "$var/mysql/grastate.dat" 2>/dev/null)
    if [ -f "$var/mysql/ibdata1" ] && [[ "$found" == *:-1 ]]; then
        as_user "$(database_user)" mariadbd --no-defaults --datadir="$var/mysql" --socket="$socket.recover" --port=0 --tmpdir="$var/tmp" \
            --innodb-log-file-size=96M --wsrep-recover --log-error="$var/log/recover.log" >/dev/null 2>&1 9>&- 8>&- || true
        found=$(sed -n 's/.*Recovered position: *//p' "$var/log/recover.log" | tail -n 1)
    fi
    [ "$found" = : ] || printf '%s' "$found"
}

# start_databases CLUSTER: joins what is up; where nothing is, the node that had come furthest begins.
start_databases() {
    local each best='' furthest=-2 reached up=''
    for each in "${databases[@]}"; do
        use_node "$1" "$each"
        if is_running && is_synced; then up=$each; fi
    done
    if [ -z "$up" ]; then
        for each in "${databases[@]}"; do
            use_node "$1" "$each"
            ! is_running || stop_one "$var/run/db.pid" mariadbd TERM
            prepare_database
            reached=$(last_position)
            reached=${reached##*:}
            if [ "${reached:--1}" -gt "$furthest" ]; then furthest=${reached:--1} best=$each; fi
        done
        use_node "$1" "$best"
        if [ ! -f "$var/mysql/installed" ]; then
            rm -rf "$var/mysql"
            prepare_database
            as_user "$(database_user)" mariadb-install-db --no-defaults --datadir="$var/mysql" --skip-test-db --auth-root-authentication-method=socket \
                --auth-root-socket-user="$(id -un)" >"$var/log/install-db.log" 2>&1 || fail "no database could be made; see var/$instance/log/install-db.log"
            touch "$var/mysql/installed"
        fi
        [ ! -f "$var/mysql/grastate.dat" ] || sed -i 's/^safe_to_bootstrap:.*/safe_to_bootstrap: 1/' "$var/mysql/grastate.dat"
        run_node --wsrep-new-cluster
        wait_for 60 "database $1 $best" is_synced
        db -e "CREATE DATABASE IF NOT EXISTS even_rungs CHARACTER SET utf8mb4;
            CREATE USER IF NOT EXISTS 'even_rungs'@'127.0.0.1' IDENTIFIED BY '$(kept "$1" password)' REQUIRE SSL;
            GRANT ALL ON even_rungs.* TO 'even_rungs'@'127.0.0.1';
            CREATE USER IF NOT EXISTS 'health'@'127.0.0.1'" || fail "the database users could not be made"
    fi
    for each in "${databases[@]}"; do join_database "$1" "$each"; done
}

join_database() {
    use_node "$1" "$2"
    if ! is_running; then
        prepare_database
        local reached
        reached=$(last_position)
        if [ -n "$reached" ]; then run_node --wsrep-start-position="$reached"; else run_node; fi
    fi
    wait_for 120 "database $1 $2" is_synced
    touch "$var/mysql/installed"
}

# write_web_settings: what web servers of one cluster share, and through which address each reaches the databases.
write_web_settings() {
    (
        umask 077
        cat >"$var/app.env" <<SET
APP_ENV=production
APP_KEY=$(kept "$cluster" key)
APP_URL=http://127.0.0.1:$site_port
CUFF_ADDRESS=
CAMERA_ADDRESS=
DB_SOCKET=
DB_HOST=127.0.0.1
WEB_PORT=$(port "$cluster" "$node" web)
DB_PORT=$(port "$cluster" "$node" through)
DB_DATABASE=even_rungs
DB_USERNAME=even_rungs
DB_PASSWORD=$(kept "$cluster" password)
DB_SEVERAL=1
DB_TLS_CA=$clusters/$cluster/group.crt
SET
    )
}

start_web_node() {
    use_node "$1" "$2"
    prepare_folders
    is_ours "$var/run/fpm.pid" php-fpm || end_orphans "$var/run/fpm.pid" php-fpm
    is_ours "$var/run/nginx.pid" nginx || end_orphans "$var/run/nginx.pid" nginx
    write_web_settings
    behind=proxy start_php
    behind=proxy start_web
    # one at each server; which of them makes the copy of the night is for the lease to say
    start_keeper
}

answers_itself() { curl -fsS --max-time 2 --haproxy-protocol "http://127.0.0.1:$(setting WEB_PORT)/api/health"; }
answers_as_site() { curl -fsS --max-time 2 "http://127.0.0.1:$site_port/api/health"; }

# artisan_on CLUSTER NODE WORDS...: what a database node sees is asked of it without the proxy.
artisan_on() {
    local at=$2
    use_node "$1" web1
    case "$at" in
        db*) DB_PORT=$(port "$1" "$at" sql) APP_CONFIG_CACHE="$var/none.php" artisan "${@:3}" ;;
        *) use_node "$1" "$at" && artisan "${@:3}" ;;
    esac
}

hex() { od -An -v -tx1 | tr -d ' \n'; }
# packet NUMBER: what comes in, as a packet of MariaDB's protocol, in hexadecimal.
packet() {
    local body
    body=$(hex)
    printf '%02x%02x%02x%02x%s' $((${#body} / 2 % 256)) $((${#body} / 512)) 0 "$1" "$body"
}

# proxy_of CLUSTER: the part of the proxy's settings that is of one cluster.
proxy_of() {
    local each other backup
    cat <<CONF
backend web-$1
    option httpchk GET /api/health
    http-check send hdr Host localhost
    # an answer of 503 says that nothing was changed: the other server, which asks another database, is asked
    retry-on conn-failure 503
    default-server send-proxy-v2 check inter 500ms fastinter 200ms fall 2 rise 1 on-marked-down shutdown-sessions
CONF
    for each in "${webs[@]}"; do echo "    server $each 127.0.0.1:$(port "$1" "$each" web)"; done
    # what only reads may be asked twice, wherever it broke off; who writes sends again with the same key
    echo "backend read-$1"
    echo "    retry-on conn-failure 503 502 504 empty-response response-timeout"
    for each in "${webs[@]}"; do echo "    server $each 127.0.0.1:$(port "$1" "$each" web) send-proxy-v2 track web-$1/$each on-marked-down shutdown-sessions"; done
    for each in "${webs[@]}"; do
        cat <<CONF
listen sql-$1-$each
    bind 127.0.0.1:$(port "$1" "$each" through)
    mode tcp
    timeout client 8h
    timeout server 8h
    option tcp-check
    tcp-check connect
    tcp-check expect string mysql_native_password
    tcp-check send-binary $(printf '\x00\x82\x00\x00\x00\x80\x00\x01\x21%023d' 0 | tr '0' '\0' | { cat && printf 'health\x00\x00'; } | packet 1)
    tcp-check expect binary 0700000200000002
    tcp-check send-binary $(printf "\x03select concat('SYN', 'CED') from information_schema.global_status where variable_name = 'wsrep_local_state' and variable_value = 4" | packet 0)
    tcp-check expect string SYNCED
    tcp-check send-binary $(printf '\x01' | packet 0)
    default-server check inter 500ms fastinter 200ms fall 2 rise 2 on-marked-down shutdown-sessions on-marked-up shutdown-backup-sessions
CONF
        backup=''
        for other in "db${each#web}" "${databases[@]}"; do
            [ "$other" = "db${each#web}" ] && [ -n "$backup" ] && continue
            echo "    server $other 127.0.0.1:$(port "$1" "$other" sql)$backup"
            backup=' backup'
        done
    done
}

start_proxy() {
    local first
    mkdir -p "$front"
    touch "$front/studios.map"
    first=$(each_cluster echo | sed -n 1p)
    {
        cat <<CONF
global
    stats socket $proxy_socket mode 600 level admin
    pidfile $front/haproxy.pid
    maxconn 4000
defaults
    mode http
    timeout connect 1s
    timeout client 60s
    timeout server 300s
    timeout check 1s
    timeout queue 5s
    retries 3
    option redispatch 1
frontend site
    bind 127.0.0.1:$site_port
    # how many requests of each studio are under way, for whoever moves one
    stick-table type string len 100 size 100k expire 1h store conn_cur
    http-request set-var(txn.host) req.hdr(host),field(1,:),lower
    http-request track-sc0 var(txn.host)
    http-request set-header X-Forwarded-Proto %[ssl_fc,iif(https,http)]
    http-request set-var(txn.cluster) var(txn.host),map($front/studios.map,$first)
    use_backend moving if { var(txn.cluster) -m str moving }
    use_backend read-%[var(txn.cluster)] if METH_GET
    use_backend web-%[var(txn.cluster)]
    http-error status 503 content-type application/problem+json string '$(problem 503 'No server answers right now. Try again in a moment.')' hdr Retry-After 2
    http-error status 502 content-type application/problem+json string '$(problem 502 'A server ended in the middle of this. Try again in a moment.')' hdr Retry-After 2
backend moving
    http-request return status 503 content-type application/problem+json string '$(problem 503 'This studio is being moved. Try again in a moment.')' hdr Retry-After 2
CONF
        each_cluster proxy_of
    } >"$front/haproxy.cfg.new"
    if is_ours "$front/haproxy.pid" haproxy && cmp -s "$front/haproxy.cfg" "$front/haproxy.cfg.new"; then return 0; fi
    local old=()
    ! is_ours "$front/haproxy.pid" haproxy || old=(-sf "$(cat "$front/haproxy.pid")")
    mv "$front/haproxy.cfg.new" "$front/haproxy.cfg"
    haproxy -D -f "$front/haproxy.cfg" "${old[@]}" >"$front/start.log" 2>&1 9>&- 8>&- || { cat "$front/start.log" >&2 && fail "the proxy did not start"; }
}

problem() { printf '{"type":"about:blank","title":"%s","status":%d,"errors":[]}' "$2" "$1"; }

start_cluster() {
    local each
    case "$1" in [a-h]) ;; *) fail "a cluster is one letter from a to h, not $1" ;; esac
    mkdir -p "$clusters/$1"
    make_group_certificate "$1"
    say "Cluster $1: databases"
    start_databases "$1"
    start_proxy
    say "Cluster $1: web servers"
    for each in "${webs[@]}"; do
        use_node "$1" "$each"
        prepare_folders
        write_web_settings
    done
    use_node "$1" web1
    artisan migrate --force --no-interaction >"$var/log/migrate.log" 2>&1 || fail "the tables could not be made; see var/$instance/log/migrate.log"
    for each in "${webs[@]}"; do
        start_web_node "$1" "$each"
        wait_for 30 "web server $1 $each" answers_itself
    done
    wait_for 30 "the proxy" answers_as_site
    say "Cluster $1 is up behind http://127.0.0.1:$site_port"
}

stop_clusters() {
    ! is_ours "$front/haproxy.pid" haproxy || stop_one "$front/haproxy.pid" haproxy TERM
    each_cluster stop_cluster
}
stop_cluster() {
    local each
    for each in "${webs[@]}" "${databases[@]}"; do leave_node "$1" "$each"; done
}

status_of() {
    use_node "$1" "$2"
    case "$2" in
        db*) printf '%s %s  %s\n' "$1" "$2" "$(is_running && asked "select concat(max(if(variable_name = 'wsrep_cluster_status', variable_value, '')), ', ',
            max(if(variable_name = 'wsrep_local_state_comment', variable_value, '')), ', of ',
            max(if(variable_name = 'wsrep_cluster_size', variable_value, '')), ' nodes, refused ',
            max(if(variable_name = 'wsrep_local_cert_failures', variable_value, '')), ' + overtaken ',
            max(if(variable_name = 'wsrep_local_bf_aborts', variable_value, ''))) from information_schema.global_status" || echo 'stopped')" ;;
        *) printf '%s %s %s\n' "$1" "$2" "$(answers_itself >/dev/null 2>&1 && echo ' answers' || echo ' does not answer')" ;;
    esac
}

pids_of() {
    local each pid
    for each in nginx:nginx fpm:php-fpm keeper:bash; do
        is_ours "$var/run/${each%%:*}.pid" "${each#*:}" || continue
        pid=$(cat "$var/run/${each%%:*}.pid")
        printf '%s\n' "$pid"
        ps -o pid= --ppid "$pid" || true
    done
}

kill_node() {
    use_node "$1" "$2"
    case "$2" in
        db*) ! is_running || kill -9 "$(cat "$var/run/db.pid")" ;;
        *) pids_of | xargs -r kill -9 2>/dev/null || true ;;
    esac
}

cut_node() {
    use_node "$1" "$2"
    case "$2" in
        db*) asked "set global wsrep_provider_options = 'gmcast.isolate=1'" ;;
        *) pids_of | xargs -r kill -STOP ;;
    esac
}

# stays_together CLUSTER: all three say that they are three and in step, for longer than it takes to part.
stays_together() {
    local each second
    for second in 1 2 3 4 5; do
        for each in "${databases[@]}"; do
            use_node "$1" "$each"
            is_synced && [ "$(state_of cluster_size)" = ${#databases[@]} ] || return 1
        done
        sleep 0.8
    done
}

heal_node() {
    use_node "$1" "$2"
    case "$2" in
        db*)
            ! is_running || asked "set global wsrep_provider_options = 'gmcast.isolate=0'" || true
            join_database "$1" "$2"
            # a node that was cut off for a moment says that it is in step until it notices that the others parted from it
            wait_for 120 "cluster $1" stays_together "$1"
            ;;
        *)
            pids_of | xargs -r kill -CONT
            start_web_node "$1" "$2"
            wait_for 30 "web server $1 $2" answers_itself
            ;;
    esac
}

leave_node() {
    use_node "$1" "$2"
    stop_one "$var/run/keeper.pid" bash TERM
    stop_one "$var/run/nginx.pid" nginx QUIT
    stop_one "$var/run/fpm.pid" php-fpm QUIT
    stop_one "$var/run/db.pid" mariadbd TERM
}
