"""One-shot drums for training: our own synthesis with random parameters, and the kits of General MIDI
sound fonts from Debian, each recorded note by note with fluidsynth and cut to its attack."""
import glob, os
import mido, numpy as np
from scipy.signal import butter, lfilter, sosfilt
import play

RATE = play.RATE
LANES = ("kick", "snare", "clap", "hat_closed", "hat_open", "tom", "cymbal", "perc")
# Articulation -> (lane, General MIDI notes)
ARTS = {
    "kick": ("kick", (35, 36)),
    "snare": ("snare", (38, 40)),
    "rim": ("snare", (37,)),
    "clap": ("clap", (39,)),
    "hat_closed": ("hat_closed", (42,)),
    "hat_pedal": ("hat_closed", (44,)),
    "hat_open": ("hat_open", (46,)),
    "tom_lo": ("tom", (41, 43)),
    "tom_mid": ("tom", (45, 47)),
    "tom_hi": ("tom", (48, 50)),
    "ride": ("cymbal", (51, 59)),
    "bell": ("cymbal", (53,)),
    "crash": ("cymbal", (49, 57)),
    "tamb": ("perc", (54,)),
    "cowbell": ("perc", (56,)),
    "conga_hi": ("perc", (62, 63)),
    "conga_lo": ("perc", (64,)),
    "bongo": ("perc", (60, 61)),
    "shaker": ("perc", (69, 70)),
    "clave": ("perc", (75, 76)),
    "timbale": ("perc", (65,)),
}
GM_KITS = (0, 8, 16, 24, 25, 32, 40)  # programs of the percussion bank that most fonts fill
PATTERN = "/usr/share/sounds/sf[23]/*.sf[23]"
HELD_OUT = ("TimGM",)  # never trained on: for validation alone
TOO_PLAIN = ("OPL", "sf_GMbank", "basic")  # chip sounds; banks whose kits differ from the standard


def fonts(held_out=False, folder=None):
    """{sound font: kit programs} among the installed ones and those below a folder."""
    found = {}
    for path in sorted(glob.glob(PATTERN)) + (
        sorted(glob.glob(folder + "/**/*.sf2", recursive=True)) if folder else []
    ):
        name = os.path.basename(path)
        if name.startswith(TOO_PLAIN) or os.path.islink(path):
            continue
        if name.startswith(HELD_OUT) == held_out:
            found[path] = (0,) if "_LV2" in name else GM_KITS
    return found


def envelope(n, attack, decay):
    t = np.arange(n) / RATE
    return np.minimum(1, t / max(attack, 1e-5)) * np.exp(-t / decay)


def band(x, low, high, order=2):
    return sosfilt(butter(order, [low / (RATE / 2), min(high, 21000) / (RATE / 2)], "band", output="sos"), x)


def metal(rng, n, base, partials=6):
    t = np.arange(n) / RATE
    ratios = np.sort(rng.uniform(1, 3.2, partials))
    return sum(np.sign(np.sin(2 * np.pi * base * r * t + rng.uniform(0, 6))) for r in ratios) / partials


