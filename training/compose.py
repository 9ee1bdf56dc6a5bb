"""Random songs as events: styles are loose recipes, every pattern is drawn anew, a quarter of the songs
follow no recipe at all. Times are exact, so they are the training truth."""
import numpy as np

ROOTS = np.array([0, 2, 3, 5, 7, 8, 10])
MAJOR = np.array([0, 2, 4, 5, 7, 9, 11])
PROGRESSIONS = (
    (0,),
    (0, 0, 5, 6),
    (0, 3),
    (0, 5, 3, 4),
    (0, 4, 5, 3),
    (5, 3, 0, 4),
    (0, 6, 5),
    (0, 3, 4, 0),
    (0, 2, 3, 4),
    (3, 0),
    (0, 5),
    (0, 6, 5, 4),
)


def steps(rng, n, on, probability=0.0, extra=()):
    """Velocities per sixteenth: `on` always, `extra` by chance, the rest with a small probability."""
    v = np.zeros(n)
    for s in on:
        if s < n:
            v[s] = rng.uniform(0.75, 1)
    for s, p in extra:
        if s < n and rng.random() < p:
            v[s] = rng.uniform(0.4, 1)
    soft = (rng.random(n) < probability) & (v == 0)
    v[soft] = rng.uniform(0.15, 0.5, soft.sum())
    return v


def groove(rng, style, n, per=4):
    """{articulation: velocities per step of one bar} of a style; n steps (16, or 12 in three-four), `per` to a beat."""
    if per == 3:
        return compound(rng, n)
    r = rng.random
    P = {}
    beats = range(0, n, 4)
    back = [4, 12] if n == 16 else ([4, 8] if r() < 0.7 else [8])
    hat = rng.choice(["eighths", "sixteenths", "offbeats", "quarters"], p=[0.4, 0.3, 0.2, 0.1])
    hats = dict(eighths=range(0, n, 2), sixteenths=range(0, n), offbeats=range(2, n, 4), quarters=range(0, n, 4))[hat]
    accent = rng.uniform(0.35, 1)
    if style == "four":
        P["kick"] = steps(rng, n, beats, 0, ((14, 0.15), (10, 0.1), (7, 0.1)))
        P[rng.choice(["clap", "snare"])] = steps(rng, n, back, 0.02, ((15, 0.1), (7, 0.1)))
        if r() < 0.6:
            P["hat_open"] = steps(rng, n, range(2, n, 4))
        hats = range(0, n) if r() < 0.5 else range(2, n, 4)
    elif style == "backbeat":
        P["kick"] = steps(rng, n, [0], 0.03, ((8, 0.7), (6, 0.3), (10, 0.5), (3, 0.15), (7, 0.3), (14, 0.2), (2, 0.1)))
        P["snare"] = steps(rng, n, back, 0.04, ((7, 0.1), (9, 0.15), (15, 0.15)))
    elif style == "half":
        P["kick"] = steps(rng, n, [0], 0.02, ((3, 0.2), (6, 0.35), (10, 0.4), (11, 0.2), (14, 0.3), (7, 0.2)))
        P[rng.choice(["snare", "clap"])] = steps(rng, n, [8], 0, ((15, 0.1),))
        hats = range(0, n, 2) if r() < 0.6 else range(0, n)
    elif style == "broken":
        P["kick"] = steps(rng, n, [0], 0.02, ((10, 0.8), (2, 0.4), (7, 0.3), (11, 0.2)))
        P["snare"] = steps(rng, n, back, 0.05, ((7, 0.4), (9, 0.4), (15, 0.3)))
    elif style == "latin":
        P["kick"] = steps(rng, n, [0, 8], 0, ((6, 0.6), (14, 0.6), (3, 0.5), (11, 0.4)))
        P[rng.choice(["rim", "snare", "clave"])] = steps(
            rng, n, [3, 6, 12] if r() < 0.5 else [4, 12], 0.05, ((10, 0.5),)
        )
    else:  # no recipe: chance, with a lean to the strong steps
        weight = np.array([1, 0.15, 0.35, 0.2, 0.55, 0.15, 0.35, 0.2] * 3)[:n]
        P["kick"] = (r(n) < weight * 0.5) * rng.uniform(0.5, 1, n)
        P["kick"][0] = 1
        P["snare"] = (r(n) < np.roll(weight, 4) * 0.35) * rng.uniform(0.3, 1, n)
    h = steps(rng, n, hats)
    h[1::2] *= accent
    h[2::4] *= rng.uniform(0.4, 1)
    if r() < 0.3:
        h[rng.integers(0, n)] = 0
    kind = rng.choice(["hat_closed", "ride", "shaker", "hat_pedal"], p=[0.67, 0.17, 0.1, 0.06])
    P[kind] = np.maximum(P.get(kind, 0), h)
    if r() < 0.35:
        s = rng.choice([2, 6, 10, 14, 15])
        P["hat_open"] = np.maximum(P.get("hat_open", np.zeros(n)), steps(rng, n, [s]))
    for _ in range(rng.choice([0, 1, 2], p=[0.3, 0.4, 0.3])):  # hand percussion, often as loud as the drums
        art = rng.choice(["shaker", "tamb", "cowbell", "conga_hi", "bongo", "clave", "timbale", "conga_lo"])
        if art in ("shaker", "tamb"):
            p = steps(rng, n, range(0, n, rng.choice([1, 2, 4])))
            p[1::2] *= rng.uniform(0.3, 1)
            if r() < 0.3:
                p[rng.integers(0, n) :: 4] = 0
        else:
            p = (r(n) < rng.uniform(0.12, 0.4)) * rng.uniform(0.3, 1, n)
        P[art] = np.maximum(P.get(art, 0), p)
    if r() < 0.25:
        P["clap"] = np.maximum(P.get("clap", 0), steps(rng, n, back))
    if r() < 0.2:  # toms, or crashes within the bar
        for art in rng.choice(["tom_lo", "tom_mid", "tom_hi", "crash"], rng.integers(1, 3), replace=False):
            P[art] = (r(n) < rng.uniform(0.06, 0.25)) * rng.uniform(0.3, 1, n)
    return P


