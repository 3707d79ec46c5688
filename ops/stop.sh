#!/usr/bin/env bash
. "$(dirname "$0")/common.sh"
. "$(dirname "$0")/services.sh"
for each in live demo; do
    use_instance "$each"
    stop_services
done
say "Stopped. The studio's data stays in var/live, the demo's in var/demo."
