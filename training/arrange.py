"""Fuller songs than compose's, as music by other people is: hand percussion is the exception, kicks run and double, and guitars,
plucked figures, pads and stabs play beside the bass, chords and lead, on the steps where drums play, too. Nothing that they do is a
drum stroke."""

import numpy as np
import compose

HANDS = ("shaker", "tamb", "cowbell", "conga_hi", "conga_lo", "bongo", "clave", "timbale")
TOMS = ("tom_lo", "tom_mid", "tom_hi")


def song(rng, seconds=42):
    s = compose.song(rng, seconds)
    steps = grid(s)
    if rng.random() < 0.7:
        s["events"] = without_hands(rng, s["events"])
    if rng.random() < 0.35:
        s["events"] = [e for e in s["events"] if e[1] not in TOMS]
    if rng.random() < 0.35:
        s["events"] = running(rng, s["events"], steps, s["per"], s["sections"])
    s["events"] = sorted(e for e in s["events"] if e[0] > 0)
    for part, chance in ((guitar, 0.65), (plucked, 0.55), (pad, 0.4), (stabs, 0.3)):
        if rng.random() < chance:
            s["tonal"] = s["tonal"] + part(rng, s["chords"], steps)
    return s


def grid(s):
    """Times of all steps of the song, evenly between its beats."""
    beats, per = np.array(s["beats"]), s["per"]
    return np.interp(np.arange(per * (len(beats) - 1) + 1) / per, np.arange(len(beats)), beats)


def without_hands(rng, events):
    """A shaker that led the song becomes a closed hat, half of the time; all other hand percussion is gone."""
    hats = rng.random() < 0.5
    return [
        [t, "hat_closed", v] if hats and art == "shaker" else [t, art, v]
        for t, art, v in events
        if art not in HANDS or (hats and art == "shaker")
    ]


def running(rng, events, steps, per, sections):
    """Kicks in runs of steps, or doubled half a step later, in some of the sections."""
    kicks = [e for e in events if e[1] == "kick"]
    taken = np.array(sorted(e[0] for e in kicks)) if kicks else np.array([-9.0])
    out = list(events)
    edges = [*sections, steps[-1]]
    figure = rng.random(2 * per) < rng.uniform(0.3, 1)
    double = rng.random() < 0.3
    soft = rng.uniform(0.5, 1)
    for a, b in zip(edges, edges[1:]):
        if rng.random() < 0.4:
            continue
        for i in np.flatnonzero((steps >= a) & (steps < b)):
            gap = steps[min(i + 1, len(steps) - 1)] - steps[i]
            times = [steps[i] + (gap / 2 if double else 0)]
            if figure[i % len(figure)] and gap > 0.06:
                out += [[t, "kick", soft * rng.uniform(0.8, 1)] for t in times if np.abs(taken - t).min() > 0.04]
    return out


def within(steps, a, b):
    return [i for i in range(len(steps) - 1) if a - 0.01 <= steps[i] < b - 0.01]


def guitar(rng, chords, steps):
    """Power chords or triads in a rhythm of their own: muted eighths or sixteenths, or let ring."""
    power, low = rng.random() < 0.5, int(rng.choice([40, 45, 52]))
    rhythm = rng.random(16) < rng.uniform(0.4, 1)
    rhythm[0] = True
    stride = int(rng.choice([1, 2, 2]))
    short = rng.uniform(0.25, 1)
    out = []
    for a, b, root, tones in chords:
        pitches = [0, 7, 12] if power else sorted({(p - root) % 12 for p in tones})
        base = low + (root - low) % 12
        for i in within(steps, a, b)[::stride]:
            if rhythm[i % 16]:
                length, v = stride * (steps[i + 1] - steps[i]) * short, rng.uniform(0.5, 1)
                strum = rng.uniform(0, 0.012)
                out += [("comp", steps[i] + strum * k, steps[i] + length, base + p, v) for k, p in enumerate(pitches)]
    return out


def plucked(rng, chords, steps):
    """A short-noted figure over the chord's tones, high up."""
    low, stride = int(rng.choice([60, 72, 72, 84])), int(rng.choice([1, 1, 2, 3]))
    order = rng.permutation(6)
    rests = rng.random(16) < rng.uniform(0, 0.5)
    out = []
    for a, b, _, tones in chords:
        ladder = sorted({low + (p - low) % 12 for p in tones} | {low + 12 + (p - low) % 12 for p in tones})
        for i in within(steps, a, b)[::stride]:
            if not rests[i % 16]:
                p = ladder[order[i // stride % len(order)] % len(ladder)]
                out.append(("pluck", steps[i], steps[i] + 0.6 * (steps[i + 1] - steps[i]), p, rng.uniform(0.4, 1)))
    return out


def pad(rng, chords, steps):
    low = int(rng.choice([48, 55, 60]))
    return [("pad", a, b, low + (p - low) % 12, rng.uniform(0.4, 0.9)) for a, b, _, tones in chords for p in tones]


def stabs(rng, chords, steps):
    """Whole chords, short and loud, on a few steps of the bar."""
    on = set(rng.choice(16, rng.integers(1, 5), replace=False))
    low = int(rng.choice([55, 60, 67]))
    return [
        ("stab", steps[i], steps[i] + rng.uniform(0.06, 0.25), low + (p - low) % 12, rng.uniform(0.7, 1))
        for a, b, _, tones in chords
        for i in within(steps, a, b)
        if i % 16 in on
        for p in tones
    ]
