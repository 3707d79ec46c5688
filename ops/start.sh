#!/usr/bin/env bash
. "$(dirname "$0")/common.sh"
. "$(dirname "$0")/services.sh"
use_instance live
bash ops/install.sh all
start_services "${EVEN_RUNGS_PORT:-8431}" "${EVEN_RUNGS_DB_PORT:-8531}"
php artisan demo:seed
say ""
say "Even Rungs is ready:  http://127.0.0.1:$(setting WEB_PORT)"
say "Demo sign-in:         trainer@slipway.example  /  slipway-demo"
