#!/usr/bin/env bash
# Builds the page into dist/: packages only when the lock file changed, then types, then the bundle.
set -euo pipefail
cd "$(dirname "$0")"
wanted=$(sha256sum package-lock.json | cut -d' ' -f1)
if [ "$(cat node_modules/.installed-lock 2>/dev/null || true)" != "$wanted" ]; then
  npm ci --no-progress --loglevel=error
  echo "$wanted" > node_modules/.installed-lock
fi
npm run --silent build
