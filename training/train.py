#!/usr/bin/python3
# SPDX-License-Identifier: GPL-3.0-or-later
"""Trains the network of the learned method on procedural scenes. Debian's python3-torch, python3-pil, fonts-lato and
fonts-dejavu-core are all it needs.

    training/train.py --work DIR --minutes 60             from scratch; 700 scenes are drawn first, which takes ten minutes
    training/train.py --work DIR --minutes 8 --scenes 100 the same in short, to see that it learns
    training/train.py --work DIR --minutes 60 --resume    goes on from DIR/checkpoint.pt (or --from FILE)

DIR keeps the scenes, checkpoint.pt (weights, averaged weights, optimiser, step) and record.csv (a line every 250 steps).
"""
import argparse
import csv
import time
from multiprocessing import Pool
from pathlib import Path

import numpy as np
import torch
from torch import nn

from network import DEPTHS, WIDTHS, Network, grown, load, shape_of
from scenes import scene
from sensor import augment, shoot

BATCH, CROP = 8, 192  # sensor pixels
HELD_OUT = 24
AVERAGING = 0.998
SCENES = None  # for the process of samples()
GAINS = {"low": 2e-4, "middle": 1.5e-3, "high": 8e-3, "extreme": 3e-2}


def scene_file(args):
    folder, seed = args
    file = folder / f"{seed:06d}.npy"
    if not file.exists():
        partial = file.with_suffix(".part.npy")
        np.save(partial, scene(seed).astype(np.float16))
        partial.rename(file)
    return file


def load_scenes(folder, count):
    folder.mkdir(parents=True, exist_ok=True)
    files = []
    with Pool(2) as pool:
        for file in pool.imap(scene_file, [(folder, seed) for seed in range(count)], chunksize=4):
            files.append(file)
            if len(files) % 50 == 0:
                print(f"scenes: {len(files)} of {count}", flush=True)
    return np.stack([np.load(f) for f in files])


def samples(step):
    """What a step learns from, noisy and clean; made beside the training, by a process of its own."""
    torch.set_num_threads(1)
    rng, generator = np.random.default_rng([1000, step]), torch.Generator().manual_seed(1000 + step)
    camera = torch.from_numpy(np.stack([augment(SCENES[i], CROP, rng) for i in rng.integers(0, len(SCENES), BATCH)]))
    return [planes.numpy() for planes in shoot(camera, rng, generator)]


# How much of the differences red - green and blue - green of a camera goes into red, green and blue of sRGB, beside the whole of green: what is
# wrong between channels is made larger by developing.
TO_SRGB = ((1.71, -0.01), (-0.20, -0.47), (-0.01, 1.46))
BALANCE = 1.35  # of red and blue: the root, as samples are stabilised, of what white balance multiplies them by


def developed(error):
    """Errors of packed planes -> of red, green and blue of the developed picture, about: N x 12 x H x W, a channel for each place in the square of two.
    Demosaicing by colour differences, linear, the matrix taken on stabilised values, whose root is near the picture's encoding."""
    red, upper, lower, blue = error.unbind(1)
    left, up = lambda x: x.roll(1, 2), lambda x: x.roll(1, 1)
    right, down = lambda x: x.roll(-1, 2), lambda x: x.roll(-1, 1)
    at_red = (upper + left(upper) + lower + up(lower)) / 4
    at_blue = (lower + right(lower) + upper + down(upper)) / 4
    r, b = BALANCE * red - at_red, BALANCE * blue - at_blue
    r_down, b_up = (r + down(r)) / 2, (b + up(b)) / 2
    places = [(at_red, r, (b_up + left(b_up)) / 2), (upper, (r + right(r)) / 2, b_up), (lower, r_down, (b + left(b)) / 2), (at_blue, (r_down + right(r_down)) / 2, b)]
    return torch.stack([green + of_red * r + of_blue * b for green, r, b in places for of_red, of_blue in TO_SRGB], 1)


BLOCK, STEP = 32, 8  # packed samples: blocks of 64 x 64 of the sensor's, and from one to the next


def loss_of(error, noise):
    """The mean over crops of the root of their mean squares: PSNR is what is asked for, at low noise as at high. error, noise: what is left and what there was, N x 4 x H x W."""
    squares = lambda x: (x ** 2).mean((1, 2, 3))
    picture = developed(error)
    # Errors between channels, which are seen as colour, count by a third more.
    red, green, blue = picture[:, 0::3], picture[:, 1::3], picture[:, 2::3]
    # What is taken shall not move the means of large blocks.
    moved = nn.functional.avg_pool2d(developed(noise - error), BLOCK, STEP)
    # A share of the planes' own errors holds the finest detail, which interpolation smooths.
    return torch.sqrt(squares(picture) + 0.35 * (squares(red - green) + squares(blue - green)) / 2 + 0.25 * squares(error) + 2 * squares(moved) + 1e-2).mean()


