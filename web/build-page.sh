#!/usr/bin/env bash
# Builds the page into dist/. "build" as the argument fetches no packages of tests and checks, and makes no types, which
# only the compiler's check asks for.
set -euo pipefail
cd "$(dirname "$0")"
bash packages.sh "${1:-all}"
[ "${1:-all}" = build ] || npm run --silent types
npm run --silent build
