#!/bin/bash
# SPDX-License-Identifier: GPL-3.0-or-later
# Holds the speed of this build against that of another revision: ./check --bench REVISION. The other one is built from an
# archive of its own; both run by turns. Fails where a method is slower in every turn and by more than 5 % in the middle one.
set -eu
top=$(cd "$(dirname "$0")/.." && pwd)
. "$top/tools/setup.sh"
revision=$(git -C "$top" rev-parse --verify --quiet "$1^{commit}") || { echo "check: no revision is called $1." >&2; exit 2; }
other=$top/build-bench/$revision
if [ ! -x "$other/build/bin/irenic-bench" ]; then
  echo "Building ${revision:0:10} ..."
  rm -rf "$other"
  mkdir -p "$other/source"
  git -C "$top" archive "$revision" | tar -x -C "$other/source"
  cmake -G Ninja -S "$other/source" -B "$other/build" -DCMAKE_BUILD_TYPE=Release >"$other/log" 2>&1 || { tail -20 "$other/log" >&2; exit 1; }
  cmake --build "$other/build" --target irenic-bench >>"$other/log" 2>&1 || { grep -E 'error|FAILED' -A4 "$other/log" | head -40 >&2; exit 1; }
fi
build release irenic-bench
exec "$top/build/bin/irenic-bench" speed --compare "$other/build/bin/irenic-bench" --methods wavelet,dct,nlm,bm3d,unet --megapixels 6 --threads 2 --rounds 3 --most 1.05
