#!/usr/bin/env bash
# Builds the page into dist/: types, then the bundle.
set -euo pipefail
cd "$(dirname "$0")"
bash packages.sh
npm run --silent build
