"""One-shots beyond the usual ranges of `sounds.py`, for the classifier alone: long and plain kicks, ringing toms, claps of many
hands in a room, noisy snares, tonal percussion."""
import numpy as np
from sounds import RATE, band, envelope, metal


def phase(hertz):
    """Of a tone whose frequency moves."""
    return 2 * np.pi * np.cumsum(hertz) / RATE


def struck(u, seconds, hertz, rise, fall):
    """Length, phase of a skin whose pitch falls to its own: each drawn between two bounds."""
    n = int(RATE * u(*seconds))
    t = np.arange(n) / RATE
    return n, phase(u(*hertz) * (1 + u(*rise) * np.exp(-t / u(*fall))))


def kick(rng):
    u = rng.uniform
    n = int(RATE * u(0.2, 1.4))
    t = np.arange(n) / RATE
    f = u(32, 75) + u(20, 500) * np.exp(-t / u(0.004, 0.08))
    x = np.sin(phase(f)) * envelope(n, 10 ** u(-4, -2.3), u(0.08, 0.6))
    x = x + u(0, 0.5) * (rng.random() < 0.7) * band(rng.standard_normal(n), u(500, 3000), u(4000, 12000)) * envelope(
        n, 0.0002, u(0.001, 0.02)
    )
    return np.tanh(x * u(0.6, 5))


def tom(rng):
    u = rng.uniform
    n, p = struck(u, (0.25, 1.2), (65, 260), (0.05, 1.2), (0.015, 0.12))
    x = (np.sin(p) + u(0, 0.5) * np.sin(u(1.5, 2.3) * p)) * envelope(n, 10 ** u(-3.7, -2.5), u(0.07, 0.4))
    return np.tanh((x + u(0, 0.3) * band(rng.standard_normal(n), 400, 7000) * envelope(n, 0.0004, u(0.005, 0.06))) * u(0.6, 3))


def clap(rng):
    u = rng.uniform
    n = int(RATE * u(0.15, 0.8))
    low = u(350, 1400)
    noise = band(rng.standard_normal(n), low, low * u(2.5, 14))
    hands, gap = rng.integers(2, 7), u(0.005, 0.02)
    e = np.zeros(n)
    at = 0.0
    for k in range(hands):
        s = int(at * RATE)
        last = k == hands - 1
        e[s:] = np.maximum(e[s:], u(0.5, 1) * envelope(n - s, 0.0004, u(0.03, 0.2) if last else u(0.003, 0.01)))
        at += gap * u(0.6, 1.4)
    return np.tanh(noise * e * u(1, 5))


def snare(rng):
    u = rng.uniform
    n, p = struck(u, (0.12, 0.7), (130, 330), (0, 1), (0.005, 0.03))
    body = (np.sin(p) + u(0, 0.8) * np.sin(u(1.4, 2.4) * p)) * envelope(n, 0.0005, u(0.02, 0.15))
    noise = band(rng.standard_normal(n), u(200, 3500), u(6000, 18000)) * envelope(n, u(0.0003, 0.003), u(0.03, 0.25))
    m = u(0.25, 0.97)
    return np.tanh((body * (1 - m) + 1.6 * noise * m) * u(0.6, 4))


def hat(rng, open_):
    u = rng.uniform
    d = u(0.09, 0.35) if open_ else u(0.006, 0.05)
    n = int(RATE * min(1.2, d * 6))
    x = u(0, 1) * rng.standard_normal(n) + u(0, 1.5) * metal(rng, n, u(250, 1200), int(rng.integers(4, 9)))
    return band(x, u(4500, 9500), 20500, 2) * envelope(n, u(0.0003, 0.003), d)


def bars(rng, n, low, high, count, shortest, longest):
    """Struck metal: a few partials that are no harmonics, each with its own decay."""
    u = rng.uniform
    t = np.arange(n) / RATE
    f = np.exp(rng.uniform(np.log(low), np.log(high)))
    x = np.zeros(n)
    for _ in range(count):
        x += u(0.2, 1) * np.sin(2 * np.pi * min(f, 20000) * t + u(0, 6)) * np.exp(-t / u(shortest, longest))
        f *= u(1.1, 2.8)
    return x / count


def cymbal(rng):
    u = rng.uniform
    if rng.random() < 0.3:  # its bell
        n = int(RATE * u(0.6, 2.2))
        x = bars(rng, n, 350, 4500, int(rng.integers(4, 9)), 0.15, 0.9)
        hiss = band(rng.standard_normal(n), u(2500, 6000), 19000) * envelope(n, 0.0005, u(0.1, 0.7))
        return x + u(0.01, 0.15) * hiss
    d = u(0.35, 1.6)
    n = int(RATE * min(2.4, d * 4))
    x = u(0.1, 1) * rng.standard_normal(n) + u(0, 1.5) * metal(rng, n, u(200, 800), int(rng.integers(6, 14)))
    x = band(x, u(1200, 5000), 19500) * envelope(n, u(0.0005, 0.006), d)
    if rng.random() < 0.4:
        t = np.arange(n) / RATE
        x = x + u(0.1, 0.8) * np.sin(2 * np.pi * u(2000, 6000) * t) * envelope(n, 0.0005, u(0.05, 0.5))
    return x


def percussion(rng):
    u = rng.uniform
    kind = rng.integers(0, 6)
    n = int(RATE * u(0.1, 0.6))
    t = np.arange(n) / RATE
    if kind == 0:  # struck skin or wood
        f = 10 ** u(2.3, 3.5) * (1 + u(0, 0.4) * np.exp(-t / u(0.004, 0.03)))
        p = phase(f)
        x = (np.sin(p) + u(0, 0.6) * np.sin(u(1.4, 3.1) * p)) * envelope(n, 0.0004, u(0.012, 0.2))
        return np.tanh((x + u(0, 0.5) * band(rng.standard_normal(n), 800, 9000) * envelope(n, 0.0003, 0.008)) * u(0.6, 2))
    if kind == 1:  # shaken
        x = band(rng.standard_normal(n), u(2500, 7500), u(9000, 19000)) * envelope(n, u(0.003, 0.035), u(0.015, 0.09))
        return x
    if kind == 2:  # jingles
        x = band(rng.standard_normal(n) * u(0.1, 0.8) + metal(rng, n, u(1200, 3500)), u(3500, 9000), 20000)
        return x * envelope(n, 0.001, u(0.02, 0.12))
    if kind == 3:  # a triangle, short or ringing
        n = int(RATE * u(0.2, 1.2))
        return bars(rng, n, 2200, 6000, int(rng.integers(2, 5)), 0.03, 0.7) * envelope(n, 0.0004, u(0.1, 1))
    if kind == 4:  # iron bars and blocks of wood
        n = int(RATE * u(0.1, 0.7))
        return bars(rng, n, 350, 2500, int(rng.integers(2, 4)), 0.01, 0.3)
    f = u(400, 900)  # bells of iron
    return np.tanh(
        (np.sign(np.sin(2 * np.pi * f * t)) + u(0.4, 1) * np.sign(np.sin(2 * np.pi * f * u(1.35, 1.6) * t)))
        * envelope(n, 0.0005, u(0.03, 0.3))
    )


MAKERS = {
    "kick": kick, "snare": snare, "clap": clap, "closed hat": lambda r: hat(r, False), "open hat": lambda r: hat(r, True),
    "tom": tom, "cymbal": cymbal, "percussion": percussion,
}
