# Starts and stops the services of one instance. Sourced after common.sh and use_instance.
. "$root/ops/copies.sh"
brotli=/usr/lib/nginx/modules/ngx_http_brotli_static_module.so

# server_user: as whom the web server's and PHP's workers run. Started by root, the studio and the demo have a system user of their own,
# where that user can read the program; tests and measurements run as whoever started them.
server_user() {
    if [ -z "${found_user:-}" ]; then
        found_user=$(id -un)
        if [ "$(id -u)" = 0 ] && { [ "$instance" = live ] || [ "$instance" = demo ]; }; then
            id even-rungs >/dev/null 2>&1 || useradd --system --no-create-home --shell /usr/sbin/nologin even-rungs >/dev/null 2>&1 || true
            # some packages come with files that only their owner may read
            chmod -R go+rX "$root/vendor"
            if as_user even-rungs php -r 'require $argv[1];' "$root/vendor/autoload.php" >/dev/null 2>&1; then
                found_user=even-rungs
            else
                say "The folder cannot be read by a user of its own: the servers run as root. Move it out of root's home to mend that." >&2
            fi
        fi
    fi
    printf '%s' "$found_user"
}

as_user() {
    local user=$1
    shift
    if [ "$user" = "$(id -un)" ]; then "$@"; else setpriv --reuid "$user" --regid "$user" --clear-groups "$@"; fi
}

# artisan WORDS...: a command of the application as the user of its workers, so that both can write what the other wrote.
artisan() { as_user "$(server_user)" php "$root/artisan" "$@"; }

prepare_folders() {
    local user
    user=$(server_user)
    mkdir -p "$var"/{run,log,conf,tmp,backups} "$var"/storage/{logs,framework/{cache/data,views,sessions}}
    chmod 711 "$var"
    chmod 700 "$var"/{tmp,backups} "$var/log"
    # nginx keeps large bodies here, PHP what it writes
    mkdir -p "$var/tmp/body"
    if [ "$user" != "$(id -un)" ]; then
        chmod 711 "$var/tmp"
        chown "$user:$user" "$var/tmp/body"
        [ "$(stat -c %U "$var/storage")" = "$user" ] || chown -R "$user:$user" "$var/storage"
    fi
}

# write_settings WEB_PORT DB_PORT CUFF_PORT CAMERA_PORT: settings are made once and kept; ports follow what is free.
write_settings() {
    local key password
    key=$(setting APP_KEY)
    password=$(setting DB_PASSWORD)
    [ -n "$key" ] || key="base64:$(head -c 32 /dev/urandom | base64)"
    [ -n "$password" ] || password=$(head -c 18 /dev/urandom | base64 | tr -dc 'A-Za-z0-9')
    local new="$var/app.env.new"
    {
        printf 'APP_ENV=%s\nAPP_KEY=%s\nAPP_URL=http://127.0.0.1:%s\n' "$(case $instance in test | plain) echo testing ;; *) echo production ;; esac)" "$key" "$1"
        printf 'CUFF_ADDRESS=%s\n' "${CUFF_ADDRESS:-127.0.0.1:$3}"
        printf 'CAMERA_ADDRESS=%s\n' "${CAMERA_ADDRESS:-$([ "$instance" = live ] || echo "127.0.0.1:$4")}"
        printf 'DB_SOCKET=%s\n' "$socket"
        printf 'WEB_PORT=%s\nDB_PORT=%s\nDB_DATABASE=even_rungs\nDB_USERNAME=even_rungs\nDB_PASSWORD=%s\n' "$1" "$2" "$password"
    } >"$new"
    chmod 600 "$new"
    if [ "$(server_user)" != "$(id -un)" ]; then
        chgrp "$(server_user)" "$new" && chmod 640 "$new"
    fi
    mv "$new" "$var/app.env"
}

db() { mariadb --no-defaults --socket="$socket" --user="$(id -un)" "$@"; }

# of_memory DIVISOR LEAST MOST: a share of this machine's memory in MB, within bounds.
of_memory() {
    local mb
    mb=$(awk '/^MemTotal/ {printf "%d", $2 / 1024}' /proc/meminfo)
    mb=$((mb / $1))
    [ "$mb" -ge "$2" ] || mb=$2
    [ "$mb" -le "$3" ] || mb=$3
    printf '%s' "$mb"
}

