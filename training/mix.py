"""Turns the events of a song into a stereo mix, with the untidiness of real mixes. Signals: mono (samples) or stereo (2, samples)."""

import mido, numpy as np
from scipy.signal import butter, fftconvolve, lfilter, sosfilt
import features, play, rough, sounds

RATE = sounds.RATE
BASSES, CHORDS, LEADS = (
    range(32, 40),
    [*range(0, 8), *range(16, 20), *range(24, 32), *range(48, 54), *range(80, 96)],
    [*range(0, 16), *range(24, 31), *range(40, 48), *range(56, 88), 104, 105, 107],
)
PROGRAMS = dict(
    bass=BASSES,
    chords=CHORDS,
    lead=LEADS,
    comp=[*range(24, 32), 29, 30, 30, *range(0, 8), *range(16, 20)],
    pluck=[6, *range(8, 16), 24, 25, 28, 45, 46, *range(104, 109)],
    pad=[*range(48, 55), *range(88, 96), *range(16, 20)],
    stab=[48, 50, 55, *range(61, 64), *range(80, 84), 5, 16],
)


def any_kit(rng, families, chance):
    """A kit of one of the families (sound fonts, recordings), or None by chance: synthesis."""
    if rng.random() > chance:
        return None
    family = families[rng.integers(0, len(families))]
    return family[rng.integers(0, len(family))]


def make_kit(rng, families):
    """{articulation: [(velocity 1..127, samples)]}: one source for the whole kit, with strangers and layers mixed in."""
    home = any_kit(rng, families, 0.7)
    kit = {}
    for art in sounds.ARTS:
        source = home if rng.random() < 0.75 else any_kit(rng, families, 0.6)
        if source is not None and not any(k[0] == art for k in source):
            source = any_kit(rng, families, 0.7)
        notes = [k for k in source if k[0] == art] if source else []
        if notes:
            layers = source[notes[rng.integers(0, len(notes))]]
        else:
            layers = [(100, sounds.drum(rng, art))]
        layers = shaped(rng, layers)
        if rng.random() < 0.2:  # two sounds on one pad, as producers layer them
            under = shaped(rng, [(100, sounds.drum(rng, art))])[0][1] * rng.uniform(0.2, 0.9)
            layers = [(v, added(x, under)) for v, x in layers]
        gain = rng.uniform(0.6, 1.4)
        kit[art] = [(v, (gain * x).astype(np.float32)) for v, x in layers]
    return kit


def shaped(rng, layers):
    """A pad's own tuning, length, colour and drive, the same for all its velocities."""
    pitch = 2 ** (rng.normal(0, 2.2) / 12) if rng.random() < 0.5 else 1
    choke = rng.uniform(0.05, 0.6) if rng.random() < 0.35 else 0
    colour = sosfilt_of(rng) if rng.random() < 0.4 else None
    drive = rng.uniform(1, 6) if rng.random() < 0.15 else 0
    out = []
    for velocity, x in layers:
        x = x / (np.abs(x).max() or 1)
        if pitch != 1:
            x = np.interp(np.arange(0, len(x) - 1, pitch), np.arange(len(x)), x)
        if choke:
            x = x * np.exp(-np.arange(len(x)) / RATE / choke)
        if colour:
            x = x + sosfilt(colour[0], x) * colour[1]
        if drive:
            x = np.tanh(x * drive)
        out.append((velocity, x / (np.abs(x).max() or 1)))
    return out


def sosfilt_of(rng):
    """A broad bell: (its filter, its gain beside the dry sound)."""
    f = 10 ** rng.uniform(1.9, 4)
    return (
        butter(1, [f * 0.6 / 22050, min(0.99, f * 1.6 / 22050)], "band", output="sos"),
        10 ** (rng.uniform(-12, 10) / 20) - 1,
    )


def added(a, b):
    out = np.zeros(max(len(a), len(b)))
    out[: len(a)] += a
    out[: len(b)] += b
    return out / (np.abs(out).max() or 1)


BALANCE = dict(
    kick=1, snare=0.8, clap=0.65, hat_closed=0.28, hat_open=0.32, tom=0.7, cymbal=0.4, perc=0.35, shaker=0.35
)


def choked(events):
    """{event: seconds until the next stroke of the hats}, for open hats: the foot or the next stroke stops them."""
    hats = [(i, e) for i, e in enumerate(events) if e[1].startswith("hat_")]
    return {
        i: max(0.03, b[0] - e[0]) for (i, e), (_, b) in zip(hats, hats[1:]) if e[1] == "hat_open" and b[0] > e[0] + 0.01
    }


