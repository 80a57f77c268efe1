#!/usr/bin/env bash
# Makes the data file of the demo, and with the same run the archive of classes that lets the application start sooner.
set -euo pipefail
source "$(dirname "$0")/../bin/lib.sh"
cd "$root/demo/target"
rm -rf data app.jsa
mkdir data
java $java_options -Xlog:cds=off -Xlog:cds+dynamic=off -XX:ArchiveClassesAtExit="$class_archive" \
  -cp "$(server_path)" $main_class --spring.profiles.active=demo,make-data --server.port=0 \
  --spring.session.jdbc.cleanup-cron=- --morphotera.data="$PWD/data/morphotera" --logging.level.org.morphotera=warn
rmdir data/morphotera-work 2>/dev/null || true
date +%F > data/made-on
