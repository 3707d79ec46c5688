# Backups of clusters: the same files as ./even-rungs backup writes. Sourced by cluster.sh.

# backup_cluster CLUSTER FOLDER: of whichever database the proxy leads to.
backup_cluster() {
    use_node "$1" web1
    make_backup "$(absolute "$2")" "cluster-$1-$(date +%Y%m%d-%H%M%S)"
}

# restore_cluster CLUSTER FILE: in the place of what is there. Told to one database, written to all.
restore_cluster() {
    local work each
    use_node "$1" db1
    [ "$(db -N -e 'select count(*) from even_rungs.studios')" = 0 ] ||
        fail "there are studios in cluster $1; take a backup and remove them, or restore into another cluster"
    work=$(mktemp -d "$var/tmp/restore.XXXXXX")
    open_backup "$(absolute "$2")" "$work"
    for each in "${webs[@]}"; do leave_node "$1" "$each"; done
    use_node "$1" db1
    load_database "$work/database.sql" || fail "the database of the backup could not be read in"
    (umask 077 && sed -n 's/^APP_KEY=//p' "$work/app.env" | tr -d '\n' >"$clusters/$1/key")
    rm -rf "$work"
    start_cluster "$1"
}