# How far from the middle a bus is usually set, as a standard deviation of -1 (left) to 1 (right): common practice
SPREAD = dict(
    kick=0.02,
    snare=0.07,
    clap=0.1,
    hat_closed=0.28,
    hat_open=0.28,
    tom=0.25,
    cymbal=0.25,
    perc=0.4,
    shaker=0.4,
    bass=0,
    chords=0.1,
    lead=0.3,
    comp=0.5,
    pluck=0.4,
    pad=0.1,
    stab=0.2,
    voice=0.12,
)


def bus_of(art):
    return "shaker" if art in ("shaker", "tamb") else sounds.ARTS[art][0]


def panned(x, at):
    """At equal power: (2, samples)."""
    a = (1 + np.clip(at, -1, 1)) * np.pi / 4
    return np.sqrt(2) * np.array([[np.cos(a)], [np.sin(a)]], np.float32) * x


def drum_buses(rng, events, kit, n, width, stops=None):
    """Every bus apart, {bus: stereo signal}, so that each can be equalised, panned, set in a room and ducked by the kick; `stops` as
    from `choked`."""
    buses = {}
    curve = rng.uniform(1, 2.2)
    truth = []
    if stops is None:
        stops = choked(events) if rng.random() < 0.7 else {}
    for i, (t, art, v) in enumerate(events):
        bus, at = bus_of(art), int(round(t * RATE))
        line = buses.setdefault(bus, np.zeros(n, np.float32))
        layers = kit[art]
        velocity, x = min(layers, key=lambda l: abs(l[0] - 127 * v))
        x = x * v**curve
        if len(layers) == 1 and v < 0.6 and rng.random() < 0.5:
            x = lfilter([1 - 0.5 * (1 - v)], [1, -0.5 * (1 - v)], x)
        if i in stops:
            m = int(stops[i] * RATE)
            x = x[: m + 400].copy()
            x[m:] *= np.linspace(1, 0, len(x[m:]))
        if at < n:
            line[at : at + len(x)] += x[: max(0, n - at)]
        truth.append((at / RATE, sounds.LANES.index(sounds.ARTS[art][0]), v, bus))
    pans = {bus: rng.normal(0, width * SPREAD[bus]) for bus in buses}
    if rng.random() < 0.85 and "hat_closed" in pans:
        pans["hat_open"] = pans["hat_closed"]
    return {
        bus: panned(treated(rng, x) * BALANCE[bus] * 10 ** (rng.normal(0, 3.5) / 20), pans[bus])
        for bus, x in buses.items()
    }, truth


def treated(rng, x):
    """A bus's own treatment: a bell of the equaliser, drive, a coarser sampling rate."""
    peak = np.abs(x).max()
    if peak == 0:
        return x
    for _ in range(rng.integers(0, 3)):
        f = 10 ** rng.uniform(1.9, 4)
        w = [f * 0.7 / 22050, min(0.99, f * 1.4 / 22050)]
        x = x + sosfilt(butter(1, w, "band", output="sos"), x) * (10 ** (rng.uniform(-12, 9) / 20) - 1)
    if rng.random() < 0.2:
        x = np.tanh(x / peak * rng.uniform(1, 5)) * peak
    if rng.random() < 0.07:
        k = rng.integers(2, 4)
        x = np.repeat(x[::k], k)[: len(x)]
    return x.astype(np.float32)


def own_bass(rng, notes, n):
    """A synthesised line; some glide into each note from the one before, some are a low-passed kick on every note."""
    out = np.zeros(n + RATE, np.float32)
    shape = rng.choice(["sine", "saw", "square"])
    cut = rng.uniform(60 if rng.random() < 0.25 else 150, 2500)
    before = None
    glide = rng.uniform(0.02, 0.12) if rng.random() < 0.2 else 0
    thump = rng.uniform(0.5, 2) if rng.random() < 0.15 else 0
    for _, a, b, p, v in sorted(notes, key=lambda e: e[1]):
        i, m = int(a * RATE), max(400, int((b - a) * RATE))
        t = np.arange(m) / RATE
        bend = thump * 12 * np.exp(-t / 0.012)
        if glide and before is not None and rng.random() < 0.5:
            bend = bend + (before - p) * np.maximum(0, 1 - t / glide)
        ph = np.cumsum(440 * 2 ** ((p + bend - 69) / 12)) / RATE
        before = p
        x = (
            np.sin(2 * np.pi * ph)
            if shape == "sine"
            else 2 * (ph % 1) - 1
            if shape == "saw"
            else np.sign(np.sin(2 * np.pi * ph))
        )
        e = np.minimum(1, t / 0.004) * np.exp(-t / rng.uniform(0.15, 2)) * np.minimum(1, (m - np.arange(m)) / 300)
        if i < n:
            out[i : i + m] += (v * x * e)[: len(out) - i]
    if shape != "sine":
        out = sosfilt(butter(2, cut / (RATE / 2), output="sos"), out)
    return np.tanh(out[:n] * rng.uniform(0.7, 2))


