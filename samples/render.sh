#!/bin/sh
# SPDX-License-Identifier: GPL-3.0-or-later
# Renders the scenes again from their descriptions: about seven to twenty minutes a frame on two cores.
#   samples/render.sh [SCENE...]    all of them where none is named
# Needs povray, python3 and libjxl-tools. The pictures in the repository were made by this script (transom at 4200 x 2800).
set -eu
here=$(dirname "$0")/scenes
work=$(mktemp -d)
trap 'rm -rf "$work"' EXIT
[ $# -gt 0 ] || set -- transom door rafters coil lamp
for scene; do
  # The lamp's sailcloth is all threads of eight pixels: a finer search would sample every pixel sixteen times over.
  fine="+A0.05 +R2"; [ "$scene" != lamp ] || fine="+A0.12 +R1"
  (cd "$here" && povray "$scene.pov" +W3600 +H2400 $fine +AM2 Output_File_Type=P Bits_Per_Color=16 \
      File_Gamma=1.0 -D "+O$work/$scene.ppm")
  # Linear 16-bit samples as floats; JPEG XL at distance 0.06 (transom: 0.165) keeps the deepest shadows' shape.
  python3 - "$work/$scene.ppm" "$work/$scene.pfm" <<'PY'
import array, sys
src = open(sys.argv[1], "rb")
assert src.readline().strip() == b"P6"
fields = []
while len(fields) < 3:
    line = src.readline()
    if not line.startswith(b"#"):
        fields += [int(v) for v in line.split()]
width, height, top = fields
samples = array.array("H", src.read())
samples.byteswap()
with open(sys.argv[2], "wb") as out:
    out.write(b"PF\n%d %d\n-1.0\n" % (width, height))
    for y in range(height - 1, -1, -1):
        row = samples[y * width * 3:(y + 1) * width * 3]
        out.write(array.array("f", (v / top for v in row)).tobytes())
PY
  cjxl "$work/$scene.pfm" "$here/$scene.jxl" -d 0.06 -e 7
done