def compound(rng, n):
    """A bar of beats in three: 12/8 with four beats, 6/8 with two."""
    r = rng.random
    beats = n // 3
    back = [3 * b for b in range(1, beats, 2)]
    P = {
        "kick": steps(rng, n, [0], 0.03, ((5, 0.4), (6, 0.7 if n == 12 else 0), (2, 0.15), (8, 0.3), (11, 0.3))),
        rng.choice(["snare", "clap"], p=[0.8, 0.2]): steps(rng, n, back, 0.04, ((n - 1, 0.15),)),
    }
    h = steps(rng, n, range(n) if r() < 0.6 else [s for s in range(n) if s % 3 != 1])
    weak = rng.uniform(0.35, 1)
    h[[s for s in range(n) if s % 3]] *= weak
    P[rng.choice(["hat_closed", "ride", "shaker"], p=[0.65, 0.22, 0.13])] = h
    if r() < 0.3:
        P[rng.choice(["tamb", "conga_hi", "bongo", "cowbell"])] = (r(n) < 0.25) * rng.uniform(0.3, 1, n)
    return P


def vary(rng, P, n):
    Q = {k: v.copy() for k, v in P.items()}
    for k in Q:
        if rng.random() < 0.4:
            s = rng.integers(0, n)
            Q[k][s] = 0 if Q[k][s] > 0 and rng.random() < 0.5 else rng.uniform(0.2, 0.9) * (rng.random() < 0.6)
    return Q


def fill(rng, n, start):
    """A fill from step `start`: [(position in steps, articulation, velocity)]."""
    arts = [
        ["snare"],
        ["tom_hi", "tom_mid", "tom_lo"],
        ["snare", "tom_lo"],
        ["clap"],
        ["kick", "snare"],
        ["tom_hi", "tom_lo"],
        ["tom_mid"],
    ][rng.integers(0, 7)]
    step = rng.choice([1, 0.5, 2 / 3, 4 / 3, 2], p=[0.5, 0.15, 0.15, 0.1, 0.1])
    out = []
    p = float(start)
    while p < n - 1e-6:
        if rng.random() < 0.88:
            out.append(
                (
                    p,
                    arts[min(len(arts) - 1, int((p - start) / (n - start) * len(arts)))],
                    rng.uniform(0.45, 0.8) + 0.2 * (p - start) / (n - start),
                )
            )
        p += step
    return out


def melody(rng, n):
    """A bar of a riff, one note at a time: (step, scale degree, steps long); by steps and leaps, as an arpeggio, or on few notes."""
    kind = rng.choice(["tune", "arpeggio", "few"], p=[0.5, 0.3, 0.2])
    out, s, d = [], 0, int(rng.integers(0, 8))
    pace = int(rng.choice([1, 2]))
    while s < n:
        length = pace if kind == "arpeggio" else int(rng.choice([1, 2, 3, 4, 6], p=[0.25, 0.35, 0.15, 0.15, 0.1]))
        d = (
            d + int(rng.choice([-4, -2, -1, 0, 1, 2, 3]))
            if kind == "tune"
            else int(rng.choice([0, 2, 4, 7]))
            if kind == "arpeggio"
            else int(rng.choice([0, 1, 2]))
        )
        d = int(np.clip(d, -2, 9))
        if rng.random() < 0.72:
            out.append((s, d, length * rng.uniform(0.5, 1)))
        s += length
    return out