# most_workers: what people wait for is computing, so two a core, as far as there are 200 MB of memory for each; four at the least.
most_workers() {
    local workers
    workers=$((2 * $(nproc)))
    [ "$workers" -ge 4 ] || workers=4
    [ "$workers" -le "$(of_memory 200 4 64)" ] || workers=$(of_memory 200 4 64)
    printf '%s' "$workers"
}

start_database() {
    is_ours "$var/run/db.pid" mariadbd || run_database
    db -e "CREATE DATABASE IF NOT EXISTS even_rungs CHARACTER SET utf8mb4;
$(for from in 127.0.0.1 localhost; do
        echo "CREATE USER IF NOT EXISTS 'even_rungs'@'$from';
            ALTER USER 'even_rungs'@'$from' IDENTIFIED BY '$(setting DB_PASSWORD)';
            GRANT ALL ON even_rungs.* TO 'even_rungs'@'$from';"
        [ "$instance" = live ] || echo "GRANT ALL ON even_rungs_older.* TO 'even_rungs'@'$from';"
    done)" || fail "the database user could not be made"
}

run_database() {
    local pool=128 log=96
    case $instance in
        live | bench)
            pool=$(of_memory 8 128 2048)
            log=256
            ;;
    esac
    rm -f "$var/run/db.pid" "$socket"
    if [ ! -f "$var/mysql/installed" ]; then
        say "Making the database"
        rm -rf "$var/mysql"
        mkdir -p "$var/mysql"
        mariadb-install-db --no-defaults --datadir="$var/mysql" --user="$(id -un)" --skip-test-db \
            --auth-root-authentication-method=socket --auth-root-socket-user="$(id -un)" >"$var/log/install-db.log" 2>&1 ||
            fail "the database could not be made; see var/$instance/log/install-db.log"
        touch "$var/mysql/installed"
    fi
    nohup mariadbd --no-defaults --datadir="$var/mysql" --user="$(id -un)" --socket="$socket" --pid-file="$var/run/db.pid" \
        --bind-address=127.0.0.1 --port="$(setting DB_PORT)" --skip-name-resolve --log-error="$var/log/db.log" \
        --innodb-buffer-pool-size="${pool}M" --innodb-log-file-size="${log}M" --innodb-flush-log-at-trx-commit=1 --tmpdir="$var/tmp" \
        --character-set-server=utf8mb4 --collation-server=utf8mb4_unicode_ci --max-allowed-packet=64M \
        >/dev/null 2>&1 </dev/null 9>&- 8>&- &
    disown
    wait_for 60 "the database" db -e 'select 1'
}

# pool NAME SOCKET MANAGER CHILDREN MEMORY SECONDS: a pool of PHP processes; a request may take so long.
pool() {
    cat <<CONF
[$1]
listen = $2
listen.mode = 0600
$([ "$(id -u)" != 0 ] || printf 'listen.owner = %s\nlisten.group = %s\nuser = %s\ngroup = %s\n' "$(server_user)" "$(server_user)" "$(server_user)" "$(server_user)")
pm = $3
pm.max_children = $4
request_terminate_timeout = $(($6 * 3 / 2))s
clear_env = no
env[EVEN_RUNGS_INSTANCE] = $instance
php_admin_value[memory_limit] = $5
php_admin_value[post_max_size] = 20M
env[EVEN_RUNGS_SERVED] = $(cat "$var/run/served")
env[APP_CONFIG_CACHE] = $caches/config.php
env[APP_ROUTES_CACHE] = $caches/routes.php
php_admin_value[error_log] = $var/storage/logs/php.log
php_admin_value[max_execution_time] = $6
php_admin_flag[expose_php] = off
catch_workers_output = yes
CONF
}

