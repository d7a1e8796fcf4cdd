#!/usr/bin/env bash
# Answers the textbook rows and writes docs/fingering-quality.md and docs/bowing-quality.md.
set -euo pipefail
root="$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)"
. "$root/scripts/setup.sh"
fret_tools
cd "$root"
mvn -q -B -pl core test -Dtest=TextbookTest,TextbookBowingsTest -Dsurefire.failIfNoSpecifiedTests=false \
  -Dfret.report="$root/docs/fingering-quality.md" -Dfret.bowings="$root/docs/bowing-quality.md" >&2
fret_say "written: docs/fingering-quality.md, docs/bowing-quality.md"
