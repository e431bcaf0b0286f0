#!/bin/bash
# SPDX-License-Identifier: GPL-3.0-or-later
# desktop/icons.sh: makes the PNGs in desktop/icons of the drawing. Needs librsvg2-bin.
set -eu
cd "$(dirname "$0")/icons"
for size in 16 22 24 32 48 64 128 256; do
  rsvg-convert -w $size -h $size -o $size.png app.irenic.Irenic.svg
done
