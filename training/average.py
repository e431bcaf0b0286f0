#!/usr/bin/python3
# SPDX-License-Identifier: GPL-3.0-or-later
"""The weighted mean of checkpoints of one run and of runs that went on from it: often better in all than each (Izmailov, Podoprikhin,
Garipov, Vetrov and Wilson, UAI 2018).

    training/average.py OUT.pt A.pt:0.4 B.pt:0.6
"""
import sys

import torch

from network import load

parts = [(load(file), float(share)) for file, share in (part.rsplit(":", 1) for part in sys.argv[2:])]
if abs(sum(share for _, share in parts) - 1) > 1e-6:
    sys.exit("The shares must sum to 1.")
mean = lambda which: {name: sum(state[which][name].float() * share for state, share in parts) for name in parts[0][0][which]}
torch.save({"network": mean("network"), "average": mean("average"), "step": max(state["step"] for state, _ in parts)}, sys.argv[1])
