#!/usr/bin/env bash
. "$(dirname "$0")/common.sh"
. "$(dirname "$0")/services.sh"
use_instance live
stop_services
say "Stopped. The data stays in var/live."
