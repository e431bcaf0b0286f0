# SPDX-License-Identifier: GPL-3.0-or-later
"""A residual U-Net on the four packed planes of a two-by-two sensor, without biases: multiply samples and noise by a factor
and the answer is multiplied by it (Mohan, Kadkhodaie, Simoncelli and Fernandez-Granda, ICLR 2020). The noise it is told
comes as a fifth, constant plane."""
import torch
from torch import nn

WIDTHS = (32, 64, 96)


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
        x = torch.relu(self.enter(torch.cat([planes, sigma.expand(-1, 1, *planes.shape[2:])], 1)))
        x0 = self.down[0](x)
        x1 = self.down[1](torch.relu(self.shrink[0](x0)))
        x2 = torch.relu(self.shrink[1](x1))
        for block in self.bottom:
            x2 = block(x2)
        x1 = self.up[0](torch.relu(nn.functional.interpolate(self.grow[0](x2), scale_factor=2) + x1))
        x0 = self.up[1](torch.relu(nn.functional.interpolate(self.grow[1](x1), scale_factor=2) + x0))
        return planes - self.leave(x0)
