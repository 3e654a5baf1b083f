#!/usr/bin/env bash
# Regenerate the typed client of the web application from the server's OpenAPI document.
ROOT=$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)
. "$ROOT/tools/prepare.sh"
prepare_core
cd "$ROOT/server"
AMVEL_SECRET_KEY=only-for-schema "$ROOT/.venv/bin/python" manage.py export_openapi_schema --api api.root.api --indent 1 --output "$ROOT/web/src/api/openapi.json"
cd "$ROOT/web" && npm run --silent client
