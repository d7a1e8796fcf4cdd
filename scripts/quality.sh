#!/usr/bin/env bash
# Answers the textbook rows and writes docs/fingering-quality.md.
set -euo pipefail
root="$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)"
. "$root/scripts/setup.sh"
fret_tools
cd "$root"
mvn -q -B -pl core test -Dtest=TextbookTest -Dsurefire.failIfNoSpecifiedTests=false \
  -Dfret.report="$root/docs/fingering-quality.md" >&2
fret_say "written: docs/fingering-quality.md"
