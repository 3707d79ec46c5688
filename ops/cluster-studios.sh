# Studios shared out over clusters. Sourced by cluster.sh.

first_cluster() { each_cluster echo | sed -n 1p; }
places() { (artisan_on "$(first_cluster)" web1 studio:places "$@"); }
studio_act() { (artisan_on "$1" web1 studio:move "${@:2}"); } # CLUSTER ACT [WORD]

# tell_proxy COMMAND: what the running proxy answers.
tell_proxy() {
    php -r '$s = stream_socket_client("unix://".$argv[1]); fwrite($s, $argv[2]."\n"); echo stream_get_contents($s);' "$proxy_socket" "$1"
}

# set_place HOST CLUSTER|moving: from now on, and for the next start.
set_place() {
    tell_proxy "set map $front/studios.map $1 $2" | grep -q . && tell_proxy "add map $front/studios.map $1 $2" >/dev/null
    local old
    old=$(cut -d' ' -f1 "$front/studios.map")
    places map >"$front/studios.map"
    # a name that a studio had before leads nowhere any more
    for old in $old; do
        grep -q "^$old " "$front/studios.map" || tell_proxy "del map $front/studios.map $old" >/dev/null
    done
}

under_way() { tell_proxy 'show table site' | grep -F "key=$1 " | sed -n 's/.*conn_cur=//p'; }
is_idle() { [ "$(under_way "$1")" = 0 ] || [ -z "$(under_way "$1")" ]; }

has_studio() { # CLUSTER NODE ID
    (use_node "$1" "$2" && asked "select 1 from even_rungs.studios where id = '$3'") | grep -q 1
}

# drop_removed HOST: the host name of a studio that no cluster has any more is free.
drop_removed() {
    local id each
    read -r id each < <(places of "$1") || return 0
    for each in $(each_cluster echo); do
        [ -z "$(studio_act "$each" find "$id")" ] || return 0
    done
    places drop "$1"
}

place_studio() { # NAME HOST
    local each id
    [[ "$2" =~ ^[a-z0-9][a-z0-9.-]{0,98}$ ]] || fail "a host name has small letters, digits, dots and hyphens: $2"
    drop_removed "$2"
    for each in $(each_cluster echo); do
        id=$(studio_act "$each" find "$1")
        [ -n "$id" ] || continue
        [ "$(printf '%s\n' "$id" | wc -l)" = 1 ] || fail "there is more than one studio $1 in cluster $each; rename one first"
        places put "$2" "$id" "$each" || fail "$2 is another studio's"
        read -r id each < <(places of "$2")
        set_place "$2" "$each"
        say "$1 is in cluster $each and answers at http://$2:$site_port"
        return 0
    done
    fail "no cluster has a studio $1"
}

move_studio() { # HOST CLUSTER
    local host=$1 to=$2 id from each
    check_node "$to" web1
    exec 7>"$front/move.lock"
    flock -n 7 || fail "another studio is being moved"
    read -r id from < <(places of "$host") || fail "no studio answers at $host: ops/cluster.sh place STUDIO HOST"
    if [ "$from" != "$to" ]; then
        places begin "$host" "$to" || fail "$host is on its way to another cluster"
        trap 'places back "$host"; set_place "$host" "$from"; say "Nothing was moved: $host is where it was." >&2' EXIT
        set_place "$host" moving
        # who was let in before is answered first
        wait_for 20 "what is under way at $host" is_idle "$host"
        # of a move that broke off; what counts is still where it was
        studio_act "$to" gone "$id"
        studio_act "$from" out "$id" | studio_act "$to" in || fail "cluster $to did not take it"
        # a large studio is some time on its way to the others
        for each in "${databases[@]}"; do wait_for 300 "database $to $each" has_studio "$to" "$each" "$id"; done
        places end "$host"
        trap - EXIT
        set_place "$host" "$to"
    fi
    for each in $(each_cluster echo); do
        [ "$each" = "$to" ] || studio_act "$each" gone "$id"
    done
    say "$host is in cluster $to"
}
