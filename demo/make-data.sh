#!/usr/bin/env bash
# Makes the data file of the demo, and with the same run the archive of classes that lets the application start sooner.
set -euo pipefail
cd "$(dirname "$0")"
root=$(cd .. && pwd)
rm -rf target/data target/app.jsa
mkdir target/data
java -XX:TieredStopAtLevel=1 -XX:+UseSerialGC -Xlog:cds=off -Xlog:cds+dynamic=off \
  -XX:ArchiveClassesAtExit="$root/demo/target/app.jsa" \
  -cp "$root/app/target/app/morphotera-app.jar:$root/demo/target/morphotera-demo.jar" \
  org.morphotera.server.MorphoteraApplication --spring.profiles.active=demo,make-data --server.port=0 --spring.session.jdbc.cleanup-cron=- \
  --morphotera.data="$root/demo/target/data/morphotera" --logging.level.org.morphotera=warn
rmdir target/data/morphotera-work 2>/dev/null || true
date +%F > target/data/made-on
