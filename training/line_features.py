"""The line networks' input, kept alike with core's LineSpectra.java (a test compares the two).

Mono at the register's rate scaled to RMS 0.1, a frame per 20 ms, magnitude spectra (long and short Hann windows, for a bass a very short
one, too, in which quick repeats stand apart). For each of 37 MIDI pitches from the register's lowest nine values or twelve: the long
spectrum at 0.5, 1, 2, 3, 4, 5 times its frequency, the short one at 1, 2, 3 times, the very short one at 2, 4, 6 times, as
(ln(1e-4 + magnitude) + 5) / 2.5. Harmonics stacked so that a convolution over pitches sees
every pitch alike (Bittner and others 2017).
"""
from collections import namedtuple
import numpy as np
from scipy.signal import resample_poly

PITCHES, FPS, LONG, SHORT, BLINK = 37, 50, (0.5, 1, 2, 3, 4, 5), (1, 2, 3), (2, 4, 6)
Register = namedtuple("Register", "name rate up down low windows")
BASS = Register("bass", 5000, 50, 441, 24, ((1280, 4096, LONG), (400, 1024, SHORT), (160, 512, BLINK)))
RIFF = Register("lead", 16000, 160, 441, 52, ((2048, 4096, LONG), (640, 2048, SHORT)))


def channels(register):
    return sum(len(harmonics) for _w, _s, harmonics in register.windows)


def features(mono44100, register):
    """Float32 of shape (frames, 37, channels)."""
    x = resample_poly(np.asarray(mono44100, np.float64), register.up, register.down)
    rms = np.sqrt(np.mean(x**2))
    x = x * (0.1 / rms) if rms > 1e-9 else x
    hop = register.rate // FPS
    frames = len(x) // hop + 1
    out = np.empty((frames, PITCHES, channels(register)), np.float32)
    c = 0
    hz = 440 * 2 ** ((register.low + np.arange(PITCHES) - 69) / 12)
    for window, size, harmonics in register.windows:
        hann = 0.5 - 0.5 * np.cos(2 * np.pi * np.arange(window) / window)
        hann *= 2 / hann.sum()
        padded = np.concatenate([np.zeros(window // 2), x, np.zeros(window)]).astype(np.float32)
        mag = np.concatenate(
            [
                np.abs(
                    np.fft.rfft(
                        np.stack([padded[i * hop : i * hop + window] for i in range(a, min(a + 500, frames))]) * hann,
                        size,
                    )
                )
                for a in range(0, frames, 500)
            ]
        )
        for h in harmonics:
            at = h * hz / (register.rate / size)
            k = at.astype(int)
            f = at - k
            out[:, :, c] = (np.log(1e-4 + mag[:, k] * (1 - f) + mag[:, k + 1] * f) + 5) / 2.5
            c += 1
    return out
