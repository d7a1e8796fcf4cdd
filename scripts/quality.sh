#!/usr/bin/env bash
# Answers the textbook rows and tries simulated takes; writes docs/fingering-quality.md,
# docs/bowing-quality.md, docs/scales.md and docs/take-quality.md. With a folder of real parts those are tried too;
# sampled strings where fluidsynth and fluid-soundfont-gm are installed.
set -euo pipefail
root="$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)"
. "$root/scripts/setup.sh"
fret_tools
cd "$root"
mvn -q -B -pl core test -Dtest=TextbookTest,TextbookBowingsTest,ScalesTest -Dsurefire.failIfNoSpecifiedTests=false \
  -Dfret.report="$root/docs/fingering-quality.md" -Dfret.bowings="$root/docs/bowing-quality.md" \
  -Dfret.scales="$root/docs/scales.md" >&2
fret_say "written: docs/fingering-quality.md, docs/bowing-quality.md, docs/scales.md"
mvn -q -B -pl core,format,store,app test -Dtest=TakeQualityTest#report -Dsurefire.failIfNoSpecifiedTests=false \
  -Dfret.takes="$root/docs/take-quality.md" -Dfret.parts="${1:-}" >&2
mvn -q -B -pl core,format,store,app test -Dtest=FalseAlarmsTest#report -Dsurefire.failIfNoSpecifiedTests=false \
  -Dfret.alarms="$root/docs/take-quality.md" >&2
mvn -q -B -pl core,format,store,app test -Dtest=SampledTakesTest -Dsurefire.failIfNoSpecifiedTests=false \
  -Dfret.sampled=4 -Dfret.sampledReport="$root/docs/take-quality.md" >&2 || true
fret_say "written: docs/take-quality.md"
