# Sourced by loose-echo and run-tests: Java, Maven, and the system packages that a window needs.

# As the build has it: the first version that the parent's file names.
VERSION=$(sed -n 's:^ *<version>\(.*\)</version>.*:\1:p' "$HERE/pom.xml" | head -1)

say() { echo "loose-echo: $*" >&2; }

# Installs Debian packages where that is allowed, and names them where it is not.
need_packages() {
  local missing=("$@")
  [ ${#missing[@]} -eq 0 ] && return 0
  if [ "$(id -u)" = 0 ] && command -v apt-get >/dev/null; then
    say "installing ${missing[*]}"
    export DEBIAN_FRONTEND=noninteractive
    # Another installer may be at work: its lock is waited for.
    local install=(apt-get -o DPkg::Lock::Timeout=600 install -y --no-install-recommends "${missing[@]}")
    { "${install[@]}" || { apt-get -o DPkg::Lock::Timeout=600 update && "${install[@]}"; }; } >/tmp/loose-echo-packages.log 2>&1 && return 0
    say "the packages could not be installed; what apt-get said is in /tmp/loose-echo-packages.log"
    return 1
  fi
  say "please install these packages first: ${missing[*]}"
  say "for example: sudo apt-get install --no-install-recommends ${missing[*]}"
  return 1
}

has_library() { ldconfig -p 2>/dev/null | grep -q "$1" || [ -e "/usr/lib/$(uname -m)-linux-gnu/$1" ]; }

need_java() {
  JAVA=java
  [ -n "${JAVA_HOME:-}" ] && [ -x "$JAVA_HOME/bin/java" ] && JAVA="$JAVA_HOME/bin/java"
  command -v "$JAVA" >/dev/null || { say "Java 17 or newer is needed (package openjdk-17-jdk)"; exit 1; }
  local release version
  # Java tells its version in a file beside it; asking Java itself costs a twentieth of the start.
  release="$(dirname "$(dirname "$(readlink -f "$(command -v "$JAVA")" 2>/dev/null)")")/release"
  version=$(sed -n 's/^JAVA_VERSION="\([0-9]*\).*/\1/p' "$release" 2>/dev/null)
  [ -n "$version" ] || version=$("$JAVA" -version 2>&1 | sed -n 's/.*version "\([0-9]*\).*/\1/p' | head -1)
  [ "${version:-0}" -ge 17 ] || { say "Java 17 or newer is needed (this is ${version:-unknown})"; exit 1; }
}

need_maven() { command -v mvn >/dev/null || { say "Maven is needed once, to build (package maven)"; exit 1; }; }

# What JavaFX loads when it opens a window.
need_window_libraries() {
  [ "$(uname -s)" = Linux ] || return 0
  local missing=()
  has_library libgtk-3.so.0 || missing+=(libgtk-3-0)
  has_library libGL.so.1 || missing+=(libgl1)
  has_library libXtst.so.6 || missing+=(libxtst6)
  has_library libXxf86vm.so.1 || missing+=(libxxf86vm1)
  has_library libfreetype.so.6 || missing+=(libfreetype6)
  has_library libfontconfig.so.1 || missing+=(libfontconfig1 fontconfig fonts-dejavu-core)
  need_packages "${missing[@]}"
}

need_virtual_display() {
  local missing=()
  command -v Xvfb >/dev/null || missing+=(xvfb)
  command -v xauth >/dev/null || missing+=(xauth)
  need_packages "${missing[@]}"
}

# What one of the tests plays drums with; it is skipped, and says so, where these can't be had.
need_sound_font() {
  local missing=()
  command -v fluidsynth >/dev/null || missing+=(fluidsynth)
  [ -e /usr/share/sounds/sf2/TimGM6mb.sf2 ] || missing+=(timgm6mb-soundfont)
  need_packages "${missing[@]}" || say "the test that plays a sound font's kit is skipped"
}

# JavaFX as modules, so that it does not warn of an unnamed one: the jars of a folder joined by colons.
javafx_of() {
  local jars=("$1"/javafx-*-linux*.jar) IFS=:
  echo "${jars[*]}"
}

# File names are bytes, and Java spells them by the locale: under a plain one it can't spell an umlaut.
spell_file_names() {
  case "$(locale charmap 2>/dev/null)" in UTF-8) ;; *) export LC_ALL=C.UTF-8 ;; esac
}

# Builds when a source is newer than the last build.
build() {
  local stamp="$HERE/target/.built"
  if [ -e "$stamp" ] && [ -z "$(find "$HERE/pom.xml" "$HERE"/*/pom.xml "$HERE"/*/src/main -newer "$stamp" -print -quit)" ]; then
    return 0
  fi
  need_maven
  say "building (only when something changed)"
  (cd "$HERE" && mvn -q -B -DskipTests -Dspotless.check.skip -Dcheckstyle.skip -pl core,cli,desktop package) >&2 || { say "the build failed"; exit 1; }
  mkdir -p "$HERE/target" && touch "$stamp"
}
