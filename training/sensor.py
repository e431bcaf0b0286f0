# SPDX-License-Identifier: GPL-3.0-or-later
"""The sensor's law, the same as irenic-shoot's and the core's Stabiliser: Poisson photon noise, Gaussian read noise,
clipping and quantisation; then the generalised Anscombe transform, straight below black, so that noise has sigma 1."""
import numpy as np
import torch

from scenes import pattern


def stabilise(signal, gain, variance):
    """core/photograph/law/stabiliser.h, forward(): black is 0."""
    offset = 0.375 * gain * gain + variance
    root = torch.sqrt(offset)
    return torch.where(signal >= 0, 2 * signal / (torch.sqrt(gain * signal.clamp(min=0) + offset) + root), signal / root)


def expected(signal, gain, variance):
    """What stabilised samples are in the mean where the signal is this: the core's way back, which undoes the bend of the transform for
    the noise that was taken away (core/photograph/law/stabiliser.h, inverse()), turned about by Newton's method."""
    root = torch.sqrt(0.375 * gain * gain + variance)
    s = stabilise(signal, gain, variance)
    for _ in range(3):
        # At the middle and at the two points of Gauss and Hermite's rule; below 0 the way is straight.
        ways = [(share, s + at, (s + at).clamp(min=0)) for share, at in ((2 / 3, 0), (1 / 6, 3 ** 0.5), (1 / 6, -3 ** 0.5))]
        mean = sum(share * (root * x + gain / 4 * above * above) for share, x, above in ways)
        rise = root + gain / 2 * sum(share * above for share, x, above in ways)
        s = s - (mean - signal) / rise
    return s


def pack(mosaic):
    """N x H x W, red top left -> N x 4 x H/2 x W/2: red, green, green, blue."""
    return torch.stack([mosaic[:, 0::2, 0::2], mosaic[:, 0::2, 1::2], mosaic[:, 1::2, 0::2], mosaic[:, 1::2, 1::2]], 1)


def augment(scene, side, rng):
    """A crop of a scene as another camera might see it under other light: float32, side x side x 3, camera channels."""
    return augment_balanced(scene, side, rng)[0]


def augment_balanced(scene, side, rng):
    """The same, and what white is there: three numbers, green 1."""
    zoom = int(rng.choice([1, 1, 2, 2, 2]))
    need = side * zoom
    y, x = rng.integers(0, scene.shape[0] - need + 1), rng.integers(0, scene.shape[1] - need + 1)
    crop = scene[y:y + need, x:x + need].astype(np.float32)
    if zoom > 1:
        crop = sum(crop[y::zoom, x::zoom] for y in range(zoom) for x in range(zoom)) / np.float32(zoom * zoom)  # mean() takes ten times as long
    if rng.random() < 0.5:
        crop = crop[:, ::-1]
    crop = np.rot90(crop, rng.integers(4))[..., rng.permutation(3)]
    if rng.random() < 0.08:  # nothing but noise: nothing must be made of it
        crop = np.broadcast_to(crop.mean((0, 1)), crop.shape)
    if rng.random() < 0.15:
        crop = pattern(rng, side)
    # Things of one scene differ in brightness more than in colour, and the finer the more so.
    grey = crop.mean(2, keepdims=True)
    colour = (crop - grey) * np.float32(rng.beta(1.3, 1.5))
    for _ in range(int(rng.choice([0, 0, 0, 1, 2, 4]))):
        for axis in (0, 1):
            colour = (np.roll(colour, 1, axis) + 2 * colour + np.roll(colour, -1, axis)) / 4
    crop = np.maximum(grey + colour, 0)
    mix = np.eye(3, dtype=np.float32) * (1 - 0.35) + rng.dirichlet((1, 1, 1), 3).astype(np.float32) * 0.35
    balance = np.array([1 / rng.uniform(1.0, 2.6), 1, 1 / rng.uniform(1.0, 2.6)], np.float32)
    return ((crop @ mix.T) * balance * np.float32(np.exp(rng.uniform(np.log(0.03), np.log(3))))).astype(np.float32), balance


STARRY = 0.12  # share of crops


