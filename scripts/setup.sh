# Shared by the start, check and screenshot commands. Everything it says goes to standard error.

fret_say() { printf 'fret: %s\n' "$*" >&2; }

# Installs Debian packages that are missing, when that is possible here.
fret_install() {
  local missing=()
  local package
  for package in "$@"; do
    dpkg-query -W -f='${Status}' "$package" 2>/dev/null | grep -q 'install ok installed' || missing+=("$package")
  done
  [ "${#missing[@]}" -eq 0 ] && return 0
  local sudo=""
  if [ "$(id -u)" -ne 0 ]; then
    if ! command -v sudo >/dev/null 2>&1; then
      fret_say "please install: ${missing[*]}"
      return 1
    fi
    sudo=sudo
  fi
  fret_say "installing ${missing[*]}"
  $sudo apt-get update -qq >&2
  DEBIAN_FRONTEND=noninteractive $sudo apt-get install -y -qq --no-install-recommends "${missing[@]}" >&2
}

fret_tools() {
  if ! { command -v javac >/dev/null 2>&1 && javac -version 2>&1 | grep -Eq ' (1[7-9]|[2-9][0-9])'; }; then
    fret_install openjdk-17-jdk
  fi
  command -v mvn >/dev/null 2>&1 || fret_install maven
  if [ -z "${JAVA_HOME:-}" ] && [ -d "/usr/lib/jvm/java-17-openjdk-$(dpkg --print-architecture 2>/dev/null)" ]; then
    JAVA_HOME="/usr/lib/jvm/java-17-openjdk-$(dpkg --print-architecture)"
    export JAVA_HOME
  fi
}

# The window's own libraries.
fret_window_tools() {
  fret_install libgtk-3-0 libxtst6 libgl1
  [ -n "${DISPLAY:-}" ] || fret_install xvfb xauth
}

# Builds when a source is newer than the last build.
fret_build() {
  local stamp="$root/app/target/built"
  if [ -f "$stamp" ] && [ -z "$(find "$root/pom.xml" "$root"/*/pom.xml "$root"/*/src/main -newer "$stamp" -print -quit)" ]; then
    return 0
  fi
  fret_tools
  fret_say "building, and getting the libraries it needs (once; some minutes)"
  rm -rf "$root/app/target/lib" "$root"/app/target/*.jsa* # No library of an older build stays on the path.
  (cd "$root" && mvn -q -B -pl core,format,store,app package -DskipTests -Dspotless.check.skip=true >&2)
  # The batch's first run, on a part of the demo, archives what it loads.
  "$root/scripts/launch.sh" batch finger --instrument=violin \
    "$(find "$root/app/src/main/resources" -name night-market.musicxml)" >/dev/null || true
  touch "$stamp"
}

# Starts the window, on a virtual display where there is no monitor.
fret_window() {
  fret_window_tools
  if [ -z "${DISPLAY:-}" ]; then
    fret_say "no monitor found: starting on a virtual display of 1280x800"
    xvfb-run -a -s "-screen 0 1280x800x24" "$root/scripts/launch.sh" window "$@"
  else
    "$root/scripts/launch.sh" window "$@"
  fi
}

# A window for its own options and for a file to open; a batch command otherwise.
fret_run() {
  case "${1:-}" in
    ""|--demo|--data|--screenshots|--frames) fret_window "$@" ;;
    *)
      if [ -f "$1" ]; then
        fret_window "$@"
      else
        "$root/scripts/launch.sh" batch "$@"
      fi
      ;;
  esac
}
