#!/usr/bin/env bash
# Builds the page into dist/. "build" as the argument fetches no packages of tests and checks, makes no types, which only
# the compiler's check asks for, and packs no files, which the server does as they are asked for.
set -euo pipefail
cd "$(dirname "$0")"
# what an earlier build made, packed or under other names, must not be served beside this one
rm -rf target/classes/static
bash packages.sh "${1:-all}"
if [ "${1:-all}" = build ]; then
  export PAGE_UNPACKED=1
else
  npm run --silent types
fi
npm run --silent build
