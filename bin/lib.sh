# Shared by the scripts of this folder: where things are, what must be there, how the application is built and started.
root=$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)

need() { # need COMMAND WHAT
  command -v "$1" >/dev/null || { echo "$2 is needed ($1 was not found)." >&2; exit 1; }
}

need_tools() {
  need java "JDK 17"
  need mvn "Maven"
  need node "Node 20"
  need npm "npm"
}

java_options="-XX:TieredStopAtLevel=1 -XX:+UseSerialGC"
main_class=org.morphotera.server.MorphoteraApplication
class_archive=$root/demo/target/app.jsa

# The server with the demo's classes, as a class path: always in the same order, which the archive of classes asks for.
server_path() { (export LC_ALL=C; cd "$root/demo/target" && printf '%s:' "$PWD"/morphotera-demo.jar "$PWD"/lib/*.jar); }

# The application with its page and the demo's classes; takes the place of its shell, so begin it in the background.
application() { # application OPTIONS…
  exec java $java_options -XX:SharedArchiveFile="$class_archive" -Xshare:auto -Xlog:cds=off \
    -cp "$(server_path)$(echo "$root"/web/target/morphotera-web-*.jar)" $main_class "$@"
}

run_application() { (application "$@"); }

# Everything that the application is made of, as one number: built again only when it changed.
sources_mark() {
  (cd "$root" && { find pom.xml */pom.xml */src/main web/src web/public web/scripts demo/*.sh web/*.* -type f \
      -not -name schema.d.ts -not -name methodTypes.d.ts; } | LC_ALL=C sort -u | xargs sha256sum | sha256sum | cut -d' ' -f1)
}

build_application() {
  local mark=$root/demo/target/.built-from now
  now=$(sources_mark)
  if [ ! -f "$root/demo/target/data/made-on" ] || [ "$(cat "$mark" 2>/dev/null || true)" != "$now" ]; then
    echo "Building Morphotera (the first time takes some minutes) …"
    # the page's packages come in while the core is compiled
    (cd "$root/web" && bash packages.sh build) &
    local packages=$!
    (cd "$root" && mvn -q -B -ntp -T 2 -Dquick package -pl '!e2e,!testkit,!app') || { kill $packages 2>/dev/null; exit 1; }
    wait $packages
    echo "$now" > "$mark"
  fi
}

