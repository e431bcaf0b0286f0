#!/usr/bin/python3
# SPDX-License-Identifier: GPL-3.0-or-later
"""Draws the validation curves of a training as SVG.

    training/record.py record.csv curves.svg
"""
import csv
import sys

LEVELS = ["low", "middle", "high", "extreme"]
WIDTH, HEIGHT, LEFT, BOTTOM = 640, 360, 56, 44


def main():
    rows = [r for r in csv.reader(open(sys.argv[1])) if len(r) == 11]
    steps = [int(r[0]) for r in rows]
    gains = [[float(r[4 + 2 * i]) - float(r[3 + 2 * i]) for r in rows] for i in range(4)]
    top = max(max(g) for g in gains) * 1.05
    x = lambda s: LEFT + (WIDTH - LEFT - 90) * (s - steps[0]) / (steps[-1] - steps[0])
    y = lambda g: HEIGHT - BOTTOM - (HEIGHT - BOTTOM - 16) * max(g, 0) / top
    out = [f'<svg xmlns="http://www.w3.org/2000/svg" width="{WIDTH}" height="{HEIGHT}" font-family="Lato, sans-serif" font-size="12">',
           f'<rect width="{WIDTH}" height="{HEIGHT}" fill="#f4f4f4"/>']
    for tick in range(0, int(top) + 1, 2):
        out.append(f'<line x1="{LEFT}" x2="{WIDTH - 90}" y1="{y(tick):.1f}" y2="{y(tick):.1f}" stroke="#ccc"/><text x="{LEFT - 8}" y="{y(tick) + 4:.1f}" text-anchor="end">{tick}</text>')
    for i, (name, dash) in enumerate(zip(LEVELS, ["", "6 3", "2 3", "10 3 2 3"])):
        points = " ".join(f"{x(s):.1f},{y(g):.1f}" for s, g in zip(steps, gains[i]))
        out.append(f'<polyline points="{points}" fill="none" stroke="#222" stroke-width="1.6" stroke-dasharray="{dash}"/><text x="{WIDTH - 84}" y="{y(gains[i][-1]) + 4:.1f}">{name}</text>')
    out.append(f'<text x="{LEFT}" y="{HEIGHT - 10}">steps {steps[0]} to {steps[-1]}</text><text x="{LEFT}" y="12">dB gained over the noisy planes, held-out scenes</text></svg>')
    open(sys.argv[2], "w").write("\n".join(out) + "\n")
    for r in rows:
        print("| " + " | ".join([r[0], r[1]] + [f"{r[3 + 2 * i]} to {r[4 + 2 * i]}" for i in range(4)]) + " |")


if __name__ == "__main__":
    main()
