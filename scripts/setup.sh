#!/bin/sh
# SPDX-License-Identifier: GPL-3.0-or-later
# setup.sh build|test: installs from Debian 12 what building, or building and testing, needs.
# Touches no network when all of it is there.
set -eu

build="g++ cmake ninja-build ccache pkg-config qt6-base-dev qt6-multimedia-dev libexpected-dev libeigen3-dev libsqlite3-dev libcsv-dev libpolyclipping-dev libpugixml-dev nlohmann-json3-dev
  libcli11-dev libboost-dev libcairo2-dev libpng-dev libjpeg62-turbo-dev libexif-dev libfreetype-dev libfontconfig-dev libharfbuzz-dev libfribidi-dev libpotrace-dev libgecode-dev libical-dev libarchive-dev libqrencode-dev xvfb xauth"
test="$build catch2 librapidcheck-dev libvalijson-dev libgeos-dev libcgal-dev librsvg2-dev
  libpoppler-cpp-dev libpango1.0-dev fonts-dejavu-core libbenchmark-dev python3-ezdxf python3-icalendar zbar-tools clang libclang-rt-dev clang-format clang-tidy git"

case ${1:-build} in
  build) wanted=$build ;;
  test) wanted=$test ;;
  *) echo "setup.sh: build or test is wanted" >&2; exit 2 ;;
esac

missing=
for package in $wanted; do
  state=$(dpkg-query -W -f='${db:Status-Abbrev}' "$package" 2>/dev/null || true)
  case $state in
    ii*) ;;
    *) missing="$missing $package" ;;
  esac
done
[ -z "$missing" ] && exit 0

echo "Installing from Debian:$missing"
as_root=
if [ "$(id -u)" -ne 0 ]; then
  command -v sudo >/dev/null || { echo "Become root or install sudo, then run this again." >&2; exit 1; }
  as_root=sudo
fi
log=$(mktemp)
if ! { $as_root apt-get update && DEBIAN_FRONTEND=noninteractive $as_root apt-get install -y \
       --no-install-recommends $missing; } >"$log" 2>&1; then
  tail -n 20 "$log" >&2
  echo "The packages could not be installed; the whole story is in $log." >&2
  exit 1
fi
rm -f "$log"
