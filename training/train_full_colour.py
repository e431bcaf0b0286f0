#!/usr/bin/python3
# SPDX-License-Identifier: GPL-3.0-or-later
"""Trains the second generation (full_colour.py) on the scenes of train.py.

    training/train_full_colour.py --work DIR --minutes 170 [--grow training/unet-large.weights] [--resume] [--settle]

DIR keeps the scenes, full.pt (weights, averaged weights, optimiser, step) and full.csv (a line every 250 steps). The rate is constant, until --settle lets it
fall to nothing over a last run. One long run learns more than many that settle.
"""
import argparse
import csv
import time
from multiprocessing import Pool
from pathlib import Path

import numpy as np
import torch

from full_colour import DEPTHS, WIDTHS, FullColour, demosaiced, developed, from_first, loss_of, squares
from network import load
from sensor import augment_balanced, shoot_full
from train import load_scenes

BATCH, CROP = 8, 192  # sensor pixels
HELD_OUT = 24
AVERAGING = 0.9995
SCENES = None  # for the process of samples()
GAINS = {"ISO 100": 2.5e-5, "low": 2e-4, "middle": 1.5e-3, "high": 8e-3, "extreme": 3e-2}


def samples(step):
    torch.set_num_threads(1)
    rng, generator = np.random.default_rng([2000, step]), torch.Generator().manual_seed(2000 + step)
    cameras, neutrals = zip(*[augment_balanced(SCENES[i], CROP, rng) for i in rng.integers(0, len(SCENES), BATCH)])
    return [t.numpy() for t in shoot_full(torch.from_numpy(np.stack(cameras)), torch.from_numpy(np.stack(neutrals)), rng, generator)]


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
    parser = argparse.ArgumentParser(description=__doc__, formatter_class=argparse.RawDescriptionHelpFormatter)
    parser.add_argument("--work", type=Path, required=True)
    parser.add_argument("--minutes", type=float, default=60)
    parser.add_argument("--scenes", type=int, default=900)
    parser.add_argument("--rate", type=float, default=1e-3)
    parser.add_argument("--settle", action="store_true", help="let the rate fall to nothing over this run")
    parser.add_argument("--resume", action="store_true")
    parser.add_argument("--grow", type=Path, help="weights of the first generation to start from")
    parser.add_argument("--widths", type=int, nargs=4, default=WIDTHS)
    parser.add_argument("--depths", type=int, nargs=4, default=DEPTHS)
    parser.add_argument("--threads", type=int, default=2)
    args = parser.parse_args()
    torch.set_num_threads(args.threads)
    torch.manual_seed(7)
    scenes = load_scenes(args.work / "scenes", args.scenes)
    global SCENES
    held_out, SCENES = scenes[:HELD_OUT], scenes[HELD_OUT:]
    maker = Pool(1)
    file = args.work / "full.pt"
    network = FullColour(args.widths, args.depths).to(memory_format=torch.channels_last)
    average = FullColour(args.widths, args.depths)
    optimiser = torch.optim.Adam(network.parameters(), lr=args.rate)
    step, warm = 0, 300
    if args.resume:
        state = torch.load(file, map_location="cpu")
        network.load_state_dict(state["network"])
        average.load_state_dict(state["average"])
        optimiser.load_state_dict(state["optimiser"])
        step, warm = state["step"], 1
    else:
        if args.grow:
            network.load_state_dict(from_first(load(args.grow)["network"], args.widths, args.depths))
        average.load_state_dict(network.state_dict())
    record = open(args.work / "full.csv", "a", newline="")
    writer = csv.writer(record)
    started, began, losses = time.time(), step, []
    ahead = maker.apply_async(samples, (step,))
    done = lambda: (time.time() - started) / (60 * args.minutes)

    def note(losses):
        row = [step, round(time.time() - started)] + [f"{v:.4f}" for v in np.mean(losses, 0)]
        if step % 1000 == 0 or done() >= 1:
            row += [f"{v:.2f}" for values in validate(average, held_out).values() for v in values]
        writer.writerow(row)
        record.flush()
        print(*row, flush=True)

    if step == 0:
        print(validate(average, held_out), flush=True)
    while done() < 1:
        rate = args.rate * min(1, (step - began + 1) / warm) * (np.cos(np.pi / 2 * done()) ** 2 if args.settle else 1)
        for group in optimiser.param_groups:
            group["lr"] = rate
        noisy, sigma, white, planes, colours = map(torch.from_numpy, ahead.get())
        ahead = maker.apply_async(samples, (step + 1,))
        clean, full = network(noisy.contiguous(memory_format=torch.channels_last), sigma, white)
        loss, *parts = loss_of(clean, full, noisy, planes, colours)
        optimiser.zero_grad()
        loss.backward()
        torch.nn.utils.clip_grad_norm_(network.parameters(), 0.5)
        optimiser.step()
        with torch.no_grad():
            keep = min(AVERAGING, 1 - 1 / (step - (began if not args.resume else 0) + 10))
            for slow, fast in zip(average.parameters(), network.parameters()):
                slow.lerp_(fast, 1 - keep)
        losses.append([float(loss), *(float(p) for p in parts)])
        step += 1
        if step % 250 == 0 or done() >= 1:
            partial = args.work / "full.part"
            torch.save({"network": network.state_dict(), "average": average.state_dict(), "optimiser": optimiser.state_dict(), "step": step,
                        "widths": tuple(args.widths), "depths": tuple(args.depths)}, partial)
            partial.rename(file)
            note(losses)
            losses = []


if __name__ == "__main__":
    main()