def drum(rng, art):
    """One synthesised one-shot as a float array, attack at sample 0."""
    u = rng.uniform
    if art == "kick":
        n = int(RATE * u(0.15, 0.8))
        t = np.arange(n) / RATE
        f0 = u(38, 65)
        f = f0 + u(60, 350) * np.exp(-t / u(0.006, 0.05)) + u(0, 60) * np.exp(-t / 0.1)
        x = np.sin(2 * np.pi * np.cumsum(f) / RATE + u(0, 0.5)) * envelope(n, 0.0008, u(0.06, 0.3))
        click = band(rng.standard_normal(n), u(800, 2500), u(4000, 9000)) * envelope(n, 0.0002, u(0.002, 0.008))
        x = x + u(0, 0.6) * click
        return np.tanh(x * u(0.8, 4))
    if art in ("snare", "rim"):
        n = int(RATE * (u(0.12, 0.45) if art == "snare" else u(0.04, 0.12)))
        t = np.arange(n) / RATE
        f = u(150, 260) * (1 + u(0, 0.8) * np.exp(-t / 0.01))
        if art == "rim":
            f = f * u(2, 5)
        body = (
            np.sin(2 * np.pi * np.cumsum(f) / RATE) + 0.5 * np.sin(2 * np.pi * 1.6 * np.cumsum(f) / RATE)
        ) * envelope(n, 0.0005, u(0.03, 0.12))
        noise = band(rng.standard_normal(n), u(300, 2500), u(6000, 16000)) * envelope(n, 0.0005, u(0.04, 0.2))
        mix = u(0.1, 0.9) if art == "snare" else u(0, 0.2)
        return np.tanh((body * (1 - mix) + 1.6 * noise * mix) * u(0.8, 3))
    if art == "clap":
        n = int(RATE * u(0.15, 0.4))
        noise = band(rng.standard_normal(n), u(500, 1100), u(2500, 9000))
        e = np.zeros(n)
        gap = u(0.006, 0.014)
        k = rng.integers(1, 5)
        for i in range(k):
            s = int(i * gap * RATE)
            e[s:] = np.maximum(e[s:], envelope(n - s, 0.0005, 0.006 if i < k - 1 else u(0.04, 0.16)))
        return np.tanh(noise * e * u(1.5, 4))
    if art in ("hat_closed", "hat_pedal", "hat_open"):
        d = u(0.012, 0.06) if art != "hat_open" else u(0.12, 0.5)
        n = int(RATE * min(0.8, d * 6))
        x = u(0.2, 1) * rng.standard_normal(n) + u(0, 1.5) * metal(rng, n, u(300, 900))
        low = u(4000, 8500)
        return band(x, low, 20000, 3) * envelope(n, u(0.0003, 0.002), d)
    if art in ("ride", "bell", "crash"):
        d = u(0.4, 1.2) if art == "crash" else u(0.25, 0.8)
        n = int(RATE * min(2.5, d * 4))
        x = u(0.3, 1) * rng.standard_normal(n) * (1 if art == "crash" else 0.4) + u(0.4, 1.4) * metal(
            rng, n, u(280, 700), 10
        )
        x = band(x, u(1800, 4500) if art == "crash" else u(2500, 6000), 19000) * envelope(
            n, 0.002 if art == "crash" else 0.0005, d
        )
        if art != "crash":
            t = np.arange(n) / RATE
            x = x + u(0.1, 0.6) * np.sin(2 * np.pi * u(2500, 5500) * t) * envelope(n, 0.0005, u(0.05, 0.4))
        return x
    if art.startswith("tom"):
        n = int(RATE * u(0.25, 0.7))
        t = np.arange(n) / RATE
        f0 = dict(tom_lo=u(65, 100), tom_mid=u(95, 140), tom_hi=u(130, 210))[art]
        f = f0 * (1 + u(0.1, 0.8) * np.exp(-t / u(0.02, 0.08)))
        return np.tanh(
            (
                np.sin(2 * np.pi * np.cumsum(f) / RATE) * envelope(n, 0.001, u(0.1, 0.25))
                + u(0, 0.25) * band(rng.standard_normal(n), 500, 6000) * envelope(n, 0.0005, 0.02)
            )
            * u(0.8, 2)
        )
    n = int(RATE * 0.5)
    t = np.arange(n) / RATE
    if art in ("shaker", "tamb"):
        d = u(0.02, 0.07)
        x = band(rng.standard_normal(n), u(3500, 7000), u(10000, 18000)) * envelope(
            n, u(0.002, 0.02) if art == "shaker" else 0.001, d
        )
        if art == "tamb":
            x = x + u(0.3, 1) * band(metal(rng, n, u(1500, 3000)), 5000, 18000) * envelope(n, 0.0005, u(0.05, 0.15))
        return x
    if art == "cowbell":
        f = u(480, 640)
        return np.tanh(
            (np.sign(np.sin(2 * np.pi * f * t)) + np.sign(np.sin(2 * np.pi * f * 1.48 * t)))
            * 0.5
            * envelope(n, 0.0005, u(0.04, 0.2))
        )
    f = dict(
        conga_hi=u(280, 420),
        conga_lo=u(170, 260),
        bongo=u(350, 600),
        clave=u(1500, 2700),
        timbale=u(400, 800),
    )[art]
    f = f * (1 + u(0, 0.25) * np.exp(-t / 0.01))
    return np.sin(2 * np.pi * np.cumsum(f) / RATE) * envelope(
        n, 0.0005, u(0.02, 0.05) if art == "clave" else u(0.04, 0.18)
    ) + u(0, 0.3) * band(rng.standard_normal(n), 800, 8000) * envelope(n, 0.0003, 0.006)


def attack(x):
    """Index of the attack: where the short-time peak first passes a twelfth of the whole peak."""
    loud = np.abs(x) > np.abs(x).max() / 12
    return max(0, int(np.argmax(loud)) - 8)


def font_kit(font, program):
    """{articulation: [(velocity, samples)]} recorded from one kit of a sound font."""
    midi = mido.MidiFile(ticks_per_beat=1000)
    track = mido.MidiTrack()
    midi.tracks.append(track)
    track.append(mido.MetaMessage("set_tempo", tempo=1000000))
    track.append(mido.Message("program_change", channel=9, program=program))
    slots, wait = [], 500
    for art, (_, notes) in ARTS.items():
        for note in notes:
            for velocity in (40, 80, 120):
                track.append(mido.Message("note_on", channel=9, note=note, velocity=velocity, time=wait))
                track.append(mido.Message("note_off", channel=9, note=note, velocity=0, time=900))
                wait = 1100
                slots.append((art, note, velocity))
    audio = play.play(midi, font).astype(float).mean(axis=1)
    kit = {}
    for i, (art, note, velocity) in enumerate(slots):
        x = audio[int(RATE * (0.45 + 2 * i)) : int(RATE * (0.45 + 2 * i + 1.9))]
        if len(x) == 0 or np.abs(x).max() < 1e-3:
            continue
        x = x[attack(x) :]
        x = x * np.minimum(1, (len(x) - np.arange(len(x))) / 4000)
        kit.setdefault((art, note), []).append((velocity, x.astype(np.float32)))
    return kit