def strew(crop, gain, variance, rng):
    """Stars over a crop of a camera picture, of one to three pixels, 2 to 60 sigma of the noise behind them; on a sky without anything else every second time."""
    if rng.random() < 0.5:
        crop = np.broadcast_to(crop.mean((0, 1)) * np.exp(rng.uniform(-4, 0)), crop.shape)
    out, side = np.array(crop, np.float32), crop.shape[0]
    reach = np.arange(-3, 4)
    spread = np.exp(rng.uniform(np.log(0.35), np.log(0.9)))  # one lens
    for _ in range(int(np.exp(rng.uniform(np.log(4), np.log(300))))):
        at = rng.integers(3, side - 3, 2)
        y, x = (np.exp(-(reach - offset) ** 2 / (2 * spread ** 2)) for offset in rng.uniform(-0.5, 0.5, 2))
        sigma = np.sqrt(gain * crop[at[0], at[1], 1] + variance)
        light = sigma * np.exp(rng.uniform(np.log(2), np.log(60))) * np.array([rng.uniform(0.4, 1), 1, rng.uniform(0.4, 1)])
        out[at[0] - 3:at[0] + 4, at[1] - 3:at[1] + 4] += (np.outer(y, x)[..., None] * light).astype(np.float32)
    return out


def shoot(camera, rng, generator, gain=None):
    """Batch of camera pictures (N x H x W x 3) -> noisy and clean stabilised packed planes (N x 4 x H/2 x W/2).

    Gain (variance per unit of signal, 1 = clipping) log-uniform from 2e-4 to 3e-2, read noise 0.4 to 4 times that. Some crops are strewn with stars."""
    n = camera.shape[0]
    draw = lambda low, high: torch.from_numpy(np.exp(rng.uniform(np.log(low), np.log(high), (n, 1, 1)))).float()
    gain = draw(2e-4, 3e-2) if gain is None else torch.full((n, 1, 1), gain)
    variance = (gain * draw(0.4, 4)) ** 2
    camera = torch.from_numpy(np.stack([strew(crop, float(g), float(v), rng) if rng.random() < STARRY else crop for crop, g, v in zip(camera.numpy(), gain, variance)]))
    clean = torch.empty(camera.shape[:3])
    clean[:, 0::2, 0::2], clean[:, 0::2, 1::2] = camera[:, 0::2, 0::2, 0], camera[:, 0::2, 1::2, 1]
    clean[:, 1::2, 0::2], clean[:, 1::2, 1::2] = camera[:, 1::2, 0::2, 1], camera[:, 1::2, 1::2, 2]
    clean = clean.clamp(0, 1)
    noise = lambda shape: torch.randn(shape, generator=generator)
    signal = torch.poisson(clean / gain, generator=generator) * gain + noise(clean.shape) * variance.sqrt()
    # Rows and columns that were not quite straightened, a hot pixel that was not found.
    left = 0.25 * torch.from_numpy((rng.random((n, 1, 1)) < 0.3) * rng.random((n, 1, 1))).float() * variance.sqrt()
    signal = signal + left * (noise((n, clean.shape[1], 1)) + noise((n, 1, clean.shape[2])))
    hot = torch.rand(clean.shape, generator=generator) < 2e-6
    signal = torch.where(hot, signal + 10 * variance.sqrt(), signal)
    step = torch.from_numpy(np.where(rng.random((n, 1, 1)) < 0.25, 1 / 4000, 1 / 16000)).float()
    signal = (torch.round(signal.clamp(max=1) / step) * step)
    # Noise is measured, not known.
    error = torch.from_numpy(np.where(rng.random((n, 1, 1)) < 0.5, 1, np.exp(rng.normal(0, 0.1, (n, 1, 1))))).float() ** 2
    believed_gain, believed_variance = gain * error, variance * error + step * step / 12
    return pack(stabilise(signal, believed_gain, believed_variance)), pack(expected(clean, believed_gain, believed_variance))


def spread_to_neighbours(noise, share):
    """What a filter in the camera, or lossy compression, leaves of white noise: neighbours of the same colour share some of it. N x H x W; share: N x 1 x 1."""
    mixed = noise
    for dim in (1, 2):
        mixed = mixed + share * (mixed.roll(2, dim) + mixed.roll(-2, dim))
    return mixed / (1 + 2 * share ** 2)


