# SPDX-License-Identifier: GPL-3.0-or-later
"""Clean linear pictures made from nothing but procedure, with the statistics of photographs that matter to a denoiser:
overlapping shapes of power-law sizes (the dead-leaves model: Lee, Mumford and Huang, Int. J. Comput. Vis. 41, 2001),
textures, gradients, hair, lettering and points of light."""
import colorsys

import numpy as np
from PIL import Image, ImageDraw, ImageFont

SIDE = 512  # pixels of a finished scene; drawn at twice that and averaged, so that edges are smooth
FONTS = ("/usr/share/fonts/truetype/lato/Lato-Bold.ttf", "/usr/share/fonts/truetype/lato/Lato-Regular.ttf",
         "/usr/share/fonts/truetype/dejavu/DejaVuSerif.ttf")


def spectrum_noise(rng, side, slope, stretch=1.0, angle=0.0, low=0.0):
    """Noise of mean 0 and variance 1 whose amplitude falls as frequency^-slope, stretched along one direction."""
    f = np.fft.fftfreq(side)[:, None], np.fft.rfftfreq(side)[None, :]
    u = f[1] * np.cos(angle) + f[0] * np.sin(angle)
    v = f[0] * np.cos(angle) - f[1] * np.sin(angle)
    radius = np.hypot(u * stretch, v / stretch)
    shape = (radius + 1.0 / side) ** -slope
    shape[radius < low] = 0
    spectrum = np.fft.rfft2(rng.standard_normal((side, side), dtype=np.float32)) * shape
    spectrum[0, 0] = 0
    out = np.fft.irfft2(spectrum, s=(side, side)).astype(np.float32)
    return out / (out.std() + 1e-9)


def weave(rng, side):
    """Crossing threads, now one on top and now the other."""
    y, x = np.mgrid[0:side, 0:side].astype(np.float32)
    a, period = rng.uniform(0, np.pi), rng.uniform(5, 22)
    wobble = spectrum_noise(rng, side, 2.0) * period * 0.15
    u = (x * np.cos(a) + y * np.sin(a) + wobble) / period
    v = (y * np.cos(a) - x * np.sin(a) + wobble) / period
    over = (np.floor(u) + np.floor(v)) % 2
    thread = np.where(over > 0, np.abs(np.sin(np.pi * u)), np.abs(np.sin(np.pi * v)))
    return (thread - thread.mean()) / (thread.std() + 1e-9)


def stripes(rng, side):
    y, x = np.mgrid[0:side, 0:side].astype(np.float32)
    a, period = rng.uniform(0, np.pi), np.exp(rng.uniform(np.log(4), np.log(60)))
    s = np.sin(2 * np.pi * (x * np.cos(a) + y * np.sin(a) + spectrum_noise(rng, side, 2.0) * period * rng.uniform(0, 0.6)) / period)
    sharp = rng.uniform(1, 8)
    s = np.tanh(sharp * s)
    return (s / s.std()).astype(np.float32)


def litter(rng, side):
    """Leaves, gravel, grains: small things that lie on each other and leave nothing free (dead leaves, as above)."""
    count, smallest = 14000, rng.uniform(1.0, 2.5)
    labels = Image.new("I", (side, side), 0)
    draw = ImageDraw.Draw(labels)
    radii = smallest * rng.uniform(0, 1, count) ** (-1 / rng.uniform(1.6, 3.0))
    radii = np.minimum(radii, side / 12)
    x, y, turn, thin = rng.uniform(0, side, count), rng.uniform(0, side, count), rng.uniform(0, np.pi, count), np.exp(-np.abs(rng.normal(0, rng.uniform(0, 1.2), count)))
    for i in np.argsort(-radii + rng.normal(0, smallest, count)):
        a, b, r, t = np.cos(turn[i]), np.sin(turn[i]), radii[i] * 2, thin[i]
        draw.polygon([(x[i] + r * a, y[i] + r * b), (x[i] - r * t * b, y[i] + r * t * a), (x[i] - r * a, y[i] - r * b), (x[i] + r * t * b, y[i] - r * t * a)], fill=int(i) + 1)
    tones = rng.normal(0, 1, count + 1).astype(np.float32)
    n = tones[np.asarray(labels)]
    return (n - n.mean()) / (n.std() + 1e-9)


def grit(rng, side):
    """Bark, stone, foliage far away: noise whose strength is itself a noise, so that its tails are long."""
    fine = spectrum_noise(rng, side, rng.uniform(0.0, 1.0), np.exp(rng.uniform(0, 0.7)), rng.uniform(0, np.pi))
    n = fine * np.exp(0.8 * spectrum_noise(rng, side, rng.uniform(0.8, 1.6)))
    n = np.where(n > 0, n * rng.uniform(0.5, 1.5), n)
    return (n - n.mean()) / (n.std() + 1e-9)


