#!/usr/bin/env bash
# Fetches the page's packages when the lock file changed since, one caller at a time: with "build" only those that the page
# is made of and built with, else those of tests and checks too.
set -euo pipefail
cd "$(dirname "$0")"
exec 9>.packages-lock
flock 9
wanted=$(sha256sum package-lock.json | cut -d' ' -f1)
have=$(cat node_modules/.installed-lock 2>/dev/null || true)
[ "$have" = "$wanted all" ] && exit
if [ "${1:-all}" = build ]; then
  [ "$have" = "$wanted build" ] && exit
  npm ci --omit=dev --no-progress --no-audit --no-fund --loglevel=error
else
  npm ci --no-progress --no-audit --no-fund --loglevel=error
fi
echo "$wanted ${1:-all}" > node_modules/.installed-lock
