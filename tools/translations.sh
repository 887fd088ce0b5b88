#!/usr/bin/env bash
# Writes every text of the program for the translators: tools/translations.sh FILE.ts
set -euo pipefail
cd "$(dirname "$0")/.."
lupdate=/usr/lib/qt6/bin/lupdate
"$lupdate" -silent -no-obsolete -I src src -ts "$1" \
  -tr-function-alias QT_TR_NOOP+=told,QT_TR_NOOP+=said,QT_TR_NOOP+=explained,QT_TR_NOOP+=WL_TR
# Descriptions and sentences are data of the core, which knows no classes of Qt: the extraction
# takes the type nearest to them for their context.
sed -i -e 's|<name>wl::V</name>|<name>wl</name>|' -e 's|<name>std</name>|<name>wl</name>|' "$1"
