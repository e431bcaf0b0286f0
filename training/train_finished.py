#!/usr/bin/python3
# SPDX-License-Identifier: GPL-3.0-or-later
"""Trains the network for pictures in full colour (finished.py) on the scenes of train.py.

    training/train_finished.py --work DIR --minutes 90 --grow training/unet-colour.weights [--resume] [--settle]

DIR keeps the scenes, finished.pt (weights, averaged weights, optimiser, step) and finished.csv (a line every 250 steps).
"""
import numpy as np
import torch

from finished import DEPTHS, Finished, from_full_colour, loss_of, shoot_finished
from full_colour import read_weights, squares
from loop import HELD_OUT, parser_for, train
from train import load_scenes

BATCH, CROP = 4, 192  # pixels; more steps of fewer crops learn more in the same time
SCENES = None  # for the process of samples()
# Gain, and whether the sensor is six by six, its samples are full, the picture is rendered.
KINDS = {"rendered low": (5e-4, (False, False, True)), "rendered high": (8e-3, (False, False, True)), "linear high": (8e-3, (False, False, False)), "six by six high": (8e-3, (True, False, False))}


LAST = []  # what samples() made last


def transposed(planes):
    """Rows for columns, of packed planes."""
    n, channels, height, width = planes.shape
    return planes.reshape(n, 2, 2, 3, height, width).transpose(0, 2, 1, 3, 5, 4).reshape(n, channels, width, height)


def samples(step):
    """Every second time the last ones with rows for columns: to make them takes half as long as to learn from them."""
    torch.set_num_threads(1)
    if step % 2 and LAST:
        noisy, told, clean = LAST
        return [np.ascontiguousarray(transposed(noisy)), told, np.ascontiguousarray(transposed(clean))]
    rng, generator = np.random.default_rng([3000, step]), torch.Generator().manual_seed(3000 + step)
    LAST[:] = [t.numpy() for t in shoot_finished(SCENES, CROP, BATCH, rng, generator)]
    return LAST


def validate(network, scenes):
    """dB of stabilised numbers over held-out scenes, against a sigma of 1: noisy, cleaned."""
    scores = {}
    for name, (gain, kind) in KINDS.items():
        rng, generator = np.random.default_rng(1), torch.Generator().manual_seed(2)
        noisy, told, clean = shoot_finished(scenes, CROP, HELD_OUT, rng, generator, gain, kind)
        errors = []
        with torch.no_grad():
            for at in range(0, len(noisy), 4):
                part = slice(at, at + 4)
                errors.append([squares(x - clean[part]) for x in (noisy[part], network(noisy[part], told[part]))])
        scores[name] = [float(-10 * torch.log10(torch.cat(c)).mean()) for c in zip(*errors)]
    return scores


def main():
    args = parser_for(__doc__, 420, DEPTHS).parse_args()
    scenes = load_scenes(args.work / "scenes", args.scenes)
    global SCENES
    held_out, SCENES = scenes[:HELD_OUT], scenes[HELD_OUT:]

    def loss(network, noisy, told, clean):
        return (loss_of(network(noisy, told), noisy, clean),)

    train(args, "finished", Finished, lambda a: (from_full_colour(read_weights(a.grow)[0], a.widths, a.depths), 0), samples, loss, lambda average: validate(average, held_out))


if __name__ == "__main__":
    main()