def texture(rng, side):
    kind = rng.integers(9)
    if kind == 6:
        return litter(rng, side)
    if kind in (7, 8):
        return grit(rng, side)
    if kind == 0:
        return spectrum_noise(rng, side, rng.uniform(0.4, 1.6))
    if kind == 1:  # fur, wood, brushed metal
        return spectrum_noise(rng, side, rng.uniform(0.7, 1.6), np.exp(rng.uniform(0.5, 1.6)), rng.uniform(0, np.pi))
    if kind == 2:
        return weave(rng, side)
    if kind == 3:
        return stripes(rng, side)
    if kind == 4:  # flecks: the tails of fine noise
        n = spectrum_noise(rng, side, rng.uniform(0.2, 1.0), low=0.02)
        n = np.maximum(n - rng.uniform(0.5, 1.5), 0)
        return (n - n.mean()) / (n.std() + 1e-9)
    n = spectrum_noise(rng, side, rng.uniform(1.0, 1.8))  # cracks: where smooth noise changes sign
    n = np.exp(-np.abs(n) * rng.uniform(4, 20))
    return -(n - n.mean()) / (n.std() + 1e-9)


def pattern(rng, side):
    """Stripes, checks, dots or tiles of two colours that go on and on: float32, side x side x 3, like a scene."""
    fine = 3
    y, x = np.mgrid[0:side * fine, 0:side * fine].astype(np.float32) / fine
    a = rng.choice([0, rng.uniform(0, np.pi)])
    period = np.exp(rng.uniform(np.log(4), np.log(40), 2)) if rng.random() < 0.5 else np.exp(rng.uniform(np.log(4), np.log(40))) * np.ones(2)
    u = (x * np.cos(a) + y * np.sin(a)) / period[0] + rng.random()
    v = (y * np.cos(a) - x * np.sin(a)) / period[1] + rng.random()
    kind, duty = rng.integers(4), rng.uniform(0.3, 0.7)
    if kind == 0:
        which = u % 1 < duty
    elif kind == 1:
        which = (u % 1 < 0.5) != (v % 1 < 0.5)
    elif kind == 2:
        which = np.hypot(u % 1 - 0.5, v % 1 - 0.5) < duty / 2
    else:  # tiles and their joints, every second row moved
        which = ((u + 0.5 * (np.floor(v) % 2)) % 1 < 0.15) | (v % 1 < 0.15)
    two = colours(rng, 2)
    share = sum(which[j::fine, i::fine].astype(np.float32) for j in range(fine) for i in range(fine))[..., None] / fine ** 2
    picture = (two[1] + (two[0] - two[1]) * share) * np.exp(rng.normal(0, 0.4) * (x[::fine, ::fine] / side - 0.5))[..., None]
    return (picture * (0.2 / picture.mean())).astype(np.float32)


def colours(rng, count):
    """Linear colours: a few hues a scene, mostly of low saturation, lightness log-normal."""
    hues = rng.uniform(0, 1, rng.integers(1, 5))
    out = np.empty((count, 3), np.float32)
    strong = rng.uniform(0, 0.6)
    for i in range(count):
        hue = (hues[rng.integers(len(hues))] + rng.normal(0, 0.04)) % 1
        saturation = rng.beta(1.2, 3) if rng.random() > strong else rng.uniform(0.4, 1)
        out[i] = np.array(colorsys.hsv_to_rgb(hue, saturation, 1)) ** 2.0
    return out * np.exp(rng.normal(-1.6, rng.uniform(0.4, 1.1), (count, 1))).astype(np.float32)


def outline(rng, x, y, r):
    """A random polygon: blob, box, sliver or star."""
    n = int(rng.integers(3, 9))
    angles = np.sort(rng.uniform(0, 2 * np.pi, n)) if rng.random() < 0.5 else np.arange(n) * 2 * np.pi / n + rng.uniform(0, 7)
    radii = r * rng.uniform(0.5, 1.2, n)
    px, py = np.cos(angles) * radii, np.sin(angles) * radii * np.exp(rng.normal(0, 0.6))
    turn = rng.uniform(0, np.pi)
    return [(float(x + a * np.cos(turn) - b * np.sin(turn)), float(y + a * np.sin(turn) + b * np.cos(turn))) for a, b in zip(px, py)]


def draw_shapes(rng, draw, side, first, count, smallest):
    u = rng.uniform(0, 1, count)
    largest, power = side * 0.4, -2.0  # density of sizes r^-3
    radii = (smallest ** power + u * (largest ** power - smallest ** power)) ** (1 / power)
    for i in range(count):
        x, y, r = rng.uniform(0, side), rng.uniform(0, side), radii[i]
        if rng.random() < 0.35:
            w, h = r, r * np.exp(rng.normal(0, 0.4))
            draw.ellipse((x - w, y - h, x + w, y + h), fill=first + i)
        else:
            draw.polygon(outline(rng, x, y, r), fill=first + i)


