#!/usr/bin/python3
# SPDX-License-Identifier: GPL-3.0-or-later
"""Writes clean scenes for irenic-bench quality into a folder: photographs of Debian's python3-skimage, as TIFF. Needs python3-tifffile."""
import sys
from pathlib import Path

import tifffile
from skimage import data

out = Path(sys.argv[1])
out.mkdir(parents=True, exist_ok=True)
for name in ("astronaut", "chelsea", "coffee", "rocket", "hubble_deep_field", "immunohistochemistry"):
    tifffile.imwrite(out / f"{name}.tif", getattr(data, name)()[..., :3], photometric="rgb")
