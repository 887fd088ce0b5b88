#!/usr/bin/env bash
# Installs what building, testing and looking at Wade Line needs on Debian 12. Safe to run again.
set -euo pipefail
packages=(g++ cmake ninja-build git ca-certificates
  qt6-base-dev qt6-base-dev-tools qt6-l10n-tools qt6-svg-dev libqt6svg6
  libqcustomplot-dev libqcustomplot2.1-qt6 libgl1-mesa-dev
  libeigen3-dev libboost-dev libnlopt-dev libnlopt-cxx-dev nlohmann-json3-dev libcli11-dev lib2geom-dev pkg-config
  libcsv-dev libqpdf-dev lib3mf-dev libocct-data-exchange-dev libocct-modeling-algorithms-dev libical-dev admesh libdxflib-dev locales qt6-serialport-dev libqt6sql6-sqlite sqlite3 catch2 libgsl-dev libbenchmark-dev libcgal-dev libgmp-dev libmpfr-dev
  poppler-utils python3-jsonschema python3-ezdxf desktop-file-utils appstream shared-mime-info xvfb xauth
  libxcb-cursor0 libxkbcommon-x11-0 libxcb-icccm4 libxcb-image0 libxcb-keysyms1 libxcb-render-util0
  libxcb-shape0 libxcb-xinerama0 clang libclang-rt-14-dev clang-format clang-tidy)
# Tests run in a language with a decimal comma as well.
make_locale() {
  locale -a 2>/dev/null | grep -qi '^de_DE\.utf-\?8$' && return
  echo "wade line: adding the language de_DE for the tests"
  local sudo=""
  [ "$(id -u)" -eq 0 ] || sudo="sudo"
  $sudo localedef -i de_DE -f UTF-8 de_DE.UTF-8
}
missing=()
for p in "${packages[@]}"; do
  dpkg-query -W -f='${Status}' "$p" 2>/dev/null | grep -q "install ok installed" || missing+=("$p")
done
if [ "${#missing[@]}" -eq 0 ]; then
  echo "wade line: all packages are there"
  make_locale
  exit 0
fi
sudo=""
[ "$(id -u)" -eq 0 ] || sudo="sudo"
echo "wade line: installing ${missing[*]}"
export DEBIAN_FRONTEND=noninteractive
$sudo apt-get update -q
$sudo apt-get install -y -q --no-install-recommends "${missing[@]}"
make_locale
