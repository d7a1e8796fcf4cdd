#!/usr/bin/env bash
# Builds and runs the benchmarks; arguments go to JMH.
set -euo pipefail
root="$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)"
. "$root/scripts/setup.sh"
fret_tools
rm -rf "$root/bench/target/lib"
(cd "$root" && mvn -q -B package -DskipTests -Dspotless.check.skip=true >&2)
exec java -Djava.awt.headless=true -cp "$root/bench/target/fret-bench-0.1.0.jar:$root/bench/target/lib/*" org.openjdk.jmh.Main "$@"
