# SPDX-License-Identifier: GPL-3.0-or-later
"""Pictures in full colour as people have them, with the noise that such pictures have: of a mosaic, of a six-by-six sensor or of full samples, demosaiced in
one of several ways, developed, sharpened, stored in eight bits or as a JPEG; and the network that cleans them.

Four pixels of three colours are packed into twelve planes. Their noise has sigma 1 by a law that was measured on the picture, where texture passes for noise: it may be far
off, and so may what is told of the noise's spectrum. So the network is shown a law that is wrong more often than not, and learns to see for itself."""
import io

import numpy as np
import torch
from PIL import Image
from torch import nn

from full_colour import LEVEL, WIDTHS, Body, squares
from network import MEAN, local_mean
from sensor import STARRY, augment_balanced, expected, stabilise, strew

MOST_NOISE = 4  # sigma: a crop with more has hardly any tone by which its law could be told
BORDER = 8  # pixels around a crop that demosaicing and coding may spoil
DEPTHS = (1, 1, 2, 1)  # half the blocks of full_colour.py at a quarter of the size, which take half of its time
TOLD = 3  # sigma of luminance's finest differences, of its differences of the third level, of colours' of the third level
CHANNELS = 12


def packed(picture):
    """N x 3 x H x W -> N x 12 x H/2 x W/2: red, green, blue of each of the four pixels of a square."""
    return torch.cat([picture[:, :, y::2, x::2] for y in (0, 1) for x in (0, 1)], 1)


class Finished(Body):
    def __init__(self, widths=WIDTHS, depths=DEPTHS):
        super().__init__(CHANNELS + TOLD + 1, CHANNELS, widths, depths)

    def forward(self, planes, told):
        """planes: N x 12 x H x W, stabilised, H and W multiples of 8; told: N x 3 x 1 x 1, sigma as TOLD says. Returns the clean planes."""
        mean = local_mean(planes, MEAN)
        level = mean.mean(1, keepdim=True).clamp(-LEVEL, LEVEL)
        out = self.body(torch.cat([planes - mean, told.expand(-1, TOLD, *planes.shape[2:]), level], 1))
        return planes - (out - local_mean(out, MEAN))


def from_full_colour(state, widths=WIDTHS, depths=DEPTHS):
    """A state to begin with: what a network of full_colour.py of the same widths sees of a picture whose samples are left where a sensor measures them; the
    noise of the colours between is that of the nearest sample."""
    new = Finished(widths, depths).state_dict()
    for name in new:
        if name not in ("enter.weight", "leave.weight"):
            new[name] = state[name]
    enter, leave, first, last = new["enter.weight"].zero_(), new["leave.weight"], state["enter.weight"], state["leave.weight"]
    for place, colour in enumerate((0, 1, 1, 2)):
        enter[:, 3 * place + colour] = first[:, place]
    enter[:, CHANNELS] = first[:, 4:7].sum(1)
    enter[:, CHANNELS + TOLD] = first[:, 7]
    nearest = {0: (0, 0, 0, 0), 1: (1, 1, 2, 2), 2: (3, 3, 3, 3)}
    for place in range(4):
        for colour in range(3):
            leave[3 * place + colour] = last[nearest[colour][place]]
    return new


# Demosaicing. Mosaics are H x W with a mask of each colour, N x 3 x H x W.

SIX = np.array([list(row) for row in ("GRBGBR", "BGGRGG", "RGGBGG", "GBRGRB", "RGGBGG", "BGGRGG")])


