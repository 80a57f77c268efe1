#!/usr/bin/env bash
# Builds the page into dist/: types, then the bundle. "build" as the argument fetches no packages of tests and checks.
set -euo pipefail
cd "$(dirname "$0")"
bash packages.sh "${1:-all}"
npm run --silent build
