"""What the classifier of one-shots sees, kept alike with core's ClassFeatures.

Mono at 44.1 kHz from the attack on: the spectrum in 30 even bands of the logarithm of frequency at nine moments (Hann window of 2048
samples), decibels below the loudest down to -60; the loudness of the first 60 ms in slices of 2.5 ms down to -40 dB; how flat the spectrum is
in four ranges at three moments."""
import numpy as np

RATE, WINDOW, BANDS = 44100, 2048, 30
MOMENTS = np.array([0.02, 0.045, 0.08, 0.12, 0.18, 0.27, 0.41, 0.62, 0.95])
EDGES = np.round(35 * (18000 / 35) ** (np.arange(BANDS + 1) / BANDS) / (RATE / WINDOW * 0.5)).astype(int)  # bins of 4096
RANGES = ((8, 40), (40, 160), (160, 640), (640, 1600))
SLICE, SLICES = 110, 24
HANN = 0.5 - 0.5 * np.cos(2 * np.pi * np.arange(WINDOW) / WINDOW)
SIZE = BANDS * len(MOMENTS) + SLICES + 3 * len(RANGES)


def attack(x):
    """The sample at which the sound begins: where it first passes a twentieth of its peak."""
    return max(0, int(np.argmax(np.abs(x) > np.abs(x).max() / 20)) - 8)


def features(x):
    """Float32 of SIZE values of a one-shot."""
    x = np.asarray(x, np.float64)
    x = x[attack(x) :]
    padded = np.concatenate([np.zeros(WINDOW), x, np.zeros(RATE + WINDOW)])
    picture, spectra = [], []
    for t in MOMENTS:
        at = int(round(t * RATE)) + WINDOW - WINDOW // 2
        power = np.abs(np.fft.rfft(padded[at : at + WINDOW] * HANN, 4096)) ** 2
        spectra.append(power)
        picture.append([power[a : max(b, a + 1)].mean() for a, b in zip(EDGES, EDGES[1:])])
    picture = 10 * np.log10(np.array(picture) + 1e-12)
    picture = np.maximum(picture - picture.max(), -60) / 30 + 1
    loud = np.array([np.sum(padded[WINDOW + i * SLICE : WINDOW + (i + 1) * SLICE] ** 2) for i in range(SLICES)])
    loud = 10 * np.log10(loud + 1e-12)
    loud = np.maximum(loud - loud.max(), -40) / 20 + 1
    flat = []
    for power in (spectra[1], spectra[3], spectra[5]):
        for a, b in RANGES:
            p = power[a:b] + 1e-9
            flat.append(np.mean(np.log(p)) - np.log(np.mean(p)))
    return np.concatenate([picture.ravel(), loud, np.array(flat) / 3 + 1]).astype(np.float32)