def font_part(rng, notes, programs, font, n):
    midi = mido.MidiFile(ticks_per_beat=1000)
    track = mido.MidiTrack()
    midi.tracks.append(track)
    track.append(mido.MetaMessage("set_tempo", tempo=1000000))
    track.append(mido.Message("program_change", channel=0, program=int(rng.choice(list(programs)))))
    events = sorted(
        [(int(a * 1000), 1, p, int(127 * v)) for _, a, b, p, v in notes]
        + [(int(max(b, a + 0.05) * 1000), 0, p, 0) for _, a, b, p, v in notes]
    )
    last = 0
    for tick, on, p, v in events:
        track.append(mido.Message("note_on", channel=0, note=int(p) % 128, velocity=v, time=tick - last))
        last = tick
    x = play.play(midi, font).T
    return np.pad(x, ((0, 0), (0, max(0, n - x.shape[1]))))[:, :n]


def level(x, db):
    rms = np.sqrt(np.mean(x**2))
    return x * (10 ** (db / 20) / rms) if rms > 1e-7 else x


def voice(rng, n, beats):
    """A wordless voice-like layer: a gliding buzz through moving formants."""
    out = np.zeros(n, np.float32)
    for b in beats[::2]:
        if rng.random() < 0.5:
            continue
        m = int(RATE * rng.uniform(0.15, 0.6))
        i = int((b + rng.normal(0, 0.03)) * RATE)
        f = rng.uniform(110, 420) * 2 ** (np.linspace(0, rng.normal(0, 0.2), m))
        x = 2 * (np.cumsum(f) / RATE % 1) - 1 + 0.05 * rng.standard_normal(m)
        for _ in range(2):
            c = rng.uniform(350, 2600)
            x = x + 2 * sosfilt(butter(1, [c * 0.85 / 22050, c * 1.15 / 22050], "band", output="sos"), x)
        if 0 <= i < n:
            out[i : i + m] += (x * np.hanning(m))[: n - i]
    return out


def parts(rng, song, fonts, chips=False):
    """{part: mono or stereo signal}: all but the drums, which several mixes of the song may share; `chips`: by simple waves."""
    n = int((song["end"] + 0.5) * RATE)
    font = fonts[rng.integers(0, len(fonts))]
    out = {}
    for name, programs in PROGRAMS.items():
        notes = [e for e in song["tonal"] if e[0] == name]
        if notes:
            out[name] = (
                own_bass(rng, notes, n)
                if name == "bass" and rng.random() < 0.5
                else rough.chip(rng, notes, n)
                if chips and name != "pad"
                else font_part(rng, notes, programs, font, n)
            )
    return out


LOUDNESS = dict(  # dB RMS; the drums have -16
    bass=(-27, -12),
    chords=(-32, -15),
    lead=(-32, -16),
    comp=(-28, -12),
    pluck=(-32, -16),
    pad=(-34, -18),
    stab=(-30, -16),
)


def placed(rng, name, x, width):
    """A part in the stereo picture: its own width, and to one side by its two channels' levels."""
    if x.ndim == 1:
        return panned(x, rng.normal(0, width * SPREAD[name]))
    middle = x.mean(axis=0)
    return panned(1, rng.normal(0, width * SPREAD[name])) * (
        middle + (x - middle) * min(1, width) * rng.uniform(0, 1.5)
    )


def in_a_room(rng, drums, buses, width):
    m = int(RATE * rng.uniform(0.08, 0.9))
    fade = np.exp(-np.arange(m) / m * 6)
    room = rng.standard_normal((2, m)) * fade
    if width == 0:
        room[1] = room[0]
    wet = sum(x for bus, x in buses.items() if bus != "kick") if rng.random() < 0.6 else drums
    if not isinstance(wet, np.ndarray):
        return drums
    tail = np.stack([fftconvolve(wet[c], room[c] / np.sqrt((room[c] ** 2).sum()))[: drums.shape[1]] for c in (0, 1)])
    return drums + tail * 10 ** (rng.uniform(-24, -5) / 20)