def validate(network, scenes):
    """PSNR in dB of the square root of signal over held-out scenes, at four noise levels, noisy and cleaned."""
    rng, scores = np.random.default_rng(1), {}
    for name, gain in GAINS.items():
        generator = torch.Generator().manual_seed(2)
        camera = torch.from_numpy(np.stack([augment(s, 256, rng) for s in scenes])).clamp(0, 1)
        noisy, clean = shoot(camera, rng, generator, gain)
        with torch.no_grad():
            out = torch.cat([network(part, torch.ones(len(part), 1, 1, 1)) for part in noisy.split(4)])
        peak = 2 / gain * gain ** 0.5
        psnr = lambda x: float(20 * np.log10(peak) - 10 * torch.log10(((x - clean) ** 2).mean()))
        scores[name] = (psnr(noisy), psnr(out))
    return scores


def main():
    parser = argparse.ArgumentParser(description=__doc__, formatter_class=argparse.RawDescriptionHelpFormatter)
    parser.add_argument("--work", type=Path, required=True)
    parser.add_argument("--minutes", type=float, default=60)
    parser.add_argument("--scenes", type=int, default=700)
    parser.add_argument("--rate", type=float, default=1.5e-3)
    parser.add_argument("--settle", action="store_true", help="let the learning rate fall to nothing over this run")
    parser.add_argument("--resume", action="store_true")
    parser.add_argument("--from", dest="start", type=Path, help="checkpoint or file of weights to go on from")
    parser.add_argument("--widths", type=int, nargs=3, help="channels of the three levels; a narrower checkpoint grows; its own where left out")
    parser.add_argument("--depths", type=int, nargs=3, help="blocks of the three levels; a shallower checkpoint grows")
    parser.add_argument("--threads", type=int, default=2)
    args = parser.parse_args()
    torch.set_num_threads(args.threads)  # Debian's torch starts with one
    torch.manual_seed(7)
    scenes = load_scenes(args.work / "scenes", args.scenes)
    global SCENES
    held_out, SCENES = scenes[:HELD_OUT], scenes[HELD_OUT:]
    maker = Pool(1)
    state = load(args.start or args.work / "checkpoint.pt") if args.resume or args.start else None
    shape = tuple(tuple(asked or own) for asked, own in zip((args.widths, args.depths), shape_of(state["network"]) if state else (WIDTHS, DEPTHS)))
    network, average = Network(*shape).to(memory_format=torch.channels_last), Network(*shape)  # a quarter faster
    optimiser = torch.optim.Adam(network.parameters(), lr=args.rate)
    step, warm = 0, 300
    if state:
        network.load_state_dict(grown(state["network"], *shape))
        if "optimiser" in state and shape_of(state["network"]) == shape:  # a file of weights has none: a few hundred steps make it up
            optimiser.load_state_dict(state["optimiser"])
            warm = 1
        average.load_state_dict(network.state_dict() if state["average"] is state["network"] else grown(state["average"], *shape))
        step = state["step"]
    else:
        average.load_state_dict(network.state_dict())
    record = open(args.work / "record.csv", "a", newline="")
    writer = csv.writer(record)
    started, began, losses = time.time(), step, []
    ahead = maker.apply_async(samples, (step,))
    done = lambda: (time.time() - started) / (60 * args.minutes)
    while done() < 1:
        rate = args.rate * min(1, (step - began + 1) / warm) * (np.cos(np.pi / 2 * done()) ** 2 if args.settle else 1)
        for group in optimiser.param_groups:
            group["lr"] = rate
        noisy, clean = map(torch.from_numpy, ahead.get())
        ahead = maker.apply_async(samples, (step + 1,))
        loss = loss_of(network(noisy.contiguous(memory_format=torch.channels_last), torch.ones(BATCH, 1, 1, 1)) - clean, noisy - clean)
        optimiser.zero_grad()
        loss.backward()
        torch.nn.utils.clip_grad_norm_(network.parameters(), 0.5)
        optimiser.step()
        with torch.no_grad():
            keep = min(AVERAGING, 1 - 1 / (step + 1))
            for slow, fast in zip(average.parameters(), network.parameters()):
                slow.lerp_(fast, 1 - keep)
        losses.append(float(loss))
        step += 1
        if step % 250 == 0 or done() >= 1:
            partial = args.work / "checkpoint.part"
            torch.save({"network": network.state_dict(), "average": average.state_dict(), "optimiser": optimiser.state_dict(), "step": step}, partial)
            partial.rename(args.work / "checkpoint.pt")
            row = [step, round(time.time() - started), f"{np.mean(losses):.5f}"]
            if step % 1000 == 0 or done() >= 1:
                row += [f"{v:.2f}" for pair in validate(average, held_out).values() for v in pair]
            writer.writerow(row)
            record.flush()
            print(*row, flush=True)
            losses = []


if __name__ == "__main__":
    main()
