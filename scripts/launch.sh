#!/usr/bin/env bash
# Starts the built program; the other scripts see to what it needs. Its first argument is "window"
# or "batch". What each loads is archived when its first run ends, so that later ones start sooner;
# an archive of another build is passed over.
root="$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)"
kind="$1"
shift
target="$root/app/target"
modules="" # JavaFX asks for the module path.
classes="$target/fret-app-0.1.0.jar"
for jar in "$target"/lib/*.jar; do
  case "$jar" in
    */javafx-*-linux*.jar) modules="$modules:$jar" ;;
    */javafx-*) ;; # Empty: the name under which the jar of the system is asked for.
    *) classes="$classes:$jar" ;;
  esac
done
options=(-Xmx1g -XX:+UseSerialGC -XX:SoftRefLRUPolicyMSPerMB=50 -Xlog:disable -Xlog:all=error:stderr
  -Dprism.order=sw -Dfile.encoding=UTF-8)
# A batch command is over before the second compiler pays.
[ "$kind" = window ] || options+=(-XX:TieredStopAtLevel=1)
program=(--module-path "${modules#:}" --add-modules javafx.controls,javafx.swing
  -cp "$classes" fret.app.launch.Main "$@")
archive="$target/$kind.jsa"
if [ -f "$archive" ]; then
  exec java "${options[@]}" -XX:SharedArchiveFile="$archive" "${program[@]}"
fi
[ -w "$target" ] || exec java "${options[@]}" "${program[@]}"
java "${options[@]}" -XX:ArchiveClassesAtExit="$archive.$$" "${program[@]}" <&0 &
child=$!
trap 'kill "$child" 2>/dev/null' TERM INT HUP
status=0
while kill -0 "$child" 2>/dev/null; do
  wait "$child"
  status=$?
done
[ -f "$archive.$$" ] && mv -f "$archive.$$" "$archive"
exit "$status"
