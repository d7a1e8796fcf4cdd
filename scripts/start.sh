#!/usr/bin/env bash
# Times the start beside an empty JavaFX window, and the batch, in one run on this machine.
# Argument: how many rounds (5).
set -euo pipefail
root="$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)"
. "$root/scripts/setup.sh"
fret_build
fret_install xvfb xauth xdotool libgtk-3-0 libxtst6 libgl1
rounds="${1:-5}"
work="$(mktemp -d)"
Xvfb -displayfd 3 -screen 0 1280x800x24 -r -noreset 3>"$work/display" >/dev/null 2>&1 &
server=$!
trap 'kill $server 2>/dev/null; rm -rf "$work"' EXIT
until [ -s "$work/display" ]; do sleep 0.1; done
DISPLAY=":$(cat "$work/display")"
export DISPLAY

cat >"$work/Empty.java" <<'JAVA'
import javafx.application.Application;
import javafx.scene.Group;
import javafx.scene.Scene;
import javafx.stage.Stage;

public class Empty extends Application {
  @Override
  public void start(Stage stage) {
    stage.setTitle("Empty");
    stage.setScene(new Scene(new Group(), 1280, 800));
    stage.show();
  }
}
JAVA
modules="$(echo "$root"/app/target/lib/javafx-*-linux*.jar | tr ' ' ':')"
javac -d "$work" --module-path "$modules" --add-modules javafx.controls "$work/Empty.java"

now() { date +%s%N; }
ms() { echo $((($2 - $1) / 1000000)); }
median() { sort -n | awk '{ v[NR] = $1 } END { print v[int((NR + 1) / 2)] }'; }

# Milliseconds until a window of a name can be seen.
window() {
  local name="$1" from until
  shift
  from="$(now)"
  "$@" >/dev/null 2>&1 &
  local started=$!
  until xdotool search --onlyvisible --name "^$name\$" >/dev/null 2>&1; do sleep 0.02; done
  until="$(now)"
  kill "$started"
  wait "$started" 2>/dev/null || true
  ms "$from" "$until"
}

empty() {
  window Empty java -Xmx1g -Dprism.order=sw --module-path "$modules" \
    --add-modules javafx.controls -cp "$work" Empty
}

fret() {
  rm -rf "$work/data"
  window Fret "$root/scripts/launch.sh" window --data "$work/data"
}

batch() {
  local from
  from="$(now)"
  "$root/scripts/launch.sh" batch finger --instrument=violin \
    "$root/app/src/main/resources/$(cd "$root/app/src/main/resources" && find . -name workshop-march.musicxml)" >/dev/null
  ms "$from" "$(now)"
}

fret >/dev/null # The first run archives what it loads.
batch >/dev/null
for _ in $(seq "$rounds"); do
  empty >>"$work/empty"
  fret >>"$work/fret"
  batch >>"$work/batch"
done
empty="$(median <"$work/empty")"
fret="$(median <"$work/fret")"
echo "empty window $empty ms"
echo "Fret's window $fret ms, $(awk "BEGIN { printf \"%.1f\", $fret / $empty }") times that"
echo "batch, a demo part $(median <"$work/batch") ms"
