# Shared by the scripts of this folder: where things are, what must be there, how the jar is built.
root=$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)
jar=$root/app/target/morphotera-app.jar

need() { # need COMMAND WHAT
  command -v "$1" >/dev/null || { echo "$2 is needed ($1 was not found)." >&2; exit 1; }
}

need_tools() {
  need java "JDK 17"
  need mvn "Maven"
  need node "Node 20"
  need npm "npm"
}

# The application as a command that takes the place of its shell (so: in the background): laid out beside its libraries, with the sample data's classes and an archive of them all.
application() { # application OPTIONS…
  exec java $java_options -XX:SharedArchiveFile="$root/demo/target/app.jsa" -Xshare:auto -Xlog:cds=off \
    -cp "$root/app/target/app/morphotera-app.jar:$root/demo/target/morphotera-demo.jar" \
    org.morphotera.server.MorphoteraApplication "$@"
}

# Everything that the jar is made of, as one number: built again only when it changed.
sources_mark() {
  (cd "$root" && { find pom.xml */pom.xml */src/main web/src web/public web/scripts demo/*.sh web/*.sh -type f
    find web -maxdepth 1 -type f; } | LC_ALL=C sort -u | xargs sha256sum | sha256sum | cut -d' ' -f1)
}

build_jar() {
  local mark=$root/app/target/.built-from now
  now=$(sources_mark)
  if [ ! -f "$jar" ] || [ ! -d "$root/demo/target/data" ] || [ "$(cat "$mark" 2>/dev/null || true)" != "$now" ]; then
    echo "Building Morphotera (the first time takes some minutes) …"
    # the page's packages come in while the core is compiled
    (cd "$root/web" && bash packages.sh) &
    local packages=$!
    (cd "$root" && mvn -q -B -ntp -T 2 -Dquick package -pl '!e2e,!testkit') || { kill $packages 2>/dev/null; exit 1; }
    wait $packages
    echo "$now" > "$mark"
  fi
}

java_options="-XX:TieredStopAtLevel=1 -XX:+UseSerialGC"
