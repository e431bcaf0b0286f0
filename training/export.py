#!/usr/bin/python3
# SPDX-License-Identifier: GPL-3.0-or-later
"""Writes the averaged weights of a checkpoint as the file that the application reads (docs/unet.md), in half precision. train.py --from goes on from it.

    training/export.py CHECKPOINT unet.weights
"""
import sys

from network import load, write_weights

state = load(sys.argv[1])
print(f"{sys.argv[2]}: {write_weights(state['average'], state['step'], sys.argv[2])} numbers after {state['step']} steps")
