#!/usr/bin/env bash
# Walks docs/adding-a-method.md: adds the method of this folder to a copy of the project and runs the checks that every
# method has to pass. What the guide leaves out fails here.
set -euo pipefail
root=$(cd "$(dirname "${BASH_SOURCE[0]}")/../.." && pwd)
copy=$(mktemp -d)
trap 'rm -rf "$copy"' EXIT
(cd "$root" && git ls-files -z --cached --others --exclude-standard | while IFS= read -r -d '' file; do
  [ ! -f "$file" ] || printf '%s\0' "$file"
done | xargs -0 cp --parents -t "$copy")
cd "$copy"

# its folders
(cd docs/example-method && cp --parents -r core training web "$copy")

# and one line in each list
line() { # line FILE AFTER LINE: adds a line behind the first that holds AFTER, as deep as it
  local before
  before=$(wc -l < "$1")
  awk -v after="$2" -v line="$3" '{ print } !done && index($0, after) { match($0, /^ */); printf "%*s%s\n", RLENGTH, "", line; done = 1 }' \
    "$1" > "$1.new"
  mv "$1.new" "$1"
  [ "$(wc -l < "$1")" = $((before + 1)) ] || { echo "$1 holds no line with $2" >&2; exit 1; }
}
core=core/src/main/java/org/morphotera/core
line $core/Methods.java 'import org.morphotera.core.method.water.slump.Slump;' 'import org.morphotera.core.method.water.puddling.Puddling;'
line $core/Methods.java 'new Slump(),' 'new Puddling(),'
line $core/indicator/Indicators.java '"slump",' '"puddling",'
line training/src/main/java/org/morphotera/training/method/Simulators.java 'Map.entry("slump"' 'Map.entry("puddling", new PuddlingSimulator()),'

mvn_() { mvn -q -B -ntp -Dspotless.check.skip=true "$@"; }
mvn_ -pl core test -Dtest=MethodPagesTest -Dmethods.write=true >/dev/null 2>&1 || true
mvn_ -pl core,training,placement,testkit test -Dsurefire.failIfNoSpecifiedTests=false \
  -Dtest='ArchitectureTest,CompletenessTest,IndicatorsTest,MethodPagesTest,WorkedCasesTest,AnyInputTest,PropertiesTest,SightingsTest,SimulatorsTest,TrainingGroundTest,DayPlanTest'
grep -q '`puddling` ·' docs/methods/water.md
ls core/target/surefire-reports/*CompletenessTest.txt > /dev/null
echo "The method of the guide is whole."
