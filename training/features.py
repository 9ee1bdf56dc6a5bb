"""The network's input, kept bit for bit alike with core's MelSpectra.java (a test compares the two).

Mono audio at 44.1 kHz, one frame per 10 ms (441 samples), frame n centred on sample 441 n.
Two magnitude spectra per frame (Hann 2048 in a 2048 FFT, Hann 640 in a 1024 FFT), each gathered into
80 triangular mel bands from 30 Hz to 16 kHz, then ln(1e-4 + m) with the song scaled to RMS 0.1,
less the band's mean over the song's audible frames, divided by 2.5.
"""
import numpy as np

RATE, HOP, BANDS = 44100, 441, 80
WINDOWS = ((2048, 2048), (640, 1024))
LOW_HZ, HIGH_HZ, FLOOR, SCALE, AUDIBLE = 30.0, 16000.0, 1e-4, 2.5, 3.0


def mel(hz):
    return 2595.0 * np.log10(1.0 + hz / 700.0)


def filterbank(fft_size):
    """Triangles with a half-width of at least one bin; each row sums to one. Shape (80, fft_size/2+1)."""
    points = 700.0 * (10 ** (np.linspace(mel(LOW_HZ), mel(HIGH_HZ), BANDS + 2) / 2595.0) - 1)
    bin_hz = RATE / fft_size
    f = np.arange(fft_size // 2 + 1) * bin_hz
    rows = []
    for lo, mid, hi in zip(points, points[1:], points[2:]):
        lo, hi = min(lo, mid - bin_hz), max(hi, mid + bin_hz)
        row = np.maximum(0, np.minimum((f - lo) / (mid - lo), (hi - f) / (hi - mid)))
        rows.append(row / row.sum())
    return np.array(rows)


def hann(window):
    w = 0.5 - 0.5 * np.cos(2 * np.pi * np.arange(window) / window)
    return w / w.sum() * 2


def spectra(mono, window, fft_size):
    frames = len(mono) // HOP + 1
    padded = np.concatenate([np.zeros(window // 2), mono, np.zeros(window)])
    out = np.empty((frames, BANDS), np.float32)
    bank = filterbank(fft_size).T
    for at in range(0, frames, 1000):
        n = min(1000, frames - at)
        block = np.stack([padded[i * HOP : i * HOP + window] for i in range(at, at + n)])
        out[at : at + n] = np.abs(np.fft.rfft(block * hann(window), fft_size)) @ bank
    return out


def features(mono):
    """Float32 of shape (frames, 80, 2)."""
    mono = np.asarray(mono, np.float64)
    rms = np.sqrt(np.mean(mono**2)) if len(mono) else 0.0
    if rms > 1e-9:
        mono = mono * (0.1 / rms)
    logs = [np.log(FLOOR + spectra(mono, w, n)) for w, n in WINDOWS]
    level = logs[0].mean(axis=1)
    audible = level > level.max() - AUDIBLE
    return np.stack([(x - x[audible].mean(axis=0)) / SCALE for x in logs], axis=2).astype(np.float32)


def at(mono, times):
    """Magnitudes of the bands in the short window centred on each time: (times, 80). Neither scaled nor in logarithms."""
    window, size = WINDOWS[1]
    starts = np.round(times * RATE).astype(int)
    padded = np.concatenate([np.zeros(window // 2), mono, np.zeros(window)])
    return (
        np.abs(np.fft.rfft(padded[np.clip(starts, 0, len(mono))[:, None] + np.arange(window)] * hann(window), size))
        @ filterbank(size).T
    )
