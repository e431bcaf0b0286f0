# SPDX-License-Identifier: GPL-3.0-or-later
"""A residual U-Net on the four packed planes of a two-by-two sensor, without biases: multiply samples and noise by a factor
and the answer is multiplied by it (Mohan, Kadkhodaie, Simoncelli and Fernandez-Granda, ICLR 2020). The noise it is told
comes as a fifth, constant plane. The local mean is taken off before: against it noise is small, and weights would have to cancel it.
What is taken away has no local mean either: brightness and colour stay, whatever was learned."""
import torch
from torch import nn

WIDTHS = (16, 48, 96)
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
    def __init__(self, widths=WIDTHS):
        super().__init__()
        a, b, c = widths
        self.enter = conv(5, a)
        self.down = nn.ModuleList([Block(a), Block(b)])
        self.shrink = nn.ModuleList([conv(a, b, 2, 2), conv(b, c, 2, 2)])
        self.bottom = nn.ModuleList([Block(c), Block(c)])
        # Nearest neighbours and a 1 x 1 convolution: a transposed one takes a slow path.
        self.grow = nn.ModuleList([conv(c, b, 1), conv(b, a, 1)])
        self.up = nn.ModuleList([Block(b), Block(a)])
        self.leave = conv(a, 4)

    def forward(self, planes, sigma):
        """planes: N x 4 x H x W, H and W multiples of 4, noise of standard deviation sigma (N x 1 x 1 x 1)."""
        detail = planes - local_mean(planes, MEAN)
        x = torch.relu(self.enter(torch.cat([detail, sigma.expand(-1, 1, *planes.shape[2:])], 1)))
        x0 = self.down[0](x)
        x1 = self.down[1](torch.relu(self.shrink[0](x0)))
        x2 = torch.relu(self.shrink[1](x1))
        for block in self.bottom:
            x2 = block(x2)
        x1 = self.up[0](torch.relu(nn.functional.interpolate(self.grow[0](x2), scale_factor=2) + x1))
        x0 = self.up[1](torch.relu(nn.functional.interpolate(self.grow[1](x1), scale_factor=2) + x0))
        noise = self.leave(x0)
        return planes - (noise - local_mean(noise, ANSWERS_MEAN))


def widths_of(state):
    """The widths of the network that a state belongs to."""
    return tuple(state[name].shape[0] for name in ("enter.weight", "shrink.0.weight", "shrink.1.weight"))


def widened(state, widths):
    """The state of a wider network that gives the same answers: what is new sees everything, and nothing listens to it yet
    (after Chen, Goodfellow and Shlens, ICLR 2016)."""
    wide = Network(widths).state_dict()
    for name, old in state.items():
        outputs, inputs = old.shape[:2]
        wide[name][:outputs, inputs:] = 0
        wide[name][:outputs, :inputs] = old
    return wide
