"""Writes songs as nine groups of sound apart, to train the separator on: stems.py OUT SONGS RECORDINGS [--held-out] [--seed N] [--jobs N].

One file per song, 16-bit integers of shape (groups, 2, samples): mixing them with other levels is left to the training."""
import argparse, multiprocessing, os
import numpy as np
from scipy.signal import butter, sosfilt
import compose, mix, recordings, sounds

GROUPS = ("kick", "snare", "hats", "toms", "bass", "chords", "riff", "voice", "noise")
RATE = sounds.RATE
# The group of each bus of the drums
OF_BUS = dict(
    kick="kick", snare="snare", clap="snare", hat_closed="hats", hat_open="hats", cymbal="hats", tom="toms",
    perc="toms", shaker="toms",
)
# dB RMS of a group over its song, before the training moves it again
LEVEL = dict(kick=-20, snare=-24, hats=-31, toms=-28, bass=-20, chords=-25, riff=-26, voice=-24, noise=-34)


def synth(rng, notes, n, wide):
    """A synthesised pad, stab or lead in stereo: detuned saws, pulses or frequency modulation through a low-pass that may move."""
    out = np.zeros((2, n + RATE * 3), np.float32)
    kind, voices = rng.choice(["saw", "pulse", "fm", "sine"], p=[0.45, 0.2, 0.2, 0.15]), rng.integers(1, 5)
    detune, ratio, index = rng.uniform(0, 18), rng.choice([1, 2, 3, 1.5, 7.01]), rng.uniform(0.3, 3)
    attack, decay, release = 10 ** rng.uniform(-3, -0.7), 10 ** rng.uniform(-0.8, 1), 10 ** rng.uniform(-1.6, -0.1)
    octave, shift = rng.choice([-12, 0, 12], p=[0.2, 0.6, 0.2]), rng.uniform(0, 1, 16)
    for _, a, b, p, v in notes:
        i, m = int(a * RATE), int((b - a + 4 * release) * RATE)
        if i >= n or m < 300:
            continue
        t = np.arange(min(m, n + RATE * 3 - i)) / RATE
        e = np.minimum(1, t / attack) * np.exp(-t / decay) * np.where(t < b - a, 1, np.exp(-(t - (b - a)) / release))
        for side in range(2 if wide > 0 else 1):
            x = np.zeros(len(t))
            for k in range(voices):
                cents = detune * (k - (voices - 1) / 2 + (0.37 * wide * (2 * side - 1)))
                f = 440 * 2 ** ((p + octave + cents / 100 - 69) / 12)
                ph = f * t + shift[(k + 5 * side * (wide > 0)) % 16]
                if kind == "saw":
                    x += 2 * (ph % 1) - 1
                elif kind == "pulse":
                    x += np.where(ph % 1 < 0.3, 1.0, -0.43)
                elif kind == "fm":
                    x += np.sin(2 * np.pi * ph + index * np.exp(-t / 0.4) * np.sin(2 * np.pi * ratio * ph))
                else:
                    x += np.sin(2 * np.pi * ph)
            out[side, i : i + len(t)] += (v * e * x).astype(np.float32)
    if wide == 0:
        out[1] = out[0]
    return coloured(rng, out[:, :n])


def coloured(rng, x):
    """Through a low-pass, at times one that opens, and at times a high-pass."""
    n = x.shape[1]
    low = butter(2, 10 ** rng.uniform(2.6, 3.9) / (RATE / 2), output="sos")
    y = sosfilt(low, x)
    if rng.random() < 0.3:  # opening or closing
        a = np.clip(np.linspace(0, 1, n) if rng.random() < 0.5 else np.linspace(1, 0, n), 0, 1)
        y = y + a * (x - y)
    if rng.random() < 0.5:
        y = sosfilt(butter(2, 10 ** rng.uniform(1.9, 2.6) / (RATE / 2), "high", output="sos"), y)
    return y.astype(np.float32)


def repeated(rng, x, beat):
    """With repeats in a note value, straight or from side to side."""
    step, back, cross = int(RATE * beat * rng.choice([0.5, 0.75, 1, 1.5, 1 / 3])), rng.uniform(0.2, 0.6), rng.random() < 0.5
    y, echo = x.copy(), x
    for _ in range(4):
        echo = back * np.pad(echo, ((0, 0), (step, 0)))[:, : x.shape[1]]
        echo = echo[::-1] if cross else echo
        y += echo
    return y


