#!/usr/bin/env bash
# Takes the pictures of docs/screenshots from the demo, without a display.
set -euo pipefail
cd "$(dirname "$0")/.."
app=build/src/app/wadeline-app
[ -x "$app" ] || app=build-run/src/app/wadeline-app
QT_QPA_PLATFORM=offscreen "$app" --shots docs/screenshots
