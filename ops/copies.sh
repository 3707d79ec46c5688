# Backups of one instance, and their way back. Sourced after common.sh, services.sh and use_instance.

KEPT_DAYS=14

# passphrase: from the environment, or from the file that keeps it; nothing where there is none.
passphrase() {
    if [ -n "${EVEN_RUNGS_PASSPHRASE:-}" ]; then
        printf '%s' "$EVEN_RUNGS_PASSPHRASE"
    elif [ -f "$var/passphrase" ]; then
        tr -d '\n' <"$var/passphrase"
    fi
}

# crypt -e|-d IN OUT: AES-256 with a key from the passphrase (PBKDF2, SHA-256, 600,000 rounds)
crypt() {
    EVEN_RUNGS_KEY=$(passphrase) openssl enc "$1" -aes-256-cbc -pbkdf2 -iter 600000 -md sha256 -pass env:EVEN_RUNGS_KEY -in "$2" -out "$3" 2>/dev/null
}

# where_from: how a copy is taken: through the socket of this machine's database, or of whichever node of a cluster the settings lead to.
where_from() {
    if [ -n "$(setting DB_SOCKET)" ]; then
        printf '%s\n' "--socket=$socket" "--user=$(id -un)"
    else
        printf '%s\n' --protocol=tcp "--host=$(setting DB_HOST)" "--port=$(setting DB_PORT)" "--user=$(setting DB_USERNAME)" "--ssl-ca=$(setting DB_TLS_CA)" --ssl-verify-server-cert
    fi
}

# make_backup FOLDER NAME: a consistent copy while everything runs; prints the file.
make_backup() {
    local folder=$1 name=$2 work file
    mkdir -p "$folder"
    chmod 700 "$folder" 2>/dev/null || true
    work=$(mktemp -d "$var/tmp/backup.XXXXXX")
    mkdir "$work/copy"
    local from=()
    mapfile -t from < <(where_from)
    MYSQL_PWD=$([ -n "$(setting DB_SOCKET)" ] || setting DB_PASSWORD) mariadb-dump --no-defaults "${from[@]}" --single-transaction --quick --no-tablespaces --skip-comments --hex-blob \
        even_rungs >"$work/copy/database.sql" 2>"$var/log/backup.log" || { rm -rf "$work" && fail "the database could not be copied; see var/$instance/log/backup.log"; }
    tail -c 200 "$work/copy/database.sql" | grep -q 'SQL_NOTES' || { rm -rf "$work" && fail "the copy of the database is not whole"; }
    cp "$var/app.env" "$work/copy/app.env"
    [ ! -d "$var/tls" ] || cp -r "$var/tls" "$work/copy/tls"
    {
        printf 'even-rungs backup 1\nversion %s\n' "$(git -C "$root" describe --always 2>/dev/null || echo unknown)"
        printf 'made %s\n' "$(date -u +%Y-%m-%dT%H:%M:%SZ)"
    } >"$work/copy/about"
    (cd "$work/copy" && find . -type f ! -name sums -print0 | sort -z | xargs -0 sha256sum >sums)
    tar -C "$work/copy" -czf "$work/backup.tar.gz" .
    file="$folder/$name.tar.gz"
    if [ -n "$(passphrase)" ]; then
        file="$file.enc"
        crypt -e "$work/backup.tar.gz" "$work/backup.enc" || { rm -rf "$work" && fail "the backup could not be encrypted"; }
        mv "$work/backup.enc" "$work/backup.tar.gz"
    fi
    chmod 600 "$work/backup.tar.gz"
    mv "$work/backup.tar.gz" "$file"
    (cd "$folder" && sha256sum "$(basename "$file")" >"$(basename "$file").sha256")
    rm -rf "$work"
    printf '%s\n' "$file"
}

# open_backup FILE FOLDER: what is in a backup, after its sums were compared; refuses what is damaged.
open_backup() {
    local file=$1 to=$2 packed=$1
    [ -f "$file" ] || fail "there is no file $file"
    if [ -f "$file.sha256" ] && [ "$(cut -d' ' -f1 <"$file.sha256")" != "$(sha256sum "$file" | cut -d' ' -f1)" ]; then
        fail "$file is damaged: its sum is not the one that was written down beside it. Nothing was changed"
    fi
    if [[ "$file" == *.enc ]]; then
        [ -n "$(passphrase)" ] || fail "$file is encrypted: set EVEN_RUNGS_PASSPHRASE to its passphrase"
        packed="$to/packed"
        crypt -d "$file" "$packed" || fail "$file cannot be opened with this passphrase, or it is damaged. Nothing was changed"
    fi
    tar -C "$to" -xzf "$packed" 2>/dev/null || fail "$file is damaged, no backup, or of another passphrase. Nothing was changed"
    grep -q '^even-rungs backup 1$' "$to/about" 2>/dev/null || fail "$file is no backup of Even Rungs. Nothing was changed"
    (cd "$to" && sha256sum --quiet --strict -c sums >/dev/null 2>&1) || fail "$file is damaged: what is in it does not have the sums that were written down. Nothing was changed"
}

# load_database FILE: puts a dump in the place of the database.
load_database() {
    db -e 'DROP DATABASE IF EXISTS even_rungs; CREATE DATABASE even_rungs CHARACTER SET utf8mb4' && db even_rungs <"$1"
}

# migrate_with_copy: brings the database up to date; where something is there, with a copy first that comes back if it fails.
migrate_with_copy() {
    local copy='' work
    if [ "$instance" = live ] && db -N -e "select 1 from information_schema.tables where table_schema = 'even_rungs' and table_name = 'studios'" | grep -q 1 &&
        ! artisan migrate:status --pending --no-interaction 2>/dev/null | grep -qi 'no pending'; then
        copy=$(make_backup "$var/backups" "before-update-$(date +%Y%m%d-%H%M%S)")
        say "A copy from before the update: $copy"
    fi
    if ! artisan migrate --force --no-interaction >"$var/log/migrate.log" 2>&1; then
        tail -n 5 "$var/log/migrate.log" >&2
        if [ -n "$copy" ]; then
            work=$(mktemp -d "$var/tmp/back.XXXXXX")
            open_backup "$copy" "$work" && load_database "$work/database.sql"
            rm -rf "$work"
            fail "the database could not be brought up to date, and was put back as it was. The version of before runs with it"
        fi
        fail "the database could not be brought up to date"
    fi
}

# age_of FILE: in words
age_of() {
    local s=$(($(date +%s) - $(stat -c %Y "$1")))
    if [ $s -lt 7200 ]; then printf '%d min' $((s / 60)); elif [ $s -lt 172800 ]; then printf '%d h' $((s / 3600)); else printf '%d days' $((s / 86400)); fi
}

newest_backup() { { ls -t "$var"/backups/nightly-*.tar.gz "$var"/backups/nightly-*.tar.gz.enc 2>/dev/null || true; } | head -n 1; }

drop_old_backups() { find "$var/backups" -maxdepth 1 -type f -name 'nightly-*' -mtime +$((KEPT_DAYS - 1)) -delete 2>/dev/null || true; }
