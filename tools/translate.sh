#!/bin/bash
# SPDX-License-Identifier: GPL-3.0-or-later
# tools/translate.sh          brings the catalogues in app/translations up to the source; what is new in them is to be translated (Qt's Linguist, or by hand)
# tools/translate.sh --check  changes nothing; fails, and names the texts, where a catalogue lacks some or has some that are gone
set -eu
top=$(cd "$(dirname "$0")/.." && pwd)
cd "$top"
lupdate=$(command -v lupdate || echo /usr/lib/qt6/bin/lupdate)
collect() { # FILE LANGUAGE
  "$lupdate" app core -no-obsolete -locations none -tr-function-alias QT_TR_NOOP+=visible,QT_TR_NOOP+=sentence -source-language en -target-language "$2" -ts "$1" 2>/dev/null >&2
}
status=0
for file in app/translations/irenic_*.ts; do
  language=$(basename "$file" .ts)
  language=${language#irenic_}
  if [ "${1:-}" != --check ]; then
    collect "$file" "$language"
    echo "$file: $(grep -c '<source>' "$file") texts, $(grep -c 'type="unfinished"' "$file" || true) to be translated"
    continue
  fi
  now=$(mktemp --suffix=.ts)
  cp "$file" "$now"
  collect "$now" "$language"
  if ! diff <(grep -E '<source>|unfinished' "$file") <(grep -E '<source>|unfinished' "$now") >"$now.diff" || grep -q 'type="unfinished"' "$file"; then
    echo "$file does not hold the texts of the source (tools/translate.sh brings them in):" >&2
    grep '^[<>]' "$now.diff" | head -20 >&2
    status=1
  else
    echo "$file: $(grep -c '<source>' "$file") texts, all translated"
  fi
  rm -f "$now" "$now.diff"
done
exit $status
