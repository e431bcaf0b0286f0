# SPDX-License-Identifier: GPL-3.0-or-later
"""The second generation: a residual U-Net on the packed planes of a two-by-two sensor that answers sensor samples and full colour from one pass.

Planes are balanced first (red and blue multiplied so that white is equal in all), so that what it learns of colour holds for every camera; the noise of
each colour comes as a constant plane of its own. Without biases, as the first (network.py). Twelve outputs a packed place: the noise of its four samples,
and what a linear demosaic of the clean samples lacks at the eight colours that were not measured there. Neither has a local mean: brightness and colour stay."""
import struct
import zlib

import numpy as np
import torch
from torch import nn

from network import MAGIC, MEAN, Block, conv, local_mean

WIDTHS = (32, 64, 128, 96)  # channels at full, half, quarter and eighth size of the packed planes
DEPTHS = (1, 1, 4, 1)  # blocks there on the way down; again on the way up at full and half size
LEVEL = 12.0  # sigma: from there on it makes no difference how far black or white is
# Places of a packed square: red at 0, green at 1 and 2, blue at 3. MEASURED: the channel of `colours` (3 x place + colour) that is a sample itself.
MEASURED = (0, 4, 7, 11)
MISSING = tuple(i for i in range(12) if i not in MEASURED)


def shifted(x, dy, dx):
    """x at (y + dy, x + dx), borders repeated."""
    if dy:
        x = torch.cat([x[:, 1:], x[:, -1:]], 1) if dy > 0 else torch.cat([x[:, :1], x[:, :-1]], 1)
    if dx:
        x = torch.cat([x[:, :, 1:], x[:, :, -1:]], 2) if dx > 0 else torch.cat([x[:, :, :1], x[:, :, :-1]], 2)
    return x


def demosaiced(planes):
    """Balanced packed planes, N x 4 x H x W -> N x 12 x H x W: red, green, blue at each of the four places, by colour differences, linear."""
    red, upper, lower, blue = planes.unbind(1)
    at_red = (upper + shifted(upper, 0, -1) + lower + shifted(lower, -1, 0)) / 4
    at_blue = (lower + shifted(lower, 0, 1) + upper + shifted(upper, 1, 0)) / 4
    r, b = red - at_red, blue - at_blue
    r_right, r_down = shifted(r, 0, 1), shifted(r, 1, 0)
    b_up, b_left = shifted(b, -1, 0), shifted(b, 0, -1)
    places = [(at_red, r, (b + b_up + b_left + shifted(b_up, 0, -1)) / 4), (upper, (r + r_right) / 2, (b + b_up) / 2),
              (lower, (r + r_down) / 2, (b + b_left) / 2), (at_blue, (r + r_right + r_down + shifted(r_right, 1, 0)) / 4, b)]
    return torch.stack([c for g, dr, db in places for c in (g + dr, g, g + db)], 1)


class Body(nn.Module):
    """What both networks of this generation have between their first and their last convolution."""

    def __init__(self, inputs, outputs, widths=WIDTHS, depths=DEPTHS):
        super().__init__()
        blocks = lambda level: nn.Sequential(*[Block(widths[level]) for _ in range(depths[level])])
        last = len(widths) - 1
        self.enter = conv(inputs, widths[0])
        self.down = nn.ModuleList([blocks(i) for i in range(last)])
        self.shrink = nn.ModuleList([conv(widths[i], widths[i + 1], 2, 2) for i in range(last)])
        self.bottom = blocks(last)
        self.grow = nn.ModuleList([conv(widths[i + 1], widths[i], 1) for i in reversed(range(last))])
        self.up = nn.ModuleList([blocks(i) if i < 2 else nn.Sequential() for i in reversed(range(last))])
        self.leave = conv(widths[0], outputs)

    def body(self, x):
        x = torch.relu(self.enter(x))
        kept = []
        for blocks, shrink in zip(self.down, self.shrink):
            x = blocks(x)
            kept.append(x)
            x = torch.relu(shrink(x))
        x = self.bottom(x)
        for grow, blocks in zip(self.grow, self.up):
            x = blocks(torch.relu(nn.functional.interpolate(grow(x), scale_factor=2) + kept.pop()))
        return self.leave(x)


class FullColour(Body):
    def __init__(self, widths=WIDTHS, depths=DEPTHS):
        super().__init__(9, 12, widths, depths)

    def forward(self, planes, sigma, white):
        """planes: N x 4 x H x W, balanced and stabilised, H and W multiples of 8; sigma: N x 3 x 1 x 1, the noise of red, green and blue there;
        white: N x 4 x 1 x 1, where samples clip. Returns clean planes (N x 4) and colours (N x 12)."""
        mean = local_mean(planes, MEAN)
        spread = sigma[:, [0, 1, 1, 2]]
        size = planes.shape[2:]
        level = (mean / spread).mean(1, keepdim=True).clamp(-LEVEL, LEVEL)
        room = ((white - mean) / spread).amin(1, keepdim=True).clamp(0, LEVEL)
        out = self.body(torch.cat([planes - mean, sigma.expand(-1, 3, *size), level, room], 1))
        out = out - local_mean(out, MEAN)
        clean = planes - out[:, :4]
        colours = demosaiced(clean)
        lacking = torch.zeros_like(colours)
        lacking[:, MISSING] = out[:, 4:]
        return clean, colours + lacking


