#!/usr/bin/env bash
# Clusters on this machine, to try what docs/scale.md lays out on several: each has three MariaDB nodes with Galera and two web servers; one
# HAProxy stands before all of them and knows which studio is in which. Everything lies in var/cluster and listens on loopback only.
. "$(dirname "$0")/common.sh"
. "$(dirname "$0")/services.sh"
. "$(dirname "$0")/cluster-nodes.sh"
set_up_names

usage() {
    cat <<'HELP'
ops/cluster.sh start [CLUSTER]     three databases, two web servers and the proxy; a cluster is one letter, a without a word
ops/cluster.sh stop                all clusters; their data stays in var/cluster
ops/cluster.sh status              what each node says of itself
ops/cluster.sh kill CLUSTER NODE   ends db1 to db3, web1 or web2 as a power cut would
ops/cluster.sh cut CLUSTER NODE    takes a database off the others, or stops a web server in the middle of what it does
ops/cluster.sh heal CLUSTER NODE   ends a cut, or starts what was ended, and waits until the node is as the others
ops/cluster.sh leave CLUSTER NODE  ends a node in good order, as before an upgrade; heal takes it back
ops/cluster.sh hold CLUSTER NODE SECONDS
                                   a database takes nothing of the others for so long, and answers with what it has
ops/cluster.sh artisan CLUSTER NODE WORDS...
                                   a command of the application, on what one database node (or web server) sees
ops/cluster.sh place STUDIO HOST   a studio of any cluster gets a host name of its own
ops/cluster.sh move HOST CLUSTER   everything of a studio goes to another cluster, under the same host name
ops/cluster.sh backup CLUSTER FOLDER, restore CLUSTER FILE
                                   a file as ./even-rungs backup writes it; only a cluster without a studio takes one
HELP
}

act=${1:-}
[ $# -eq 0 ] || shift
# two who start and stop at once take turns
mkdir -p "$clusters"
case "$act" in start | stop) exec 9>"$clusters/lock" && flock 9 ;; esac
case "$act" in
    start)
        need_cluster_packages
        bash ops/install.sh all
        start_cluster "${1:-a}"
        ;;
    stop) stop_clusters ;;
    status) each_node status_of ;;
    kill | cut | heal | leave)
        [ $# -eq 2 ] || { usage && exit 2; }
        check_node "$1" "$2"
        "${act}_node" "$1" "$2"
        ;;
    hold)
        [ $# -eq 3 ] || { usage && exit 2; }
        check_node "$1" "$2"
        use_node "$1" "$2"
        asked "flush tables with read lock; do sleep($3)"
        ;;
    artisan)
        [ $# -ge 3 ] || { usage && exit 2; }
        check_node "$1" "$2"
        artisan_on "$@"
        ;;
    place | move)
        [ $# -eq 2 ] || { usage && exit 2; }
        . "$(dirname "$0")/cluster-studios.sh"
        "${act}_studio" "$1" "$2"
        ;;
    backup | restore)
        [ $# -eq 2 ] || { usage && exit 2; }
        check_node "$1" db1
        . "$(dirname "$0")/cluster-copies.sh"
        "${act}_cluster" "$1" "$2"
        ;;
    *) usage && [ -z "$act" ] || exit 2 ;;
esac
