#!/bin/sh
# Starts Loose Echo: by the runtime that lies beside it (app image and .deb), else by the machine's Java 17 or newer.
HERE=$(cd "$(dirname "$0")" && pwd)
OWN="$(dirname "$HERE")/lib"
if [ -x "$OWN/runtime/bin/java" ]; then
  LIB="$OWN/app"
  JAVA="$OWN/runtime/bin/java"
  VERSION=own
else
  LIB="$HERE/lib"
  JAVA=java
  [ -n "$JAVA_HOME" ] && [ -x "$JAVA_HOME/bin/java" ] && JAVA="$JAVA_HOME/bin/java"
  # Java tells its version in a file beside it; asking Java itself costs a twentieth of the start.
  RELEASE="$(dirname "$(dirname "$(readlink -f "$(command -v "$JAVA")" 2>/dev/null)")")/release"
  VERSION=$(sed -n 's/^JAVA_VERSION="\([0-9]*\).*/\1/p' "$RELEASE" 2>/dev/null)
  [ -n "$VERSION" ] || VERSION=$("$JAVA" -version 2>&1 | sed -n 's/.*version "\([0-9]*\).*/\1/p' | head -1)
  if [ "${VERSION:-0}" -lt 17 ]; then
    echo "Loose Echo needs Java 17 or newer (this is ${VERSION:-none})." >&2
    exit 1
  fi
  case "$(uname -s) $(uname -m)" in
    "Linux x86_64") PLATFORM=linux ;;
    "Darwin arm64") PLATFORM=mac-aarch64 ;;
    Darwin*) PLATFORM=mac ;;
    *) echo "Loose Echo does not know this system: $(uname -s) $(uname -m)" >&2; exit 1 ;;
  esac
fi
case "${1:-}" in
  analyze | template | render | separate | sounds | drawer | compare | pack | profile)
    exec "$JAVA" -cp "$LIB/*" looseecho.cli.Main "$@" ;;
esac
# What Java made of the classes is kept at the first end and used from the second start on: a second less. It holds for
# these very jars alone, so it is named by them and by Java.
CACHE="${XDG_CACHE_HOME:-$HOME/.cache}/loose-echo"
KEPT="$CACHE/classes-$VERSION-$(ls -ln "$LIB"/desktop-*.jar | cksum | cut -d ' ' -f 1).jsa"
# Java 17 keeps a method that just waits to be compiled so that it never is: what was kept counts only with a mark.
MARK=-Xshare:auto
if [ -e "$KEPT" ] && [ -e "$KEPT.settled" ]; then
  CLASSES="-XX:SharedArchiveFile=$KEPT"
elif mkdir -p "$CACHE" 2>/dev/null && find "$CACHE" -name 'classes-*' -mtime +30 -delete; then
  rm -f "$KEPT.settled"
  CLASSES="-XX:ArchiveClassesAtExit=$KEPT"
  MARK="-Dlooseecho.settled=$KEPT.settled"
else
  CLASSES=-Xshare:auto
fi
# The second compiler waits a while: at a start it took a third of the processor for methods that are soon done with.
set -- --add-modules javafx.controls,javafx.swing \
  -XX:+UseSerialGC -XX:+IgnoreUnrecognizedVMOptions "$MARK" "$CLASSES" -Xlog:disable -Xlog:all=error:stderr \
  -XX:Tier4InvocationThreshold=25000 -XX:Tier4MinInvocationThreshold=5000 -XX:Tier4CompileThreshold=60000 \
  -cp "$LIB/*" looseecho.desktop.Launcher "$@"
# A runtime of its own has the window's modules inside.
[ "$VERSION" = own ] || set -- --module-path "$HERE/javafx/$PLATFORM" "$@"
exec "$JAVA" "$@"
