"""What happens to sounds in other people's music: coarse samples, channels that cut each other off, noise that is no drum, and codecs.
Signals: (2, samples)."""

import io
import numpy as np, soundfile
from scipy.signal import butter, resample_poly, sosfilt, stft, istft

RATE = 44100


def coarse(rng, kit):
    """Some pads as old samplers had them: 8 bits, few samples a second, played back without smoothing; some cut short."""
    for art, layers in kit.items():
        if rng.random() < 0.5:
            continue
        every, bits = int(rng.integers(1, 6)), int(rng.choice([6, 8, 8, 16]))
        long = int(RATE * rng.uniform(0.06, 0.6))
        out = []
        for v, x in layers:
            x = np.repeat(x[::every], every)[: len(x)]
            peak = np.abs(x).max() or 1
            x = np.round(x / peak * 2 ** (bits - 1)) / 2 ** (bits - 1) * peak
            if rng.random() < 0.5 and len(x) > long:
                x = x[:long].copy()
                x[-200:] *= np.linspace(1, 0, 200)
            out.append((v, x.astype(np.float32)))
        kit[art] = out
    return kit


def shared(rng, events):
    """{event: seconds until the next on its channel}: few channels for all drums, where each stroke ends the one before."""
    arts = sorted({e[1] for e in events})
    channel = {art: int(rng.integers(0, 3)) for art in arts}
    after, stops = {}, {}
    for i in range(len(events) - 1, -1, -1):
        t, art, _ = events[i]
        following = after.get(channel[art])
        if following is not None and following > t + 0.02:
            stops[i] = following - t
        after[channel[art]] = t
    return stops


def chip(rng, notes, n):
    """A line of pulses, triangles or noise-like fast broken chords, as machines with few voices play it."""
    out = np.zeros(n + RATE, np.float32)
    duty, kind = rng.choice([0.125, 0.25, 0.5]), rng.choice(["pulse", "pulse", "triangle", "saw"])
    broken = 1 / 50 if rng.random() < 0.4 else 0
    decay, vibrato = rng.uniform(0.08, 1.5), rng.uniform(0, 0.3)
    begun = {}
    for note in sorted(notes, key=lambda e: e[1]):
        begun.setdefault(round(note[1], 2), []).append(note)
    for together in begun.values():
        for k, (_, a, b, p, v) in enumerate(together if not broken else together[:1]):
            i, m = int(a * RATE), max(400, int((b - a) * RATE))
            if i >= n:
                continue
            t = np.arange(m) / RATE
            pitch = p + vibrato * np.sin(2 * np.pi * 5.5 * t) * (t > 0.15)
            if broken:
                pitch = pitch + np.array([q[3] - p for q in together])[(t / broken).astype(int) % len(together)]
            phase = np.cumsum(440 * 2 ** ((pitch - 69) / 12)) / RATE % 1
            x = dict(pulse=np.where(phase < duty, 1, -1), triangle=4 * np.abs(phase - 0.5) - 1, saw=2 * phase - 1)[kind]
            x = x * v * np.exp(-t / decay) * np.minimum(1, (m - np.arange(m)) / 200)
            out[i : i + m] += x[: len(out) - i].astype(np.float32)
    return out[:n]


def no_drums(rng, n, beats):
    """Noises that are no strokes, each with a slow begin or at odd times: breaths and consonants, swells, crackle."""
    out = np.zeros(n, np.float32)
    for b in beats:
        if rng.random() < 0.35:
            m = int(RATE * rng.uniform(0.06, 0.3))
            i = int((b + rng.uniform(-0.2, 0.2)) * RATE)
            low = rng.uniform(1500, 6000)
            x = sosfilt(butter(2, [low / 22050, min(0.95, low * 2.5 / 22050)], "band", output="sos"), rng.standard_normal(m))
            if 0 <= i < n - m:
                out[i : i + m] += x * np.hanning(m) * rng.uniform(0.3, 1)
    for b in beats[:: int(rng.integers(8, 33))]:
        m = int(RATE * rng.uniform(0.5, 3))
        i = int(b * RATE) - m
        if i > 0 and rng.random() < 0.4:
            out[i : i + m] += rng.standard_normal(m) * np.linspace(0, 1, m) ** 2 * rng.uniform(0.1, 0.5)
    if rng.random() < 0.3:
        at = rng.integers(0, n, n // int(rng.integers(800, 9000)))
        out[at] += rng.exponential(0.4, len(at)) * rng.choice([-1, 1], len(at))
    return out


def coded(rng, x):
    """Through a codec: a real one at a lower rate of samples, or with what it would not spend bits on taken out."""
    n = x.shape[1]
    if rng.random() < 0.5:
        rate = int(rng.choice([22050, 32000, 44100]))
        g = np.gcd(rate, RATE)
        y = resample_poly(x, rate // g, RATE // g, axis=1) if rate != RATE else x
        memory = io.BytesIO()
        soundfile.write(memory, np.clip(y.T, -1, 1), rate, format="OGG", subtype="VORBIS")
        memory.seek(0)
        y = soundfile.read(memory, dtype="float32")[0].T
        y = resample_poly(y, RATE // g, rate // g, axis=1) if rate != RATE else y
    else:
        _, _, z = stft(x, nperseg=1024)
        size = np.abs(z).mean(axis=0)
        around = np.apply_along_axis(lambda c: np.convolve(c, np.ones(25) / 25, "same"), 0, size)
        z = z * (size > around * rng.uniform(0.2, 0.9))
        z[:, int(rng.uniform(9000, 17000) / RATE * 1024) :] = 0
        y = istft(z, nperseg=1024)[1]
    return np.pad(y, ((0, 0), (0, max(0, n - y.shape[1]))))[:, :n].astype(np.float32)


def low_pass(rng):
    return butter(int(rng.choice([2, 4, 6])), np.exp(rng.uniform(np.log(4000), np.log(15000))) / 22050, output="sos")
