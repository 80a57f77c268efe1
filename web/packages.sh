#!/usr/bin/env bash
# Fetches the page's packages, when the lock file changed since they were fetched; one at a time.
set -euo pipefail
cd "$(dirname "$0")"
exec 9>.packages.lock
flock 9
wanted=$(sha256sum package-lock.json | cut -d' ' -f1)
if [ "$(cat node_modules/.installed-lock 2>/dev/null || true)" != "$wanted" ]; then
  npm ci --no-progress --no-audit --no-fund --loglevel=error
  echo "$wanted" > node_modules/.installed-lock
fi
