#!/usr/bin/env bash
# Fetches the page's packages when the lock file changed since, one caller at a time: with "build" only those that the page
# is made of and built with, else those of types, tests and checks too.
set -euo pipefail
cd "$(dirname "$0")"
exec 9>.packages-lock
flock 9
wanted=$(sha256sum package-lock.json | cut -d' ' -f1)
have=$(cat node_modules/.installed-lock 2>/dev/null || true)
[ "$have" = "$wanted all" ] && exit
options=(--no-progress --no-audit --no-fund --loglevel=error)
if [ "${1:-all}" = build ]; then
  [ "$have" = "$wanted build" ] && exit
  options+=(--omit=dev)
fi
apart=$(mktemp -d -p . .packages.XXXXXX)
trap 'rm -rf "$apart"' EXIT
cp package.json .npmrc "$apart"
node scripts/addresses.mjs "$(npm config get registry)" "$apart/package-lock.json"
if (cd "$apart" && npm ci "${options[@]}"); then
  rm -rf node_modules
  mv "$apart/node_modules" node_modules
else
  # a registry that keeps its packages elsewhere is asked for each address
  npm ci "${options[@]}"
fi
echo "$wanted ${1:-all}" > node_modules/.installed-lock