def ducked(rng, x, kicks):
    """Pulled down by every kick."""
    n = x.shape[1]
    duck = np.ones(n, np.float32)
    rec = int(RATE * rng.uniform(0.08, 0.35))
    shape = np.linspace(rng.uniform(0.05, 0.6), 1, rec)
    for t in kicks:
        i = int(t * RATE)
        m = min(rec, n - i)
        duck[i : i + m] = np.minimum(duck[i : i + m], shape[:m]) if m > 0 else 1
    return x * duck


def with_audibility(truth, buses, gain, x):
    """[(time, lane, velocity, dB)]: how far each hit stands out of the whole mix within its first 25 ms, in the four bands where it does
    so most; its own sound before it does not count. Below about -6 nobody hears it."""
    out = []
    window = features.WINDOWS[1][0]
    whole = x.mean(axis=0)
    for bus, signal in buses.items():
        hits = [h for h in truth if h[3] == bus]
        own = signal.mean(axis=0) * gain
        times = np.array([h[0] for h in hits])
        before, after, all_ = (
            features.at(s, times + shift) ** 2 for s, shift in ((own, -window / 2 / RATE), (own, 0.008), (whole, 0.008))
        )
        share = np.maximum(0, after - before) / (all_ + 1e-10)
        share = np.minimum(0.999, np.sort(share, axis=1)[:, -4])
        out += [(t, lane, v, 10 * np.log10(s / (1 - s) + 1e-4)) for (t, lane, v, _), s in zip(hits, share)]
    return sorted(out)


def mix(rng, song, families, parts, untidy=False):
    """(stereo mix, drum truth [(time, lane, velocity, dB by which it stands out)]); `untidy`: as in rough.py."""
    n = int((song["end"] + 0.5) * RATE)
    kit = make_kit(rng, families)
    width = 0 if rng.random() < 0.15 else rng.uniform(0.4, 1.4)
    old = untidy and rng.random() < 0.4  # coarse samples on few channels
    stops = rough.shared(rng, song["events"]) if old and rng.random() < 0.7 else None
    buses, truth = drum_buses(rng, song["events"], rough.coarse(rng, kit) if old else kit, n, width, stops)
    drums = sum(buses.values())
    if rng.random() < 0.5:
        drums = np.tanh(drums * rng.uniform(0.5, 3))
    if rng.random() < 0.7:
        drums = in_a_room(rng, drums, buses, width)
    gain = 10 ** (-16 / 20) / (np.sqrt(np.mean(drums**2)) or 1)
    drums *= gain
    tonal = np.zeros((2, n), np.float32)
    for name, x in parts.items():
        tonal += level(placed(rng, name, x, width), rng.uniform(*LOUDNESS[name]))
    if rng.random() < 0.25:
        tonal += level(placed(rng, "voice", voice(rng, n, song["beats"]), width), rng.uniform(-30, -18))
    if rng.random() < 0.15:
        tonal += level(rng.standard_normal((2, n)), rng.uniform(-50, -32))
    if rng.random() < 0.35:
        tonal = ducked(rng, tonal, [t for t, lane, *_ in truth if lane == 0])
    if untidy:
        tonal *= 10 ** (rng.uniform(-3, 6) / 20)
        if rng.random() < 0.3:
            tonal += level(placed(rng, "voice", rough.no_drums(rng, n, song["beats"]), width), rng.uniform(-38, -24))
        if rng.random() < 0.3:  # dull throughout, so that what can't be heard any more is no truth either
            dull = rough.low_pass(rng)
            drums, tonal = sosfilt(dull, drums), sosfilt(dull, tonal)
            buses = {bus: sosfilt(dull, y) for bus, y in buses.items()}
    x = drums + tonal
    truth = with_audibility(truth, buses, gain, x)
    if rng.random() < 0.6:
        x = lfilter([1, rng.uniform(-0.5, 0.5)], [1], x)
    if rng.random() < 0.12:
        x = sosfilt(butter(4, rng.uniform(6500, 16000) / 22050, output="sos"), x)
    if rng.random() < 0.1:
        x = sosfilt(butter(2, rng.uniform(40, 120) / 22050, "high", output="sos"), x)
    x = x / (np.abs(x).max() or 1)
    if rng.random() < 0.6:
        x = np.tanh(x * rng.uniform(1, 4))
    if untidy and rng.random() < 0.35:
        x = rough.coded(rng, x)
    return x.astype(np.float32), truth
