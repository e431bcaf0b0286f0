#!/usr/bin/python3
# SPDX-License-Identifier: GPL-3.0-or-later
"""Trains the second generation (full_colour.py) on the scenes of train.py.

    training/train_full_colour.py --work DIR --minutes 170 [--grow training/unet-large.weights] [--resume] [--settle]

--grow begins from a network of the first generation, or goes on from exported weights of its own (without the optimiser's state).
DIR keeps the scenes, full.pt (weights, averaged weights, optimiser, step) and full.csv (a line every 250 steps). The rate is constant, until --settle lets it
fall to nothing over a last run. One long run learns more than many that settle.
"""
import numpy as np
import torch

from full_colour import FullColour, demosaiced, developed, from_first, loss_of, read_weights, squares
from loop import HELD_OUT, parser_for, train
from network import load
from sensor import augment_balanced, shoot_full
from train import load_scenes

BATCH, CROP = 4, 192  # sensor pixels; 8 in the first two runs
SCENES = None  # for the process of samples()
GAINS = {"ISO 100": 2.5e-5, "low": 2e-4, "middle": 1.5e-3, "high": 8e-3, "extreme": 3e-2}


def samples(step):
    torch.set_num_threads(1)
    rng, generator = np.random.default_rng([2000, step]), torch.Generator().manual_seed(2000 + step)
    cameras, neutrals = zip(*[augment_balanced(SCENES[i], CROP, rng) for i in rng.integers(0, len(SCENES), BATCH)])
    return [t.numpy() for t in shoot_full(torch.from_numpy(np.stack(cameras)), torch.from_numpy(np.stack(neutrals)), rng, generator)]


def beginning(args):
    try:
        state, *_, steps = read_weights(args.grow)
    except ValueError:
        return from_first(load(args.grow)["network"], args.widths, args.depths), 0
    return state, steps


def validate(network, scenes):
    """dB of the developed picture over held-out scenes, root of mean squares in sigma: noisy samples demosaiced linearly, cleaned ones likewise, full colour."""
    scores = {}
    for name, gain in GAINS.items():
        rng, generator = np.random.default_rng(1), torch.Generator().manual_seed(2)
        cameras, neutrals = zip(*[augment_balanced(s, 192, rng) for s in scenes])
        noisy, sigma, white, planes, colours = shoot_full(torch.from_numpy(np.stack(cameras)).clamp(0, 1), torch.from_numpy(np.stack(neutrals)), rng, generator, gain)
        results = []
        with torch.no_grad():
            for at in range(0, len(noisy), 4):
                part = slice(at, at + 4)
                clean, full = network(noisy[part], sigma[part], white[part])
                results.append([squares(developed(x - colours[part])) for x in (demosaiced(noisy[part]), demosaiced(clean), full)])
        peak = 2 / gain ** 0.5
        scores[name] = [float((20 * np.log10(peak) - 10 * torch.log10(torch.cat(c))).mean()) for c in zip(*results)]
    return scores


def main():
    args = parser_for(__doc__, 900).parse_args()
    scenes = load_scenes(args.work / "scenes", args.scenes)
    global SCENES
    held_out, SCENES = scenes[:HELD_OUT], scenes[HELD_OUT:]

    def loss(network, noisy, sigma, white, planes, colours):
        return loss_of(*network(noisy, sigma, white), noisy, planes, colours)

    train(args, "full", FullColour, beginning, samples, loss, lambda average: validate(average, held_out))


if __name__ == "__main__":
    main()
