"""The bass network's input, kept alike with core's BassSpectra.java (a test compares the two).

Mono at 5 kHz scaled to RMS 0.1, a frame per 20 ms (100 samples) centred on sample 100 n, two magnitude spectra (Hann 1280 in
4096, Hann 400 in 1024). For each MIDI pitch 24..60 nine values: the long spectrum at 0.5, 1, 2, 3, 4, 5 times its frequency,
the short one at 1, 2, 3 times, as (ln(1e-4 + magnitude) + 5) / 2.5. Harmonics stacked so that a convolution over pitches
sees every pitch alike (Bittner and others 2017).
"""
import numpy as np
from scipy.signal import resample_poly

RATE, HOP, LOW, PITCHES = 5000, 100, 24, 37
SPECTRA = ((1280, 4096, (.5, 1, 2, 3, 4, 5)), (400, 1024, (1, 2, 3)))


def features(mono44100):
    """Float32 of shape (frames, 37, 9)."""
    x = resample_poly(np.asarray(mono44100, np.float64), 50, 441); rms = np.sqrt(np.mean(x ** 2)); x = x * (.1 / rms) if rms > 1e-9 else x
    frames = len(x) // HOP + 1; out = np.empty((frames, PITCHES, 9), np.float32); c = 0
    hz = 440 * 2 ** ((LOW + np.arange(PITCHES) - 69) / 12)
    for window, size, harmonics in SPECTRA:
        hann = .5 - .5 * np.cos(2 * np.pi * np.arange(window) / window); hann *= 2 / hann.sum()
        padded = np.concatenate([np.zeros(window // 2), x, np.zeros(window)])
        mag = np.abs(np.fft.rfft(np.stack([padded[i * HOP:i * HOP + window] for i in range(frames)]) * hann, size))
        for h in harmonics:
            at = h * hz / (RATE / size); k = at.astype(int); f = at - k
            out[:, :, c] = (np.log(1e-4 + mag[:, k] * (1 - f) + mag[:, k + 1] * f) + 5) / 2.5; c += 1
    return out
