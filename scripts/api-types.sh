#!/usr/bin/env bash
# Writes the API's schema, the job file's, an order's and the tables that the screen goes by from the code, and the web's types from the schema.
# With --check, says so and fails when what is committed differs.
set -euo pipefail
ROOT=$(cd "$(dirname "$0")/.." && pwd)
cd "$ROOT"
made=$(mktemp -d)
trap 'rm -rf "$made"' EXIT
FERNBACK_SECRET_KEY=schema-only .venv/bin/python server/manage.py export_openapi_schema --api fernback.api.api --indent 1 \
  --output "$made/openapi.json"
.venv/bin/python -m driveline schema >"$made/job.schema.json"
.venv/bin/python -m driveline schema order >"$made/order.schema.json"
.venv/bin/python -m driveline tables >"$made/tables.json"
(cd web && npx --no-install openapi-typescript "$made/openapi.json" -o "$made/schema.d.ts" >/dev/null 2>&1)
if [ "${1:-}" = --check ]; then
  cmp "$made/openapi.json" docs/formats/openapi.json && cmp "$made/job.schema.json" docs/formats/job.schema.json &&
    cmp "$made/order.schema.json" docs/formats/order.schema.json &&
    cmp "$made/schema.d.ts" web/src/api/schema.d.ts && cmp "$made/tables.json" web/src/api/tables.json && exit 0
  echo "The API and its generated types differ. Run scripts/api-types.sh and commit what it writes." >&2
  exit 1
fi
mkdir -p docs/formats web/src/api
cp "$made/openapi.json" "$made/job.schema.json" "$made/order.schema.json" docs/formats/
cp "$made/schema.d.ts" "$made/tables.json" web/src/api/
