"""Writes values that Java must reproduce: sound_reference.py SEPARATOR.bin CLASSES.bin OUT.csv (kind, frame or nothing, index, value)."""
import sys
import numpy as np
import separator_features as sf, sound_features
from export import stored_tensors
from separator_net import DILATIONS

n = np.arange(3 * 44100)
a, b = (n % 22050) / 44100, ((n + 11025) % 22050) / 44100
left = 0.6 * np.exp(-a / 0.08) * np.sin(2 * np.pi * 60 * a) + 0.1 * np.sin(2 * np.pi * 440 * n / 44100)
right = left + 0.2 * np.exp(-b / 0.02) * np.sin(2 * np.pi * 7000 * b)


def shares(path, stereo):
    x = sf.middle_side(stereo.astype(np.float32))
    rms = np.sqrt(np.mean(x[0] ** 2) + np.mean(x[1] ** 2))
    y = sf.inputs(sf.spectra(x), sf.RMS / rms).astype(np.float64)
    t = iter(stored_tensors(path))
    y = np.maximum(0, y @ next(t) + next(t))
    for d in DILATIONS:
        kernel, bias = next(t), next(t)
        padded = np.pad(y, ((d, d), (0, 0)))
        y = y + np.maximum(0, sum(padded[i * d : i * d + len(y)] @ kernel[i] for i in range(3)) + bias)
    y = (y @ next(t) + next(t)).reshape(len(y), -1, 2 * sf.BANDS)
    y = np.exp(y - y.max(axis=1, keepdims=True))
    return y / y.sum(axis=1, keepdims=True)


def scores(path, x):
    t = stored_tensors(path)
    y = sound_features.features(x)
    for k in range(0, 6, 2):
        y = y @ t[k] + t[k + 1]
        y = np.maximum(0, y) if k < 4 else y
    return y


with open(sys.argv[3], "w") as file:
    s = shares(sys.argv[1], np.stack([left, right]))
    for frame in (0, 43, 65, 130, 200, 257):
        for index in (0, 2, 3, 20, 60, 100, 112, 115, 180, 222):
            for group in (0, 2, 4, 5):
                file.write(f"share {group},{frame},{index},{s[frame, group, index]:.6f}\n")
    kick = (np.exp(-n / 44100 / 0.09) * np.sin(2 * np.pi * 55 * n / 44100))[:30000]
    for i, v in enumerate(sound_features.features(kick)):
        if i % 7 == 0:
            file.write(f"feature,,{i},{v:.5f}\n")
    for i, v in enumerate(scores(sys.argv[2], kick)):
        file.write(f"score,,{i},{v:.5f}\n")
