#!/usr/bin/python3
# SPDX-License-Identifier: GPL-3.0-or-later
"""Writes the averaged weights of a checkpoint as the file that the application reads (docs/unet.md), in half precision; and, where
a third name is given, a checkpoint small enough to be kept, which train.py --from goes on from.

    training/export.py CHECKPOINT unet.weights [kept.pt]
"""
import struct
import sys
import zlib

import torch

from network import widths_of

ORDER = ["enter", "down.0.first", "down.0.second", "down.1.first", "down.1.second", "shrink.0", "shrink.1",
         "bottom.0.first", "bottom.0.second", "bottom.1.first", "bottom.1.second", "grow.0", "grow.1",
         "up.0.first", "up.0.second", "up.1.first", "up.1.second", "leave"]


def main():
    state = torch.load(sys.argv[1], map_location="cpu")
    payload = b"".join(state["average"][name + ".weight"].numpy().astype("<f2").tobytes() for name in ORDER)
    with open(sys.argv[2], "wb") as file:
        file.write(b"IRENUNET" + struct.pack("<6I", 1, *widths_of(state["average"]), len(payload) // 2, zlib.crc32(payload)) + payload)
    if len(sys.argv) > 3:
        half = {part: {name: value.half() for name, value in state[part].items()} for part in ("network", "average")}
        torch.save({**half, "step": state["step"]}, sys.argv[3])
    print(f"{sys.argv[2]}: {len(payload) // 2} numbers after {state['step']} steps")


if __name__ == "__main__":
    main()