def pattern_masks(side, six, shift):
    letters = SIX if six else np.array([["R", "G"], ["G", "B"]])
    tiled = np.tile(letters, (side // len(letters) + 4,) * 2)[shift[0]:shift[0] + side, shift[1]:shift[1] + side]
    return torch.from_numpy(np.stack([tiled == c for c in "RGB"]).astype(np.float32))


def filtered(planes, kernel):
    """C x H x W with one kernel, borders reflected."""
    reach = kernel.shape[-1] // 2
    return nn.functional.conv2d(nn.functional.pad(planes[:, None], (reach,) * 4, mode="reflect"), kernel[None, None])[:, 0]


def bell(sigma, reach=3):
    x = torch.arange(-reach, reach + 1).float()
    row = torch.exp(-x ** 2 / (2 * sigma ** 2))
    kernel = row[:, None] * row
    return kernel / kernel.sum()


def by_weights(mosaic, masks, kernel):
    """Every colour by itself: measured samples stay, others are means of those around."""
    known = mosaic * masks
    means = filtered(known, kernel) / filtered(masks, kernel).clamp(min=1e-6)
    return torch.where(masks > 0, known, means)


def by_differences(mosaic, masks, green, kernel):
    """Red and blue as differences to a green that is there everywhere."""
    differences = by_weights(mosaic - green, masks, kernel)
    picture = green + differences
    return torch.stack([picture[0], green, picture[2]])


CROSS = torch.tensor([[0, 1, 0], [1, 0, 1], [0, 1, 0]]).float() / 4
LINEAR = torch.tensor([[1, 2, 1], [2, 4, 2], [1, 2, 1]]).float() / 16


def moved(x, dy, dx):
    return torch.roll(x, (-dy, -dx), (-2, -1))


def directional_green(mosaic, masks):
    """Along the direction in which less changes: gradient-corrected means of the two neighbours."""
    along = lambda dy, dx: ((moved(mosaic, dy, dx) + moved(mosaic, -dy, -dx)) / 2 + (2 * mosaic - moved(mosaic, 2 * dy, 2 * dx) - moved(mosaic, -2 * dy, -2 * dx)) / 4,
                            (moved(mosaic, dy, dx) - moved(mosaic, -dy, -dx)).abs() + (2 * mosaic - moved(mosaic, 2 * dy, 2 * dx) - moved(mosaic, -2 * dy, -2 * dx)).abs())
    (across, change), (down, other) = along(0, 1), along(1, 0)
    change, other = filtered(torch.stack([change, other]), bell(1.0, 2))
    share = other ** 2 / (change ** 2 + other ** 2 + 1e-12)
    return torch.where(masks[1] > 0, mosaic, share * across + (1 - share) * down)


def demosaic(mosaic, masks, six, way):
    """One of several ways; way: 0 to 1, what kind and how wide. Noise decides in some, as it does in programs."""
    if six:
        wide = bell(0.7 + 0.6 * way)
        green = by_weights(mosaic, masks, wide)[1]
        return by_differences(mosaic, masks, green, bell(1.0 + 0.8 * way)) if way > 0.15 else by_weights(mosaic, masks, wide)
    if way < 0.15:
        return by_weights(mosaic, masks, LINEAR)
    if way < 0.35:
        return by_differences(mosaic, masks, torch.where(masks[1] > 0, mosaic, filtered((mosaic * masks[1])[None], CROSS)[0]), LINEAR)
    return by_differences(mosaic, masks, directional_green(mosaic, masks), LINEAR if way < 0.8 else bell(1.2))


# What is done to a picture afterwards.


def encoded(x):
    x = x.clamp(min=0)
    return torch.where(x <= 0.0031308, 12.92 * x, 1.055 * x.clamp(min=1e-9) ** (1 / 2.4) - 0.055)


def decoded(x):
    return torch.where(x <= 0.04045, x / 12.92, ((x.clamp(min=0) + 0.055) / 1.055) ** 2.4)


MATRIX = torch.tensor([[1.75, -0.62, -0.13], [-0.22, 1.55, -0.33], [0.02, -0.55, 1.53]])


def jpeg(picture, quality, subsampling):
    """3 x H x W in 0 .. 1, coded and decoded."""
    file = io.BytesIO()
    Image.fromarray((picture.clamp(0, 1) * 255 + 0.5).byte().permute(1, 2, 0).numpy()).save(file, "JPEG", quality=quality, subsampling=subsampling)
    return torch.from_numpy(np.asarray(Image.open(file)).astype(np.float32) / 255).permute(2, 0, 1)


class Steps:
    """Drawn once, done alike to the noisy and the clean picture; the latter is neither rounded nor coded."""

    def __init__(self, rng, white, rendered=None):
        self.rendered = rng.random() < 0.72 if rendered is None else rendered
        self.white = torch.from_numpy(np.asarray(white, np.float32))[:, None, None]
        share = np.float32(rng.uniform(0, 1.1))
        self.matrix = torch.eye(3) * (1 - share) + MATRIX * share
        self.bright = float(np.exp(rng.uniform(-0.4, 0.6)))
        self.contrast = float(rng.choice([0, 0, rng.uniform(0, 0.8)]))
        self.gamma = float(rng.choice([1, 1, np.exp(rng.normal(0, 0.15))]))
        self.blur = float(rng.uniform(0.3, 0.8)) if rng.random() < 0.1 else 0
        self.colour_blur = float(rng.uniform(0.7, 2.5)) if rng.random() < 0.25 else 0  # what cameras do to colour noise
        self.sharpening = float(rng.choice([0, rng.uniform(0.1, 1.6)])), float(rng.uniform(0.5, 1.3))
        self.eight = rng.random() < 0.65
        self.jpeg = (int(rng.integers(55, 99)), int(rng.choice([0, 2, 2]))) if rng.random() < 0.6 else None

    def done(self, picture, stored):
        """3 x H x W of the camera's colours -> what the file says, made linear by sRGB's curve."""
        if not self.rendered:
            return picture
        x = torch.einsum("ij,jhw->ihw", self.matrix, (picture / self.white).clamp(max=1)) * self.bright
        x = encoded(x.clamp(0, 1)) ** self.gamma
        if self.contrast:
            x = x + self.contrast * x * (1 - x) * (2 * x - 1)
        if self.blur:
            x = filtered(x, bell(self.blur))
        if self.colour_blur:
            light = x.mean(0, keepdim=True)
            x = light + filtered(x - light, bell(self.colour_blur, 6))
        amount, radius = self.sharpening
        if amount:
            x = x + amount * (x - filtered(x, bell(radius)))
        x = x.clamp(0, 1)
        if stored and self.jpeg:
            x = jpeg(x, *self.jpeg)
        elif stored:
            steps = 255 if self.eight else 65535
            x = torch.round(x * steps) / steps
        return decoded(x)

    def floor(self):
        """Sigma that rounding leaves, about, in linear numbers of the middle tones."""
        return 2e-5 if not self.rendered else 3e-4 if self.eight or self.jpeg else 2e-5


def line_through(error, clean, floor):
    """Variance = a x signal + b of one channel, through the medians of a dozen tones: what is calm speaks, as it does where noise is measured."""
    error, clean = error[::2, ::3], clean[::2, ::3]
    order = torch.argsort(clean.flatten())
    tones, squared = clean.flatten()[order].chunk(12), (error.flatten() ** 2)[order].chunk(12)
    points = [(float(t.mean()), float(s.median()) / 0.4549 + floor ** 2) for t, s in zip(tones, squared) if float(t.mean()) < 0.95]
    if not points:
        return floor ** 2, floor ** 2
    t, v = (np.array(p) for p in zip(*points))
    t, weight = np.maximum(t, 1e-4), 1 / v
    a, b = np.linalg.lstsq(np.stack([t * weight, weight], 1), v * weight, rcond=None)[0]
    if a <= 0:
        a, b = 1e-3 * np.median(v / t), np.exp(np.mean(np.log(v)))
    if b <= 0:
        a, b = np.exp(np.mean(np.log(v / t))), 1e-3 * v.min()
    return max(a, 1e-9), max(b, 1e-11)


def spread(x):
    """Sigma by the median: what is rare does not count."""
    return float(torch.sqrt((x ** 2).median() / 0.4549)) + 1e-3


def means(x):
    return (x[..., 0::2, 0::2] + x[..., 0::2, 1::2] + x[..., 1::2, 0::2] + x[..., 1::2, 1::2]) / 2


def details(x):
    a, b, c, d = x[..., 0::2, 0::2], x[..., 0::2, 1::2], x[..., 1::2, 0::2], x[..., 1::2, 1::2]
    return torch.stack([(a + b - c - d) / 2, (a - b + c - d) / 2, (a - b - c + d) / 2])


def told_of(error):
    """Sigma as TOLD says, of stabilised noise, 3 x H x W."""
    r, g, b = error
    light = (r + g + b) / 3 ** 0.5
    colour = torch.stack([(r - b) / 2 ** 0.5, (r - 2 * g + b) / 6 ** 0.5])[..., 0::2, 0::2]
    return [spread(details(light)[2]), spread(details(means(means(light)))), spread(details(means(colour)))]


def photographed(camera, white, rng, generator, gain=None, kind=None):
    """One crop (H x W x 3, with BORDER around) -> noisy and clean, 3 x H x W, stabilised, and what is told of the noise. kind: None, or (six, direct, rendered)."""
    side = camera.shape[0]
    perfect = gain is not None
    lowest = 1.5e-5 if rng.random() < 0.2 else 3e-4  # where there is little noise most of what is wrong is what coding and rounding did
    gain = float(np.exp(rng.uniform(np.log(lowest), np.log(3e-2)))) if gain is None else gain
    variance = (gain * np.exp(rng.uniform(np.log(0.4), np.log(4)))) ** 2
    if not perfect and rng.random() < STARRY:
        camera = strew(camera, gain, variance, rng)
    clean = torch.from_numpy(np.ascontiguousarray(camera)).permute(2, 0, 1).clamp(0, 1)
    six, direct, rendered = kind or (rng.random() < 0.22, rng.random() < 0.15, None)
    steps = Steps(rng, white, rendered)
    way, masks = rng.random(), pattern_masks(side, six, rng.integers(0, 6, 2))

    def shot(light):
        noise = torch.randn(light.shape, generator=generator) * variance ** 0.5
        return torch.poisson(light / gain, generator=generator) * gain + noise

    if direct:
        noisy, still = shot(clean), clean
    else:
        mosaic = (clean * masks).sum(0)
        still, noisy = demosaic(mosaic, masks, six, way), demosaic(shot(mosaic).clamp(max=1), masks, six, way)
    still, noisy = steps.done(still, False), steps.done(noisy, True)
    inside = slice(BORDER, side - BORDER)
    still, noisy = still[:, inside, inside], noisy[:, inside, inside]
    laws = np.array([line_through(n - s, s, steps.floor()) for n, s in zip(noisy, still)])
    # The law as it is measured: told wrongly by some, often too high, since texture passes for noise.
    wrong = np.exp(rng.normal(0, 0.05)) if perfect or rng.random() < 0.5 else np.exp(rng.normal(0.15, 0.4))
    a, b = torch.from_numpy(laws.T * wrong ** 2).float()[..., None, None]
    n, s = stabilise(noisy, a, b), expected(still, a, b)
    told = np.array(told_of(n - stabilise(still, a, b))) * np.exp(rng.normal(0, 0.1, TOLD))
    if not perfect and rng.random() < 0.6:
        told *= wrong * np.exp(rng.normal(0.05, 0.25, TOLD))
    return n, s, torch.from_numpy(told).float().clamp(0.02, 30)


def shoot_finished(scenes, crop, batch, rng, generator, gain=None, kind=None):
    """What Finished asks for and is held against: noisy (N x 12), told (N x 3 x 1 x 1), clean (N x 12)."""
    results = []
    while len(results) < batch:
        camera, white = augment_balanced(scenes[rng.integers(len(scenes))], crop + 2 * BORDER, rng)
        result = photographed(camera, white, rng, generator, gain, kind)
        if gain is not None or squares((result[0] - result[1])[None]) < MOST_NOISE ** 2:
            results.append(result)
    noisy, clean, told = (torch.stack(t) for t in zip(*results))
    return packed(noisy), told[..., None, None], packed(clean)


BLOCK, STEP = 32, 8


def loss_of(clean, noisy, truth):
    """The mean over crops of what is left of the error, as a share of what there was: roots of mean squares. What is wrong between channels, which is seen as colour,
    and what moves means counts by more."""
    def weighed(error):
        r, g, b = error.unflatten(1, (4, 3)).unbind(2)
        return squares(error) + 0.35 * (squares(r - g) + squares(b - g)) / 2

    moved_means = nn.functional.avg_pool2d(clean - noisy, BLOCK, STEP)
    return torch.sqrt((weighed(clean - truth) + 2 * squares(moved_means) + 1e-3) / (weighed(noisy - truth) + 0.02)).mean()
