#!/usr/bin/python3
# SPDX-License-Identifier: GPL-3.0-or-later
"""Writes the averaged weights of a checkpoint as the file that the application reads (docs/unet.md), in half precision. train.py --from goes on from it.

    training/export.py CHECKPOINT unet.weights
"""
import sys

import full_colour
from network import load, write_weights

state = load(sys.argv[1])
if "widths" in state:  # of train_full_colour.py
    numbers = full_colour.write_weights(state["average"], state["widths"], state["depths"], state["step"], sys.argv[2])
    print(f"{sys.argv[2]}: {numbers} numbers of the second generation after {state['step']} steps")
    sys.exit()
print(f"{sys.argv[2]}: {write_weights(state['average'], state['step'], sys.argv[2])} numbers after {state['step']} steps")
