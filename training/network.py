# SPDX-License-Identifier: GPL-3.0-or-later
"""A residual U-Net on the four packed planes of a two-by-two sensor, without biases: multiply samples and noise by a factor
and the answer is multiplied by it (Mohan, Kadkhodaie, Simoncelli and Fernandez-Granda, ICLR 2020). The noise it is told
comes as a fifth, constant plane. The local mean is taken off before: against it noise is small, and weights would have to cancel it.
What is taken away has no local mean either: brightness and colour stay, whatever was learned."""
import struct
import zlib

import numpy as np
import torch
from torch import nn

WIDTHS = (16, 48, 96)  # channels at full, half and quarter size
DEPTHS = (1, 1, 2)  # blocks there, on the way down and, but for the quarter, again on the way up
MEAN = 49  # packed samples, each way: what is left of noise in the mean is a 2401st of its variance
ANSWERS_MEAN = 25  # over as many, means of blocks would drift


def local_mean(planes, side):
    """Over side x side samples, fewer at the border; by running sums, since pooling takes as long as the whole network."""
    for dim in (2, 3):
        n, half = planes.shape[dim], side // 2
        sums = nn.functional.pad(planes.cumsum(dim), (1, 0, 0, 0) if dim == 3 else (0, 0, 1, 0))
        at = torch.arange(n)
        low, high = (at - half).clamp(min=0), (at + half + 1).clamp(max=n)
        count = (high - low).to(planes.dtype).reshape((-1, 1) if dim == 2 else (1, -1))
        planes = (sums.index_select(dim, high) - sums.index_select(dim, low)) / count
    return planes


def conv(inputs, outputs, size=3, stride=1):
    return nn.Conv2d(inputs, outputs, size, stride, size // 2 if stride == 1 else 0, bias=False)


class Block(nn.Module):
    """Two convolutions beside a straight way."""

    def __init__(self, width):
        super().__init__()
        self.first, self.second = conv(width, width), conv(width, width)

    def forward(self, x):
        return torch.relu(self.second(torch.relu(self.first(x))) + x)


class Network(nn.Module):
    def __init__(self, widths=WIDTHS, depths=DEPTHS):
        super().__init__()
        a, b, c = widths
        blocks = lambda level: nn.Sequential(*[Block(widths[level]) for _ in range(depths[level])])
        self.enter = conv(5, a)
        self.down = nn.ModuleList([blocks(0), blocks(1)])
        self.shrink = nn.ModuleList([conv(a, b, 2, 2), conv(b, c, 2, 2)])
        self.bottom = blocks(2)
        # Nearest neighbours and a 1 x 1 convolution: a transposed one takes a slow path.
        self.grow = nn.ModuleList([conv(c, b, 1), conv(b, a, 1)])
        self.up = nn.ModuleList([blocks(1), blocks(0)])
        self.leave = conv(a, 4)

    def forward(self, planes, sigma):
        """planes: N x 4 x H x W, H and W multiples of 4, noise of standard deviation sigma (N x 1 x 1 x 1)."""
        detail = planes - local_mean(planes, MEAN)
        x = torch.relu(self.enter(torch.cat([detail, sigma.expand(-1, 1, *planes.shape[2:])], 1)))
        x0 = self.down[0](x)
        x1 = self.down[1](torch.relu(self.shrink[0](x0)))
        x2 = self.bottom(torch.relu(self.shrink[1](x1)))
        x1 = self.up[0](torch.relu(nn.functional.interpolate(self.grow[0](x2), scale_factor=2) + x1))
        x0 = self.up[1](torch.relu(nn.functional.interpolate(self.grow[1](x1), scale_factor=2) + x0))
        noise = self.leave(x0)
        return planes - (noise - local_mean(noise, ANSWERS_MEAN))


def shape_of(state):
    """Widths and depths of the network that a state belongs to."""
    depth = lambda part: sum(name.startswith(part) and name.endswith("first.weight") for name in state)
    return tuple(state[name].shape[0] for name in ("enter.weight", "shrink.0.weight", "shrink.1.weight")), tuple(map(depth, ("down.0.", "down.1.", "bottom.")))


def grown(state, widths, depths):
    """The state of a wider and deeper network that gives the same answers: what is new sees everything, and nothing listens to it yet; a new block
    passes on what it gets (after Chen, Goodfellow and Shlens, ICLR 2016)."""
    large = Network(widths, depths).state_dict()
    for name, value in large.items():
        if name in state:
            outputs, inputs = state[name].shape[:2]
            value[:outputs, inputs:] = 0
            value[:outputs, :inputs] = state[name]
        elif name.endswith("second.weight"):
            value.zero_()
    return large


def order(depths):
    """Names of the convolutions in the order in which they are computed, and the file of weights has them (docs/unet.md)."""
    blocks = lambda part, count: [f"{part}.{i}.{which}" for i in range(count) for which in ("first", "second")]
    full, half, quarter = depths
    return ["enter", *blocks("down.0", full), "shrink.0", *blocks("down.1", half), "shrink.1", *blocks("bottom", quarter),
            "grow.0", *blocks("up.0", half), "grow.1", *blocks("up.1", full), "leave"]


HEADER = struct.Struct("<8s10I")
MAGIC, VERSION = b"IRENUNET", 2


def write_weights(state, steps, file):
    """The file that the application reads; returns how many numbers it holds."""
    widths, depths = shape_of(state)
    payload = b"".join(state[name + ".weight"].numpy().astype("<f2").tobytes() for name in order(depths))
    with open(file, "wb") as out:
        out.write(HEADER.pack(MAGIC, VERSION, *widths, *depths, steps, len(payload) // 2, zlib.crc32(payload)) + payload)
    return len(payload) // 2


def load(file):
    """A checkpoint of train.py, or what can be gone on from of a file of weights: a dict of "network", "average" and "step"."""
    with open(file, "rb") as given:
        start = given.read(HEADER.size)
        if not start.startswith(MAGIC):
            return torch.load(file, map_location="cpu")
        _, version, *numbers, steps, count, check = HEADER.unpack(start)
        payload = given.read()
    if version != VERSION or len(payload) != 2 * count or zlib.crc32(payload) != check:
        raise ValueError(f"{file} is damaged, or of another version")
    values, state, shapes = np.frombuffer(payload, "<f2").astype(np.float32), {}, Network(numbers[:3], numbers[3:]).state_dict()
    for name in order(numbers[3:]):
        shape = shapes[name + ".weight"].shape
        state[name + ".weight"], values = torch.from_numpy(values[:shape.numel()].reshape(shape).copy()), values[shape.numel():]
    return {"network": state, "average": state, "step": steps}