def bass_figure(rng, n):
    """A bar of a programmed bass on sixteenths, dense and short: semitones above the root by step; repeats of one pitch are the rule."""
    leaps = rng.choice([12, 7, 10, 5, 3, -5], int(rng.integers(1, 3)))
    dense, leap = rng.uniform(0.5, 1), rng.uniform(0, 0.4)
    return {s: int(rng.choice(leaps)) if rng.random() < leap else 0 for s in range(n) if s == 0 or rng.random() < dense}


def song(rng, seconds=42):
    style = rng.choice(["four", "backbeat", "half", "broken", "latin", "chance"], p=[0.2, 0.28, 0.12, 0.15, 0.08, 0.17])
    per = 3 if rng.random() < 0.09 else 4  # steps of a beat
    n = (12 if rng.random() < 0.5 else 6) if per == 3 else 12 if rng.random() < 0.12 else 16
    low, high = dict(
        four=(100, 150),
        backbeat=(65, 170),
        half=(120, 172),
        broken=(80, 182),
        latin=(80, 135),
        chance=(60, 190),
    )[style]
    bpm = rng.uniform(low, high)
    drift = rng.random() < 0.35
    if per == 3:
        bpm = rng.uniform(50, 150)
    swing = rng.uniform(0.52, 0.68) if rng.random() < 0.3 else 0.5
    minor = rng.random() < 0.6
    scale = ROOTS if minor else MAJOR
    tonic = int(rng.integers(0, 12))
    offset = {}
    jitter = rng.choice([0, 0.002, 0.005, 0.009], p=[0.4, 0.2, 0.25, 0.15])
    spb, events, tonal, beats, downs, sections, chords = 60 / bpm, [], [], [], [], [], []
    late = lambda art: offset.setdefault(art, rng.normal(0, 0.006) if rng.random() < 0.4 else 0.0)
    touch, accents, played = (
        {},
        {},
        {},
    )  # how unevenly each drum is struck; its accents; whether it is played, or programmed nearly even
    uneven = lambda art: touch.setdefault(art, rng.choice([0.02, 0.05, 0.09, 0.14]))
    even = lambda art, v: v if played.setdefault(art, rng.random() < 0.5) or v < 0.4 else 0.9 + 0.1 * (v - 0.9)
    accent = lambda art: accents.setdefault(
        art, rng.uniform(0.45, 1, rng.choice([3, 4, 8, n])) if rng.random() < 0.3 else np.ones(1)
    )
    t = rng.uniform(0.05, 1.2)
    low_bass = 12 * (rng.random() < 0.4)
    pool = [groove(rng, style, n, per) for _ in range(rng.integers(1, 4))]
    chord_len = rng.choice([1, 1, 2, 0.5])
    progs = [PROGRESSIONS[i] for i in rng.integers(0, len(PROGRESSIONS), 2)]
    while t < seconds - 2:
        bars = int(rng.choice([2, 3, 4, 4, 6, 8]))
        kind = rng.choice(["full", "thin", "none", "drums", "half"], p=[0.6, 0.15, 0.08, 0.12, 0.05])
        base = pool[rng.integers(0, len(pool))]
        progression = progs[rng.integers(0, len(progs))]
        sections.append(t)
        mute = {a for a in base if kind == "none" or (kind == "thin" and rng.random() < 0.5)}
        bass_style = rng.choice(
            ["root", "eighths", "kick", "walk", "off", "rumble", "long", "figure"],
            p=[0.14, 0.14, 0.14, 0.1, 0.12, 0.1, 0.1, 0.16],
        )
        figure, gate, gates = bass_figure(rng, n), rng.uniform(0.5, 0.95), (0.8 if bass_style == "long" else 0.5, 1)
        line = rng.random() < 0.5
        riff, lead = melody(rng, n), 60 + 12 * (rng.random() < 0.65)
        for b in range(bars):
            grid = []  # time of every sixteenth of the bar, and of its end
            for k in range(n // per):
                beats.append(t)
                downs.append(k == 0)
                if drift:
                    spb = np.clip(spb * (1 + rng.normal(0, 0.004)), 0.93 * 60 / bpm, 1.07 * 60 / bpm)
                grid += (
                    [t, t + spb / 3, t + 2 * spb / 3]
                    if per == 3
                    else [t, t + spb * swing / 2, t + spb / 2, t + spb * (1 + swing) / 2]
                )
                t += spb
            grid.append(t)
            at = lambda p: np.interp(p, np.arange(n + 1), grid)
            P = vary(rng, base, n) if b % 4 == 3 or rng.random() < 0.2 else base
            last = b == bars - 1
            cut = n
            if last and rng.random() < 0.5 and kind != "none":
                cut = n - int(rng.choice([2, 4, 8, min(16, n)]))
                if rng.random() < 0.75:
                    for p, art, v in fill(rng, n, cut):
                        events.append([at(p), art, v])
                else:
                    t_stop = at(cut)
            for art, v in P.items():
                if art in mute:
                    continue
                for s in np.flatnonzero(v):
                    if s >= cut and art not in ("kick", "hat_closed"):
                        continue
                    x = at(s) + late(art) + rng.normal(0, jitter)
                    vel = float(
                        np.clip(
                            even(art, v[s] * accent(art)[s % len(accent(art))])
                            + rng.normal(0, uneven(art) * (1 if played[art] else 0.4)),
                            0.1,
                            1,
                        )
                    )
                    events.append([x, art, vel])
                    if art == "hat_closed" and rng.random() < 0.02:
                        m = rng.choice([1, 2])
                        events += [[x + (grid[1] - grid[0]) * (i + 1) / (m + 1), art, vel * 0.8] for i in range(m)]
                    if art in ("snare", "clap") and rng.random() < 0.03:
                        events.append([x - rng.uniform(0.012, 0.03), art, vel * 0.5])
            if b == 0 and rng.random() < 0.5 and kind != "none":
                events.append([grid[0], "crash", rng.uniform(0.6, 1)])
            degree = progression[int((b / chord_len) % len(progression))] if chord_len >= 1 else None
            halves = (
                [(0, n, degree)]
                if degree is not None
                else [
                    (0, n // 2, progression[(2 * b) % len(progression)]),
                    (n // 2, n, progression[(2 * b + 1) % len(progression)]),
                ]
            )
            if kind == "drums":
                continue
            for s0, s1, d in halves:
                root = int(scale[d % 7]) + tonic
                tones = [
                    int(scale[(d + j) % 7]) + 12 * ((d + j) // 7) + tonic
                    for j in (0, 2, 4) + ((6,) if rng.random() < 0.25 else ())
                ]
                chords.append((at(s0), at(s1), root % 12, tones))
                hits = dict(
                    root=[s0],
                    eighths=range(s0, s1, 2),
                    off=range(s0 + 2, s1, 4),
                    walk=range(s0, s1, per),
                    rumble=[s for s in range(s0, s1) if s % 4],
                    long=[s0] if s0 == 0 else [],
                    figure=[s for s in figure if s0 <= s < s1],
                    kick=[s for s in range(s0, s1) if s < n and P["kick"][s] > 0],
                )[bass_style]
                hits = list(hits) or ([s0] if bass_style != "long" else [])
                for i, s in enumerate(hits):
                    e = hits[i + 1] if i + 1 < len(hits) else s1
                    pitch = 36 + (root % 12) - (12 * (root % 12 > 7) if not low_bass else 12 * (root % 12 > 3))
                    if bass_style == "walk":
                        pitch += int(scale[rng.integers(0, 5)]) if s > s0 else 0
                    elif bass_style == "figure":
                        pitch, e = pitch + figure[s], min(e, s + 1 + (rng.random() < 0.15))
                    elif rng.random() < 0.15:
                        pitch += rng.choice([12, 7, 12])
                    if rng.random() < 0.08:
                        continue
                    pitch -= 12 * (pitch >= 36 and bass_style in ("rumble", "long") and rng.random() < 0.7)
                    tonal.append(
                        (
                            "bass",
                            at(s) + rng.normal(0, jitter),
                            at(s + (e - s) * (gate if bass_style == "figure" else rng.uniform(*gates))),
                            int(pitch),
                            rng.uniform(0.35 if rng.random() < 0.3 else 0.65, 1),
                        )
                    )
                stab = rng.random() < 0.3
                for s in [s0] if not stab else [s for s in range(s0, s1) if (s * 3 + d) % 8 in (2, 3)]:
                    for p in tones:
                        tonal.append(
                            (
                                "chords",
                                at(s),
                                at(s1 if not stab else s + 1.5),
                                60 + (p % 12) - 12 * (p % 12 > 7),
                                rng.uniform(0.4, 0.9),
                            )
                        )
            if line:
                for s, d, l in riff:
                    tonal.append(
                        (
                            "lead",
                            at(s) + rng.normal(0, jitter),
                            at(min(n, s + l)),
                            lead + tonic % 12 - 12 * (tonic > 6) + int(scale[d % 7]) + 12 * (d // 7),
                            rng.uniform(0.5, 1),
                        )
                    )
    return dict(
        style=style,
        bpm=bpm,
        n=n,
        per=per,
        swing=swing,
        events=sorted(e for e in events if e[0] > 0),
        tonal=tonal,
        beats=beats,
        downs=downs,
        sections=sections,
        chords=chords,
        key=(tonic, minor),
        end=t,
    )
