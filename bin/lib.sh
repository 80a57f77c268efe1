# Shared by the scripts of this folder: where things are, what must be there, how the jar is built.
root=$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)
jar=$root/server/target/morphotera-app.jar

need() { # need COMMAND WHAT
  command -v "$1" >/dev/null || { echo "$2 is needed ($1 was not found)." >&2; exit 1; }
}

need_tools() {
  need java "JDK 17"
  need mvn "Maven"
  need node "Node 20"
  need npm "npm"
}

# Everything that the jar is made of, as one number: built again only when it changed.
sources_mark() {
  (cd "$root" && { find pom.xml */pom.xml core/src/main browser/src/main server/src/main web/src web/public web/scripts -type f
    find web -maxdepth 1 -type f; } | LC_ALL=C sort | xargs sha256sum | sha256sum | cut -d' ' -f1)
}

build_jar() {
  local mark=$root/server/target/.built-from now
  now=$(sources_mark)
  if [ ! -f "$jar" ] || [ "$(cat "$mark" 2>/dev/null || true)" != "$now" ]; then
    echo "Building Morphotera (the first time takes some minutes) …"
    (cd "$root" && mvn -q -B package -DskipTests -pl core,browser,web,server)
    echo "$now" > "$mark"
  fi
}

java_options="-XX:TieredStopAtLevel=1 -XX:+UseSerialGC"
