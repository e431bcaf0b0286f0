# SPDX-License-Identifier: GPL-3.0-or-later
"""The training of both networks of the second generation: one constant rate, averaged weights, samples made by processes of their own, and a state that can be gone on from."""
import argparse
import csv
import time
from multiprocessing import Pool
from pathlib import Path

import numpy as np
import torch

from full_colour import DEPTHS, WIDTHS

AVERAGING = 0.9995
HELD_OUT = 24


def parser_for(description, scenes, depths=DEPTHS):
    parser = argparse.ArgumentParser(description=description, formatter_class=argparse.RawDescriptionHelpFormatter)
    parser.add_argument("--work", type=Path, required=True)
    parser.add_argument("--minutes", type=float, default=60)
    parser.add_argument("--scenes", type=int, default=scenes)
    parser.add_argument("--rate", type=float, default=1e-3)
    parser.add_argument("--settle", action="store_true", help="let the rate fall to nothing over this run")
    parser.add_argument("--resume", action="store_true")
    parser.add_argument("--grow", type=Path, help="weights to start from")
    parser.add_argument("--widths", type=int, nargs=4, default=WIDTHS)
    parser.add_argument("--depths", type=int, nargs=4, default=depths)
    parser.add_argument("--threads", type=int, default=2)
    return parser


def train(args, name, make, grown, samples, loss_of, validate):
    """make(widths, depths): a network; grown(args): the state to start from, and how many steps it has had; samples(step): arrays; loss_of(network, *tensors): the loss and its parts;
    validate(network): numbers by name. Leaves DIR/NAME.pt and a line every 250 steps in DIR/NAME.csv."""
    torch.set_num_threads(args.threads)
    torch.manual_seed(7)
    maker = Pool(1)
    file = args.work / f"{name}.pt"
    network = make(args.widths, args.depths).to(memory_format=torch.channels_last)
    average = make(args.widths, args.depths)
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
            state, step = grown(args)
            network.load_state_dict(state)
        average.load_state_dict(network.state_dict())
    record = open(args.work / f"{name}.csv", "a", newline="")
    writer = csv.writer(record)
    started, began, losses = time.time(), step, []
    ahead = maker.apply_async(samples, (step,))
    done = lambda: (time.time() - started) / (60 * args.minutes)

    def note(losses):
        row = [step, round(time.time() - started)] + [f"{v:.4f}" for v in np.mean(losses, 0)]
        if step % 1000 == 0 or done() >= 1:
            row += [f"{v:.2f}" for values in validate(average).values() for v in values]
        writer.writerow(row)
        record.flush()
        print(*row, flush=True)

    if not args.resume:
        print(validate(average), flush=True)
    while done() < 1:
        rate = args.rate * min(1, (step - began + 1) / warm) * (np.cos(np.pi / 2 * done()) ** 2 if args.settle else 1)
        for group in optimiser.param_groups:
            group["lr"] = rate
        given = [torch.from_numpy(a) for a in ahead.get()]
        ahead = maker.apply_async(samples, (step + 1,))
        loss, *parts = loss_of(network, given[0].contiguous(memory_format=torch.channels_last), *given[1:])
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
            partial = args.work / f"{name}.part"
            torch.save({"network": network.state_dict(), "average": average.state_dict(), "optimiser": optimiser.state_dict(), "step": step,
                        "widths": tuple(args.widths), "depths": tuple(args.depths)}, partial)
            partial.rename(file)
            note(losses)
            losses = []