def draw_hair(rng, draw, side, first, count):
    a, spread = rng.uniform(0, 2 * np.pi), rng.uniform(0.05, 1.0)
    for i in range(count):
        x, y, direction = rng.uniform(0, side), rng.uniform(0, side), a + rng.normal(0, spread)
        bend, points = rng.normal(0, 0.08), []
        for _ in range(int(rng.integers(4, 24))):
            points.append((x, y))
            x += 12 * np.cos(direction)
            y += 12 * np.sin(direction)
            direction += bend
        draw.line(points, fill=first + i, width=int(rng.integers(1, 6)))


def draw_lettering(rng, draw, side, first, count):
    letters = "ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789.,;:+-/&"
    for i in range(count):
        size = int(np.exp(rng.uniform(np.log(12), np.log(160))))
        font = ImageFont.truetype(FONTS[rng.integers(len(FONTS))], size)
        text = "".join(letters[k] for k in rng.integers(0, len(letters), int(rng.integers(2, 24))))
        draw.text((rng.uniform(-50, side), rng.uniform(-50, side)), text, fill=first + i, font=font)


def scene(seed):
    """One scene: float32, SIDE x SIDE x 3, linear, middle tones near 0.2, lights up to some tens."""
    rng = np.random.default_rng(seed)
    side = 2 * SIDE
    shapes = int(np.exp(rng.uniform(np.log(40), np.log(4000))))
    hair = int(rng.integers(50, 1500)) if rng.random() < 0.4 else 0
    words = int(rng.integers(3, 30)) if rng.random() < 0.35 else 0
    total = 1 + shapes + hair + words
    labels = Image.new("I", (side, side), 0)
    draw = ImageDraw.Draw(labels)
    draw_shapes(rng, draw, side, 1, shapes, rng.uniform(2, 20))
    draw_hair(rng, draw, side, 1 + shapes, hair)
    draw_lettering(rng, draw, side, 1 + shapes + hair, words)
    ids = np.asarray(labels)
    picture = colours(rng, total)[ids]
    # Shading: a slope for every thing and one for all; texture: one of a few, by a strength that many things lack.
    y, x = (np.mgrid[0:side, 0:side].astype(np.float32) / side - 0.5)
    slope = rng.normal(0, 1.2, (2, total)).astype(np.float32) * (rng.random((1, total)) < 0.5)
    shade = slope[0][ids] * x + slope[1][ids] * y + spectrum_noise(rng, side, 2.2) * rng.uniform(0, 0.5)
    kinds = int(rng.integers(2, 5))
    kind = rng.integers(0, kinds, total)[ids]
    # A third of the scenes is texture everywhere, as grass, gravel and bark are.
    rough = rng.random() < 0.35
    strength = np.exp(rng.normal(-0.9, 0.5, total)) if rough else np.exp(rng.normal(-1.8, 0.9, total)) * (rng.random(total) < rng.uniform(0.3, 0.95))
    strength = strength.astype(np.float32)[ids]
    for k in range(kinds):
        shade += np.where(kind == k, strength, 0) * np.clip(texture(rng, side), -4, 4)
    picture = picture * np.exp(np.clip(shade, -3, 3))[..., None]
    if rng.random() < 0.3:
        stars = int(rng.integers(5, 200))
        sx, sy = rng.integers(0, side, stars), rng.integers(0, side, stars)
        tint = np.exp(rng.normal(0, 0.3, (stars, 3)))
        picture[sy, sx] += (np.exp(rng.normal(1.5, 1.5, (stars, 1))) * tint).astype(np.float32)
    if rng.random() < 0.35:  # out of focus, in part
        picture = blurred(picture, np.exp(rng.uniform(0, 2.0)), rng)
    # The lens: no photograph is sharp to the sample.
    picture = gaussian(picture, rng.uniform(0.5, 1.8))
    small = picture.reshape(SIDE, 2, SIDE, 2, 3).mean((1, 3))
    return (small * (0.2 / (np.median(small) + 1e-6))).clip(0, 60).astype(np.float32)


def gaussian(picture, sigma):
    side = picture.shape[0]
    fy, fx = np.fft.fftfreq(side)[:, None], np.fft.rfftfreq(side)[None, :]
    response = np.exp(-2 * (np.pi * sigma) ** 2 * (fx ** 2 + fy ** 2))[..., None]
    return np.maximum(np.fft.irfft2(np.fft.rfft2(picture, axes=(0, 1)) * response, s=(side, side), axes=(0, 1)), 0).astype(np.float32)


def blurred(picture, sigma, rng):
    """Sharp here, soft there: depth of field."""
    side = picture.shape[0]
    mask = 1 / (1 + np.exp(-3 * (spectrum_noise(rng, side, 2.5) + rng.normal(0, 0.7))))
    return picture * mask[..., None] + gaussian(picture, 2 * sigma) * (1 - mask[..., None])