def shoot_full(camera, neutral, rng, generator, gain=None):
    """Batch of camera pictures (N x H x W x 3) and their white (N x 3) -> what full_colour.py asks for and is held against: noisy balanced stabilised packed
    planes (N x 4), sigma (N x 3 x 1 x 1), white (N x 4 x 1 x 1), the clean planes, and the clean colours (N x 12).

    Gain log-uniform from 1.5e-5 to 3e-2, read noise 0.4 to 6 times that. Where `gain` is given the sensor is a perfect one of that gain."""
    n, perfect = camera.shape[0], gain is not None
    draw = lambda low, high: torch.from_numpy(np.exp(rng.uniform(np.log(low), np.log(high), (n, 1, 1)))).float()
    sometimes = lambda share, value: torch.from_numpy(np.where(rng.random((n, 1, 1)) < (0 if perfect else share), value, 0)).float()
    gain = draw(1.5e-5, 3e-2) if gain is None else torch.full((n, 1, 1), gain)
    variance = (gain * draw(0.4, 6 if not perfect else 1)) ** 2
    if not perfect:
        camera = torch.from_numpy(np.stack([strew(crop, float(g), float(v), rng) if rng.random() < STARRY else crop for crop, g, v in zip(camera.numpy(), gain, variance)]))
    camera = camera.clamp(0, 1)
    clean = torch.empty(camera.shape[:3])
    clean[:, 0::2, 0::2], clean[:, 0::2, 1::2] = camera[:, 0::2, 0::2, 0], camera[:, 0::2, 1::2, 1]
    clean[:, 1::2, 0::2], clean[:, 1::2, 1::2] = camera[:, 1::2, 0::2, 1], camera[:, 1::2, 1::2, 2]
    noise = lambda shape=clean.shape: torch.randn(shape, generator=generator)
    shot = torch.poisson(clean / gain, generator=generator) * gain - clean + noise() * variance.sqrt()
    shot = spread_to_neighbours(shot, sometimes(0.15, rng.uniform(0, 0.15, (n, 1, 1))))
    left = 0.25 * sometimes(0.3, rng.random((n, 1, 1))) * variance.sqrt()
    signal = clean * (1 + sometimes(0.3, rng.uniform(0, 0.01, (n, 1, 1))) * noise()) + shot
    signal = signal + left * (noise((n, clean.shape[1], 1)) + noise((n, 1, clean.shape[2])))
    warm = (torch.rand(clean.shape, generator=generator) < sometimes(0.5, 2e-5)).float()
    signal = signal + warm * (2 + 8 * torch.rand(clean.shape, generator=generator)) * torch.sqrt(gain * clean + variance)
    step = torch.from_numpy(np.where(rng.random((n, 1, 1)) < 0.25, 1 / 4000, 1 / 16000)).float()
    signal = torch.round(signal.clamp(max=1) / step) * step
    cut = sometimes(0.06, 1) > 0  # files whose negative samples were cut off
    signal = torch.where(cut, signal.clamp(min=0), signal)
    # The law that samples are stabilised with may be wrong: most often that is told, as a noise of another sigma; small errors never are.
    told = torch.exp(sometimes(0.6, rng.uniform(np.log(0.8), np.log(1.25), (n, 1, 1))))
    untold = torch.exp(sometimes(0.5, rng.normal(0, 0.06, (n, 1, 1))))
    error = (untold / told) ** 2
    believed_gain, believed_variance = gain * error, variance * error + step * step / 12
    ratio = 1 / neutral.clamp(min=1e-3).sqrt()  # stabilised values are roots
    ratio = ratio / ratio[:, 1:2]
    by_plane = ratio[:, [0, 1, 1, 2]][..., None, None]
    planes = lambda mosaic: pack(mosaic) * by_plane
    colours = torch.stack([expected(camera[..., c], believed_gain, believed_variance) * ratio[:, c, None, None] for c in range(3)], 1)  # N x 3 x H x W
    at_places = torch.cat([colours[:, :, y::2, x::2] for y in (0, 1) for x in (0, 1)], 1)
    noisy = planes(stabilise(signal, believed_gain, believed_variance))
    measured = at_places[:, [0, 4, 7, 11]]
    white = stabilise(torch.ones(n, 1, 1), believed_gain, believed_variance)[..., None] * by_plane
    return noisy, (ratio * told[:, 0]).float()[..., None, None], white.float(), measured, at_places