def effects(rng, song, n):
    """Beds of noise, rises, falls, impacts and reversed sounds at the edges of sections."""
    out = np.zeros((2, n), np.float32)
    if rng.random() < 0.5:  # a bed: hiss, crackle
        bed = rng.standard_normal((2, n)) * 0.05
        bed[1] += (rng.random() < 0.3) * (bed[0] - bed[1])
        if rng.random() < 0.5:
            bed += (rng.random((2, n)) < 12 / RATE) * rng.standard_normal((2, n)) * 4
        out += sounds.band(bed, 10 ** rng.uniform(1.9, 3.3), 10 ** rng.uniform(3.6, 4.2), 1)
    for edge in song["sections"][1:]:
        if rng.random() < 0.5:
            continue
        kind, at, m = rng.choice(["rise", "fall", "impact", "reversed"]), int(edge * RATE), int(RATE * rng.uniform(0.6, 6))
        t = np.arange(m) / m
        if kind == "impact":
            x = np.sin(2 * np.pi * np.cumsum(30 + 90 * np.exp(-t * 12)) / RATE) + 0.5 * rng.standard_normal(m)
            x, start = np.stack([x, x]) * np.exp(-t * rng.uniform(4, 12)), at
        else:
            x = rng.standard_normal((2, m)) * (1 if rng.random() < 0.8 else 0.1)
            if rng.random() < 0.3:
                x = x + np.sin(2 * np.pi * np.cumsum(200 * 2 ** (4 * t)) / RATE)
            x = np.cumsum(x, axis=1) * 0.05 * (1 - t) + x * t
            x, start = (x * t ** rng.uniform(1, 3), at - m) if kind != "fall" else (x[:, ::-1] * (1 - t) ** 2, at)
        a, b = max(0, start), min(n, start + m)
        if b > a:
            out[:, a:b] += rng.uniform(0.3, 1.5) * x[:, a - start : b - start]
    return sosfilt(butter(1, 40 / (RATE / 2), "high", output="sos"), out)


def groups(rng, song, families, fonts):
    """{group: stereo signal} of a song; a group that does not play is missing."""
    n = int((song["end"] + 0.5) * RATE)
    width = 0 if rng.random() < 0.1 else rng.uniform(0.4, 1.4)
    buses, truth = mix.drum_buses(rng, song["events"], mix.make_kit(rng, families), n, width)
    out = {}
    for bus, x in buses.items():
        out[OF_BUS[bus]] = out.get(OF_BUS[bus], 0) + (mix.in_a_room(rng, x, {bus: x}, width) if rng.random() < 0.4 else x)
    beat = 60 / song["bpm"]
    for name, group in (("bass", "bass"), ("chords", "chords"), ("lead", "riff")):
        notes = [e for e in song["tonal"] if e[0] == name]
        if not notes:
            continue
        if rng.random() < 0.5:
            x = mix.placed(rng, name, mix.font_part(rng, notes, mix.PROGRAMS[name], fonts[rng.integers(0, len(fonts))], n), width)
        elif name == "bass":
            x = mix.panned(mix.own_bass(rng, notes, n), 0)
            if rng.random() < 0.4:  # an upper bass over it
                up = synth(rng, [(*e[:3], e[3] + rng.choice([0, 12]), e[4]) for e in notes], n, rng.choice([0, 1]))
                up = sosfilt(butter(2, 120 / (RATE / 2), "high", output="sos"), up)
                x = mix.level(x, -20) + mix.level(up, rng.uniform(-34, -22))
        else:
            x = synth(rng, notes, n, 0 if width == 0 else rng.choice([0, 1]) if name == "lead" else 1)
            x = mix.panned(1, rng.normal(0, 0.15)) * x
        if name != "bass" and rng.random() < 0.35:
            x = repeated(rng, x, beat)
        if name != "bass" and rng.random() < 0.4:
            x = mix.in_a_room(rng, x, {name: x}, width)
        if rng.random() < 0.45:
            x = mix.ducked(rng, x, [t for t, lane, *_ in truth if lane == 0])
        out[group] = x
    if rng.random() < 0.45:
        out["voice"] = mix.placed(rng, "voice", mix.voice(rng, n, song["beats"]), width)
    if rng.random() < 0.6:
        out["noise"] = effects(rng, song, n)
    return {g: mix.level(x, LEVEL[g] + rng.normal(0, 2)) for g, x in out.items()}


def make(job):
    seed, out, held_out = job
    if os.path.exists(f"{out}/{seed}.npy"):
        return
    rng = np.random.default_rng(seed)
    fonts = [f for f, kits in sounds.fonts(held_out, RECORDINGS).items() if len(kits) > 1]
    song = compose.song(rng, 32)
    made = groups(rng, song, FAMILIES, fonts)
    n = min(x.shape[1] for x in made.values())
    data = np.zeros((len(GROUPS), 2, n), np.int16)
    for g, x in made.items():
        data[GROUPS.index(g)] = np.clip(np.round(x[:, :n] * 16384), -32767, 32767)
    np.save(f"{out}/{seed}.npy", data)


def main():
    global FAMILIES, RECORDINGS
    p = argparse.ArgumentParser(description=__doc__)
    p.add_argument("out")
    p.add_argument("songs", type=int)
    p.add_argument("recordings")
    p.add_argument("--held-out", action="store_true")
    p.add_argument("--seed", type=int, default=11)
    p.add_argument("--jobs", type=int, default=os.cpu_count())
    a = p.parse_args()
    os.makedirs(a.out, exist_ok=True)
    RECORDINGS = a.recordings
    kits = [
        k
        for f, programs in sounds.fonts(a.held_out, RECORDINGS).items()
        for q in programs
        if (k := sounds.font_kit(f, q))
    ]
    FAMILIES = [kits, recordings.kits(RECORDINGS, a.held_out)]
    with multiprocessing.Pool(a.jobs) as pool:
        jobs = [(a.seed * 100000 + i, a.out, a.held_out) for i in range(a.songs)]
        for i, _ in enumerate(pool.imap_unordered(make, jobs)):
            if i % 20 == 0:
                print("made", i, flush=True)


if __name__ == "__main__":
    main()