def from_first(state, widths=WIDTHS, depths=DEPTHS):
    """The state of a network that gives the answers of a first-generation one of the same widths (network.py), as near as its other inputs allow:
    the eighth size and the eight new outputs give nothing yet."""
    new = FullColour(widths, depths).state_dict()
    last = len(widths) - 1
    for name in new:
        if name.endswith("leave.weight"):
            new[name][:4], new[name][4:] = state[name], 0
        elif name == "enter.weight":
            new[name].zero_()
            new[name][:, :4] = state[name][:, :4]
            new[name][:, 4:7] = state[name][:, 4:5] / 3
        elif name == f"grow.0.weight":
            new[name].zero_()  # nothing listens to the eighth size
        elif name.startswith("grow.") or name.startswith("up."):
            part, level, rest = name.split(".", 2)
            old = f"{part}.{int(level) - 1}.{rest}"
            new[name] = state[old]
        elif name.startswith(f"down.{last - 1}."):
            new[name] = state["bottom." + name.split(".", 2)[2]]
        elif name in state and not name.startswith("bottom."):
            new[name] = state[name]
        elif name.startswith("bottom.") and name.endswith("second.weight"):
            new[name].zero_()
    return new


def order(depths):
    """Names of the convolutions in the order in which they are computed, and the file of weights has them (docs/unet.md)."""
    last = len(depths) - 1
    blocks = lambda part, count: [f"{part}.{i}.{which}" for i in range(count) for which in ("first", "second")]
    names = ["enter"]
    for level in range(last):
        names += [*blocks(f"down.{level}", depths[level]), f"shrink.{level}"]
    names += blocks("bottom", depths[last])
    for at, level in enumerate(reversed(range(last))):
        names += [f"grow.{at}", *blocks(f"up.{at}", depths[level] if level < 2 else 0)]
    return [*names, "leave"]


VERSION = 3


def write_weights(state, widths, depths, steps, file):
    """The file that the application reads; returns how many numbers it holds."""
    payload = b"".join(state[name + ".weight"].numpy().astype("<f2").tobytes() for name in order(depths))
    levels, inputs, outputs = len(widths), state["enter.weight"].shape[1], state["leave.weight"].shape[0]
    header = struct.pack(f"<8s{2 * levels + 7}I", MAGIC, VERSION, levels, inputs, outputs, *widths, *depths, steps, len(payload) // 2, zlib.crc32(payload))
    with open(file, "wb") as out:
        out.write(header + payload)
    return len(payload) // 2


def read_weights(file):
    """What write_weights() wrote: the state, widths, depths, steps."""
    data = open(file, "rb").read()
    magic, version, levels, inputs, outputs = struct.unpack_from("<8s4I", data)
    at = struct.calcsize("<8s4I")
    numbers = struct.unpack_from(f"<{2 * levels + 3}I", data, at)
    widths, depths, (steps, count, check) = numbers[:levels], numbers[levels:2 * levels], numbers[2 * levels:]
    payload = data[at + 4 * len(numbers):]
    if magic != MAGIC or version != VERSION or len(payload) != 2 * count or zlib.crc32(payload) != check:
        raise ValueError(f"{file} is damaged, or of another version")
    values, state, shapes = torch.from_numpy(np.frombuffer(payload, "<f2").astype(np.float32)), {}, Body(inputs, outputs, widths, depths).state_dict()
    for name in order(depths):
        shape = shapes[name + ".weight"].shape
        state[name + ".weight"], values = values[:shape.numel()].reshape(shape).clone(), values[shape.numel():]
    return state, widths, depths, steps


# How much of the differences red - green and blue - green of balanced channels goes into red, green and blue of sRGB, beside the whole of green.
TO_SRGB = ((1.71, -0.01), (-0.20, -0.47), (-0.01, 1.46))
BLOCK, STEP = 32, 8  # packed samples: blocks of 64 x 64 of the sensor's


def developed(colours):
    """Balanced colours, N x 12 -> sRGB about, N x 4 x 3 x H x W: the matrix is taken on stabilised values, whose root is near the picture's encoding."""
    c = colours.unflatten(1, (4, 3))
    r, g, b = c.unbind(2)
    return torch.stack([g + of_red * (r - g) + of_blue * (b - g) for of_red, of_blue in TO_SRGB], 2)


def squares(x):
    return (x ** 2).flatten(1).mean(1)


def weighed(error):
    """Mean squares of a developed error; what is wrong between channels is seen as colour, and counts by a third more."""
    picture = developed(error)
    r, g, b = picture.unbind(2)
    return squares(picture) + 0.35 * (squares(r - g) + squares(b - g)) / 2


def loss_of(clean, colours, noisy, truth_planes, truth_colours):
    """The mean over crops of the roots of mean squares: of the sensor samples as an ordinary demosaic shows them, and of the full colours, against
    what a linear demosaic of the truth would leave wrong."""
    error = clean - truth_planes
    mosaic = demosaiced(error)
    moved = nn.functional.avg_pool2d(developed(demosaiced(noisy - clean)).flatten(1, 2), BLOCK, STEP)
    samples = torch.sqrt(weighed(mosaic) + 0.25 * squares(error) + 2 * squares(moved) + 1e-2)
    floor = weighed(demosaiced(truth_planes) - truth_colours)
    # Where noise is low the demosaic's own error is many sigma: what counts is by how much it is less than that.
    full = torch.sqrt(weighed(colours - truth_colours) + 1e-2) / torch.sqrt(1 + floor)
    return (samples + full).mean(), samples.mean(), full.mean()
