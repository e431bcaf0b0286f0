#!/usr/bin/python3
# SPDX-License-Identifier: GPL-3.0-or-later
"""Cleans packed, variance-stabilised planes with scikit-image and OpenCV, for irenic-bench quality --outside.

Called with NOISY TRUTH WIDTH HEIGHT FOLDER. Both files hold four planes of 32-bit floats, noise of sigma 1. For every
method a ladder of settings is tried and the best against the truth (mean square error) is left in FOLDER/NAME.f32.
Needs Debian's python3-skimage, python3-pywt and, for the last, python3-opencv.
"""
import sys
from pathlib import Path

import numpy as np
from skimage.restoration import cycle_spin, denoise_nl_means, denoise_wavelet


def wavelet(planes, factor):
    shrink = dict(sigma=factor, mode="soft", wavelet="db2", method="BayesShrink", rescale_sigma=False)
    return np.stack([cycle_spin(p, func=denoise_wavelet, max_shifts=3, func_kw=shrink, num_workers=1) for p in planes])


def nl_means(planes, h):
    return np.stack([denoise_nl_means(p, patch_size=5, patch_distance=9, h=h, sigma=1.0, fast_mode=True) for p in planes])


def opencv_nl_means(planes, h):
    import cv2

    # 16-bit integers, a sixteenth of sigma a step; its distance is the mean absolute difference there.
    low = planes.min()
    steps = np.clip((planes - low) * 16, 0, 65535).astype(np.uint16)
    cleaned = [cv2.fastNlMeansDenoising(np.ascontiguousarray(p), [h * 16], None, 5, 19, cv2.NORM_L1) for p in steps]
    return np.stack(cleaned).astype(np.float32) / 16 + low + 0.5 / 16


LADDERS = {
    "skimage-wavelet": (wavelet, (1.0, 1.2, 1.4)),
    "skimage-nlm": (nl_means, (0.5, 0.65, 0.8, 1.0)),
    "opencv-nlm": (opencv_nl_means, (0.7, 1.0, 1.4, 2.0, 3.0)),
}


def main():
    noisy_file, truth_file, width, height, folder = sys.argv[1:]
    shape = (4, int(height), int(width))
    noisy = np.fromfile(noisy_file, np.float32).reshape(shape)
    truth = np.fromfile(truth_file, np.float32).reshape(shape)
    for name, (method, settings) in LADDERS.items():
        try:
            tried = [method(noisy, s) for s in settings]
        except ImportError:
            continue
        errors = [float(np.mean((t - truth) ** 2)) for t in tried]
        best = int(np.argmin(errors))
        print(f"{name}: {settings[best]} of {settings}", file=sys.stderr)
        tried[best].astype(np.float32).tofile(Path(folder) / f"{name}.f32")


if __name__ == "__main__":
    main()
