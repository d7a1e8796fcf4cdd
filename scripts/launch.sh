#!/usr/bin/env bash
# Starts the built program; the other scripts see to what it needs.
root="$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)"
exec java -Xmx1g -Dprism.order=sw -Dfile.encoding=UTF-8 \
  -cp "$root/app/target/fret-app-0.1.0.jar:$root/app/target/lib/*" fret.app.launch.Main "$@"
