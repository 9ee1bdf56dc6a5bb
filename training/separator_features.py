"""The separator's input and the grouping of bins into bands, kept alike with core's Spectrogram and MaskNet.

44.1 kHz, Hann window of 2048, a frame per 512 samples, frame n centred on sample 512 n, middle and side apart. Bands: single bins up to
1 kHz, then 64 bands that widen evenly. Input: ln(1e-3 + mean magnitude of the band) with the song scaled to RMS 0.1 and a full-scale sine
at about 1, divided by 2.5."""
import numpy as np

WINDOW, HOP, SINGLE, WIDE = 2048, 512, 48, 64
BANDS = SINGLE + WIDE
EDGES = np.array(
    list(range(SINGLE)) + [int(round(SINGLE * (1025 / SINGLE) ** (i / WIDE))) for i in range(WIDE + 1)]
)  # band b holds the bins EDGES[b] to before EDGES[b + 1]
COUNT = np.diff(EDGES)
RMS, FLOOR, SCALE = 0.1, 1e-3, 2.5
HANN = (0.5 - 0.5 * np.cos(2 * np.pi * np.arange(WINDOW) / WINDOW)).astype(np.float32)


def spectra(x):
    """Complex spectra (..., frames, bins) of signals (..., samples), a full-scale sine at about 1."""
    frames = x.shape[-1] // HOP + 1
    pad = [(0, 0)] * (x.ndim - 1) + [(WINDOW // 2, WINDOW)]
    x = np.pad(np.asarray(x, np.float32), pad)
    view = np.lib.stride_tricks.sliding_window_view(x, WINDOW, axis=-1)[..., : frames * HOP : HOP, :]
    return rfft(view * HANN) * np.float32(2 / HANN.sum())


def rfft(x):
    from scipy import fft

    return fft.rfft(x, axis=-1)


def middle_side(x):
    """(..., 2, samples) left and right to middle and side, each halved."""
    return np.stack([x[..., 0, :] + x[..., 1, :], x[..., 0, :] - x[..., 1, :]], axis=-2) * np.float32(0.5)


def bands(values):
    """Sums over the bins of each band: (..., bins) to (..., bands)."""
    return np.add.reduceat(values, EDGES[:-1], axis=-1)


def inputs(spectrum, gain):
    """Spectra (2, frames, bins) of middle and side to (frames, 2 x bands)."""
    m = bands(np.abs(spectrum)) / COUNT * gain
    return np.concatenate(list(np.log(FLOOR + m) / SCALE), axis=-1).astype(np.float32)