# what_is_served: changes whenever the program, its packages or the settings do.
what_is_served() {
    {
        find app bootstrap/*.php config core data database formats resources routes storage api public/build/manifest.json \
            vendor/composer/installed.json -type f -printf '%p %s %T@\n' | sort
        cat "$var/app.env"
    } | md5sum | cut -d' ' -f1
}

# make_caches: the configuration and the routes as PHP that is read as it is, and the list of classes that PHP keeps at hand.
make_caches() {
    rm -f "$caches"/{config,routes,hot,checks}.php "$caches"/cache/built-library*.php
    (
        umask 077
        export DB_PERSISTENT=1 APP_CONFIG_CACHE="$caches/config.php" APP_ROUTES_CACHE="$caches/routes.php"
        { artisan config:cache && artisan route:cache && as_user "$(server_user)" php ops/hot.php "$caches"; } >"$var/log/caches.log" 2>&1
    ) || fail "what PHP keeps at hand could not be made; see var/$instance/log/caches.log"
}

# start_php: a pool for what people wait for, and one that takes what is long on purpose, one at a time: sheets of many in one file.
start_php() {
    local served
    served=$(what_is_served)
    if is_ours "$var/run/fpm.pid" php-fpm; then
        [ "$served" != "$(cat "$var/run/served" 2>/dev/null)" ] || return 0
        # PHP looks at no file a second time: what changed is served after a new start
        stop_one "$var/run/fpm.pid" php-fpm QUIT
    fi
    if [ "$served" != "$(cat "$var/run/served" 2>/dev/null)" ] || [ ! -f "$caches/checks.php" ]; then
        make_caches
        printf '%s\n' "$served" >"$var/run/served"
    fi
    {
        printf '[global]\npid = %s\nerror_log = %s\ndaemonize = yes\n' "$var/run/fpm.pid" "$var/log/fpm.log"
        pool www "$fpm_socket" static "$(most_workers)" 256M 10
        pool long "${fpm_socket%.sock}-long.sock" ondemand 1 512M 280
    } >"$var/conf/fpm.conf"
    local as_root=()
    [ "$(server_user)" != root ] || as_root=(-R)
    rm -f "$fpm_socket" "${fpm_socket%.sock}-long.sock" "$var/run/fpm.pid"
    EVEN_RUNGS_CACHES="$caches" php-fpm8.2 "${as_root[@]}" -y "$var/conf/fpm.conf" \
        -d opcache.enable=1 -d opcache.validate_timestamps=0 -d opcache.file_update_protection=0 -d opcache.jit=disable \
        -d opcache.memory_consumption=192 -d opcache.interned_strings_buffer=24 -d opcache.max_accelerated_files=16229 \
        -d realpath_cache_size=4M -d realpath_cache_ttl=3600 -d zend.assertions=-1 \
        -d opcache.preload="$root/bootstrap/preload.php" -d opcache.preload_user="$(server_user)" \
        >"$var/log/fpm-start.log" 2>&1 9>&- 8>&- || fail "PHP did not start; see var/$instance/log/fpm-start.log"
}

# to_php [SOCKET SECONDS]: what a location says that the application answers. As many requests wait as are answered within some seconds; who
# comes then is told to come again.
to_php() {
    cat <<CONF
            include /etc/nginx/fastcgi_params;
            fastcgi_param SCRIPT_FILENAME $root/public/index.php;
            fastcgi_param SCRIPT_NAME /index.php;
$([ -z "${behind:-}" ] || echo '            fastcgi_param HTTPS $tls_before if_not_empty;')
            fastcgi_pass unix:${1:-$fpm_socket};
            fastcgi_read_timeout ${2:-30}s;
            limit_conn asked $([ -n "${1:-}" ] && echo 4 || echo $((16 * $(most_workers))));
CONF
}

# What both servers answer.
site_rules() {
    cat <<CONF
        root $root/public;
        location @too-large {
            default_type application/problem+json;
            return 413 '{"type":"about:blank","title":"That is too large.","status":413,"errors":[]}';
        }
        location @busy {
            default_type application/problem+json;
            add_header Retry-After 2 always;
            return 503 '{"type":"about:blank","title":"Too much at once right now. Nothing was changed; try again in a moment.","status":503,"errors":[]}';
        }
        add_header Strict-Transport-Security \$hsts always;
        location ~ ^/(build|drawn)/ {
            gzip_static on;
$([ ! -f "$brotli" ] || echo '            brotli_static on;')
            add_header Strict-Transport-Security \$hsts always;
            add_header Cache-Control "public, max-age=31536000, immutable";
            add_header X-Content-Type-Options nosniff;
            try_files \$uri =404;
        }
        location = /icon.svg { try_files \$uri =404; }
        location = /app.webmanifest {
            default_type application/manifest+json;
            try_files \$uri =404;
        }
        location = /sw.js {
            add_header Strict-Transport-Security \$hsts always;
            add_header Cache-Control no-cache;
            try_files \$uri =404;
        }
$([ "$instance" != bench ] || cat <<BARE
        location = /bare {
            include /etc/nginx/fastcgi_params;
            fastcgi_param SCRIPT_FILENAME $root/bench/bare.php;
            fastcgi_pass unix:$fpm_socket;
        }
BARE
)
        # files of a take-out or of logs are large, everything else is not
        location ~ ^/api/(read-in(/check)?|ladders/import(/check)?|audit(/fix)?|clients/[^/]+/(logs/import|lines))$ {
            client_max_body_size 16m;
$(to_php)
        }
        location ~ ^/api/(sheets|logs\.zip)$ {
$(to_php "${fpm_socket%.sock}-long.sock" 300)
        }
        location / {
$(to_php)
        }
CONF
}

# lan_server: a second server for the studio's own network, over TLS, where `start --lan` asked for it.
lan_server() {
    [ -f "$var/lan" ] || return 0
    make_certificate
    cat <<CONF
    ssl_certificate $var/tls/server.crt;
    ssl_certificate_key $var/tls/server.key;
    ssl_protocols TLSv1.2 TLSv1.3;
    server {
        listen 0.0.0.0:$(cat "$var/lan") ssl http2 default_server;
        server_name _;
        return 421;
    }
    server {
        listen 0.0.0.0:$(cat "$var/lan") ssl http2;
        server_name $(studio_names | sed 's/^[A-Z]*://' | tr '\n' ' ');
        location = /studio-ca.crt {
            default_type application/x-x509-ca-cert;
            alias $var/conf/studio-ca.crt;
        }
        include $var/conf/site.conf;
    }
CONF
}

# studio_names: the names and addresses that this machine is reached by, one a line, as a certificate writes them.
studio_names() {
    local address
    printf 'DNS:%s\n' localhost "$(hostname)" "$(hostname).local" | sort -u
    printf 'IP:127.0.0.1\n'
    for address in $(hostname -I); do
        [[ "$address" == *:* ]] || [ "$address" = 127.0.0.1 ] || printf 'IP:%s\n' "$address"
    done
}

# make_certificate: an authority of the studio's own that can vouch for this machine's names and addresses and nothing else, and a
# certificate by it. The certificate is renewed a month before its year ends; the authority only when the names change.
make_certificate() {
    local names constraints
    names=$(studio_names)
    mkdir -p "$var/tls"
    chmod 700 "$var/tls"
    if [ ! -f "$var/tls/studio-ca.key" ] || [ "$names" != "$(cat "$var/tls/names" 2>/dev/null)" ]; then
        [ ! -f "$var/tls/studio-ca.key" ] || say "The names or addresses of this machine changed: each tablet needs the new authority from /studio-ca.crt once more."
        constraints=$(printf '%s\n' "$names" | sed 's/^DNS:\(.*\)/permitted;DNS:\1/; s/^IP:\(.*\)/permitted;IP:\1\/255.255.255.255/' | paste -sd, -)
        openssl req -x509 -newkey rsa:3072 -nodes -days 3650 -sha256 -subj "/CN=Even Rungs, this studio" \
            -addext basicConstraints=critical,CA:TRUE,pathlen:0 -addext keyUsage=critical,keyCertSign -addext "nameConstraints=critical,$constraints" \
            -keyout "$var/tls/studio-ca.key" -out "$var/tls/studio-ca.crt" 2>"$var/log/tls.log" || fail "no authority could be made; see var/$instance/log/tls.log"
        chmod 600 "$var/tls/studio-ca.key"
        printf '%s\n' "$names" >"$var/tls/names"
        rm -f "$var/tls/server.crt"
    fi
    cp "$var/tls/studio-ca.crt" "$var/conf/studio-ca.crt"
    if [ -f "$var/tls/server.crt" ] && openssl x509 -checkend 2592000 -noout -in "$var/tls/server.crt" >/dev/null; then
        return
    fi
    openssl req -newkey rsa:2048 -nodes -subj "/CN=$(hostname | cut -c1-60)" -keyout "$var/tls/server.key" -out "$var/tls/server.csr" 2>>"$var/log/tls.log"
    openssl x509 -req -in "$var/tls/server.csr" -CA "$var/tls/studio-ca.crt" -CAkey "$var/tls/studio-ca.key" -CAcreateserial -days 365 -sha256 \
        -extfile <(printf 'subjectAltName=%s\nextendedKeyUsage=serverAuth\n' "$(printf '%s\n' "$names" | paste -sd, -)") -out "$var/tls/server.crt" 2>>"$var/log/tls.log" ||
        fail "no certificate could be made; see var/$instance/log/tls.log"
    chmod 600 "$var/tls/server.key"
}

start_web() {
    local conf
    cat >"$var/conf/nginx.conf.new" <<CONF
$([ "$(id -u)" != 0 ] || echo "user $(server_user);")
$([ ! -f "$brotli" ] || echo "load_module $brotli;")
worker_processes 2;
pid $var/run/nginx.pid;
error_log $var/log/nginx.log;
events { worker_connections 2048; }
http {
    include /etc/nginx/mime.types;
    types { application/manifest+json webmanifest; }
    default_type application/octet-stream;
    access_log off;
    server_tokens off;
    sendfile on;
    gzip on;
    gzip_comp_level 6;
    gzip_types application/javascript text/javascript text/css text/csv text/calendar application/json application/schema+json
        application/problem+json application/manifest+json image/svg+xml;
    gzip_min_length 1000;
    limit_conn_zone \$server_port zone=asked:1m;
    limit_conn_status 503;
    limit_conn_log_level notice;
    client_max_body_size 1m;
    error_page 413 @too-large;
    error_page 503 @busy;
    map \$https${behind:+\$tls_before} \$hsts {
        on "max-age=31536000";
        default "";
    }
    client_body_temp_path $var/tmp/body;
    proxy_temp_path $var/tmp/proxy;
    fastcgi_temp_path $var/tmp/fastcgi;
    uwsgi_temp_path $var/tmp/uwsgi;
    scgi_temp_path $var/tmp/scgi;
$([ -z "${behind:-}" ] || cat <<BEHIND
    # a proxy stands before it and says who asks and how
    set_real_ip_from 127.0.0.1;
    real_ip_header proxy_protocol;
    map \$http_x_forwarded_proto \$tls_before {
        https on;
        default "";
    }
BEHIND
)
    # a page that was led here under another name gets nothing
    server {
        listen 127.0.0.1:$(setting WEB_PORT)${behind:+ proxy_protocol} default_server;
        server_name _;
        return 421;
    }
    server {
        listen 127.0.0.1:$(setting WEB_PORT)${behind:+ proxy_protocol};
        server_name 127.0.0.1 localhost${behind:+ *.localhost};
        include $var/conf/site.conf;
    }
$(lan_server)
}
CONF
    site_rules >"$var/conf/site.conf.new"
    if is_ours "$var/run/nginx.pid" nginx; then
        if cmp -s "$var/conf/nginx.conf" "$var/conf/nginx.conf.new" && cmp -s "$var/conf/site.conf" "$var/conf/site.conf.new"; then
            rm "$var/conf/nginx.conf.new" "$var/conf/site.conf.new"
            return 0
        fi
        stop_one "$var/run/nginx.pid" nginx QUIT
    fi
    for conf in nginx site; do mv "$var/conf/$conf.conf.new" "$var/conf/$conf.conf"; done
    rm -f "$var/run/nginx.pid"
    nginx -c "$var/conf/nginx.conf" >"$var/log/nginx-start.log" 2>&1 9>&- 8>&- || { tail -n 2 "$var/log/nginx-start.log" >&2 && fail "the web server did not start"; }
}

# start_cuff: the simulated pressure cuff, unless a device of another address is set.
start_cuff() {
    if [ -n "${CUFF_ADDRESS:-}" ] || is_ours "$var/run/cuff.pid" php; then
        return
    fi
    nohup php "$root/devices/cuff.php" "${1}" >"$var/log/cuff.log" 2>&1 </dev/null 9>&- 8>&- &
    echo $! >"$var/run/cuff.pid"
}

# start_camera PORT: the simulated camera of the demo and the tests, unless a device of another address is set.
start_camera() {
    if [ "$instance" = live ] || [ -n "${CAMERA_ADDRESS:-}" ] || is_ours "$var/run/camera.pid" php; then
        return
    fi
    nohup php "$root/devices/camera.php" "${1}" >"$var/log/camera.log" 2>&1 </dev/null 9>&- 8>&- &
    echo $! >"$var/run/camera.pid"
}

# end_orphans PIDFILE NAME: workers outlive a master that was killed; they carry its process id as their session.
end_orphans() {
    local leader stat session
    leader=$(cat "$1" 2>/dev/null) || return 0
    [ -n "$leader" ] || return 0
    for stat in /proc/[0-9]*/stat; do
        session=$(sed 's/^.*) //' "$stat" 2>/dev/null | cut -d' ' -f4) || continue
        if [ "$session" = "$leader" ] && tr '\0' ' ' <"${stat%stat}cmdline" 2>/dev/null | grep -q "^$2: "; then
            kill -9 "$(basename "${stat%/stat}")" 2>/dev/null || true
        fi
    done
    rm -f "$1"
}

# stop_one PIDFILE NAME SIGNAL
stop_one() {
    if is_ours "$1" "$2"; then
        local pid
        pid=$(cat "$1")
        kill "-$3" "$pid" 2>/dev/null || true
        local end=$((SECONDS + 30))
        while [ -d "/proc/$pid" ] && [ $SECONDS -lt $end ]; do sleep 0.1; done
    fi
    rm -f "$1"
}

# start_keeper: backups every night and short logs, without anybody who thinks of it.
start_keeper() {
    if is_ours "$var/run/keeper.pid" bash; then
        return
    fi
    nohup bash "$root/ops/keeper.sh" "$instance" >>"$var/log/keeper.log" 2>&1 </dev/null 9>&- 8>&- &
    echo $! >"$var/run/keeper.pid"
}

# cut_logs: what the servers write is cut at 5 MB, the last MB kept beside it.
cut_logs() {
    local log
    for log in "$var"/log/*.log "$var"/storage/logs/*.log; do
        [ -f "$log" ] && [ "$(stat -c %s "$log")" -gt 5242880 ] || continue
        tail -c 1048576 "$log" >"$log.before" && : >"$log"
    done
}

stop_services() {
    stop_one "$var/run/keeper.pid" bash TERM
    stop_one "$var/run/cuff.pid" php TERM
    stop_one "$var/run/camera.pid" php TERM
    stop_one "$var/run/nginx.pid" nginx QUIT
    stop_one "$var/run/fpm.pid" php-fpm QUIT
    stop_one "$var/run/db.pid" mariadbd TERM
}

# start_services WEB_PORT DB_PORT: ports to try first
start_services() {
    prepare_folders
    # two starts at once take turns
    exec 9>"$var/run/start.lock"
    flock 9
    # and copies in other folders too, until each has its ports
    exec 8>"/tmp/even-rungs-start-$(id -u).lock"
    flock 8
    local web_port db_port
    is_ours "$var/run/fpm.pid" php-fpm || end_orphans "$var/run/fpm.pid" php-fpm
    is_ours "$var/run/nginx.pid" nginx || end_orphans "$var/run/nginx.pid" nginx
    web_port=$(setting WEB_PORT)
    db_port=$(setting DB_PORT)
    is_ours "$var/run/nginx.pid" nginx || web_port=$(chosen_port WEB_PORT "$1")
    is_ours "$var/run/db.pid" mariadbd || db_port=$(chosen_port DB_PORT "$2")
    local cuff_port
    cuff_port=$(setting CUFF_ADDRESS)
    cuff_port=${cuff_port##*:}
    is_ours "$var/run/cuff.pid" php || cuff_port=$(first_free_port "$(($2 + 50))")
    local camera_port
    camera_port=$(setting CAMERA_ADDRESS)
    camera_port=${camera_port##*:}
    is_ours "$var/run/camera.pid" php || camera_port=$(first_free_port "$(($2 + 70))")
    write_settings "$web_port" "$db_port" "$cuff_port" "$camera_port"
    start_database
    migrate_with_copy
    start_php
    start_web
    start_cuff "$cuff_port"
    start_camera "$camera_port"
    cut_logs
    [ "$instance" != live ] || start_keeper
    wait_for 30 "the application" curl -fsS "http://127.0.0.1:$web_port/api/health"
    exec 8>&- 9>&-
}
