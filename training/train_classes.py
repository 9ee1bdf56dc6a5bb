"""Trains the classifier of one-shots: train_classes.py RECORDINGS OUT. Ten classes, two hidden layers."""
import multiprocessing, sys
import mido, numpy as np, torch
from scipy.signal import fftconvolve
from torch import nn
import mix, one_shots, play, recordings, sound_features as sf, sounds
from export import write_tensors

CLASSES = ("kick", "snare", "clap", "closed hat", "open hat", "tom", "cymbal", "percussion", "bass", "tone")
OF_BUS = dict(
    kick="kick", snare="snare", clap="clap", hat_closed="closed hat", hat_open="open hat", tom="tom", cymbal="cymbal",
    perc="percussion",
)
HIDDEN = 192
WIDER = 60  # of each kind for every twenty kits


def drums(rng, families, count):
    out = []
    for _ in range(count):
        kit = mix.make_kit(rng, families)
        for art, layers in kit.items():
            x = layers[rng.integers(0, len(layers))][1]
            out.append((finished(rng, x), CLASSES.index(OF_BUS[sounds.ARTS[art][0]])))
    return out


def finished(rng, x):
    """As one-shots are delivered: at some level, after some silence, cut at some length, in a small room, with a noise floor."""
    x = np.asarray(x, np.float64)
    if rng.random() < 0.3:
        tail = rng.standard_normal(int(RATE * rng.uniform(0.05, 0.5)))
        tail *= np.exp(-np.arange(len(tail)) / len(tail) * 6)
        wet = fftconvolve(x, tail / np.sqrt((tail**2).sum()))[: len(x) + len(tail) // 2]
        x = np.pad(x, (0, len(wet) - len(x))) + wet * 10 ** (rng.uniform(-30, -12) / 20)
    if rng.random() < 0.3:
        m = int(RATE * rng.uniform(0.06, 0.8))
        x = x[:m] * np.minimum(1, (len(x[:m]) - np.arange(len(x[:m]))) / 300)
    x = np.pad(x, (int(rng.uniform(0, 0.01) * RATE), 0))
    x = x / (np.abs(x).max() + 1e-9)
    return sf.features(x + rng.standard_normal(len(x)) * 10 ** (rng.uniform(-90, -60) / 20))


RATE = sounds.RATE


def notes(job):
    """Notes of a sound font's programs, two seconds apart."""
    font, programs, seed = job
    rng = np.random.default_rng(seed)
    out = []
    for program in programs:
        bass = program in mix.BASSES
        midi = mido.MidiFile(ticks_per_beat=1000)
        track = mido.MidiTrack()
        midi.tracks.append(track)
        track.append(mido.MetaMessage("set_tempo", tempo=1000000))
        track.append(mido.Message("program_change", channel=0, program=program))
        lengths = []
        for _ in range(6):
            low = bass or rng.random() < 0.1
            pitches = [int(rng.integers(24, 46) if low else rng.integers(50, 88))]
            if not low and rng.random() < 0.35:
                pitches += [pitches[0] + 4 - int(rng.random() < 0.5), pitches[0] + 7]
            ms = int(rng.uniform(120, 1500))
            for k, p in enumerate(pitches):
                track.append(mido.Message("note_on", channel=0, note=p, velocity=int(rng.integers(60, 127)), time=0))
            for k, p in enumerate(pitches):
                track.append(mido.Message("note_off", channel=0, note=p, velocity=0, time=ms if k == 0 else 0))
            track.append(mido.Message("note_off", channel=0, note=1, velocity=0, time=2500 - ms))
            lengths.append("bass" if low else "tone")
        x = play.play(midi, font).mean(axis=1)
        for i, kind in enumerate(lengths):
            one = x[int(i * 2.5 * RATE) : int((i * 2.5 + 2.4) * RATE)]
            if len(one) > 2000 and np.abs(one).max() > 1e-3:
                out.append((finished(rng, one), CLASSES.index(kind)))
    return out


def made(job):
    """Basses and tones of the trainings' own synthesis."""
    import stems

    seed, count = job
    rng = np.random.default_rng(seed)
    out = []
    for _ in range(count):
        low = rng.random() < 0.5
        n = int(RATE * rng.uniform(0.15, 1.6))
        pitch = int(rng.integers(24, 46) if low else rng.integers(48, 88))
        note = [("x", 0.0, n / RATE, pitch, 1.0)]
        x = mix.own_bass(rng, note, n) if low and rng.random() < 0.6 else stems.synth(rng, note, n, 0)[0]
        if np.abs(x).max() > 1e-3:
            out.append((finished(rng, x), CLASSES.index("bass" if low else "tone")))
    return out


def wider(job):
    seed, count = job
    rng = np.random.default_rng(seed + 5000)
    return [
        (finished(rng, make(rng)), CLASSES.index(name)) for _ in range(count) for name, make in one_shots.MAKERS.items()
    ]


def drum_job(job):
    return drums(np.random.default_rng(job[0]), FAMILIES, job[1])


def data(held_out, seed, folder, scale, jobs=2):
    global FAMILIES
    fonts = sounds.fonts(held_out, folder)
    kits = [k for f, programs in fonts.items() for q in programs if (k := sounds.font_kit(f, q))]
    FAMILIES = [kits, recordings.kits(folder, held_out)]
    general = [f for f, kits in fonts.items() if len(kits) > 1]
    programs = [*range(0, 96), 104, 105, 107]
    with multiprocessing.Pool(jobs) as pool:
        rows = [r for part in pool.imap(drum_job, [(seed + i, 20) for i in range(scale)]) for r in part]
        rows += [r for part in pool.imap(wider, [(seed + i, WIDER) for i in range(scale)]) for r in part]
        jobs = [(f, programs[i::8], seed + i) for f in general for i in range(8)]
        rows += [r for part in pool.imap(notes, jobs) for r in part]
        rows += [r for part in pool.imap(made, [(seed + i, 60) for i in range(max(1, scale // 2))]) for r in part]
    return np.stack([r[0] for r in rows]), np.array([r[1] for r in rows])


class Classifier(nn.Module):
    def __init__(self):
        super().__init__()
        self.layers = nn.ModuleList(
            [nn.Linear(sf.SIZE, HIDDEN), nn.Linear(HIDDEN, HIDDEN), nn.Linear(HIDDEN, len(CLASSES))]
        )
        self.drop = nn.Dropout(0.3)

    def forward(self, x):
        for layer in self.layers[:-1]:
            x = self.drop(torch.relu(layer(x)))
        return self.layers[-1](x)


def main():
    folder, out = sys.argv[1:3]
    torch.manual_seed(1)
    torch.set_num_threads(1)
    x, y = data(False, 100, folder, 24)
    vx, vy = data(True, 900, folder, 4)
    print(len(x), "sounds,", len(vx), "held out", np.bincount(y), flush=True)
    weight = torch.from_numpy(1 / np.sqrt(np.bincount(y, minlength=len(CLASSES)))).float()
    rng = np.random.default_rng(2)
    net = Classifier()
    optimiser = torch.optim.AdamW(net.parameters(), 2e-3, weight_decay=3e-2)
    steps = 10000
    for step in range(steps):
        for group in optimiser.param_groups:
            group["lr"] = 2e-3 * (0.5 + 0.5 * np.cos(np.pi * step / steps)) + 1e-6
        pick = rng.integers(0, len(x), 128)
        b = x[pick] + rng.normal(0, 0.08, (128, sf.SIZE)).astype(np.float32)
        other = rng.permutation(128)
        share = np.float32(rng.beta(0.3, 0.3))
        target = torch.eye(len(CLASSES))[y[pick]]
        target = share * target + (1 - share) * target[other]
        b = torch.from_numpy(share * b + (1 - share) * b[other])
        loss = -(weight * target * torch.log_softmax(net(b), 1)).sum(1).mean() / weight.mean()
        optimiser.zero_grad()
        loss.backward()
        optimiser.step()
        if step % 1000 == 999:
            net.eval()
            with torch.no_grad():
                said = net(torch.from_numpy(vx)).argmax(1).numpy()
            net.train()
            recall = [np.mean(said[vy == c] == c) if np.any(vy == c) else np.nan for c in range(len(CLASSES))]
            print(step + 1, round(float(loss), 3), "held out", np.round(np.mean(said == vy), 3), np.round(recall, 2), flush=True)
    net.eval()
    write_tensors([t for layer in net.layers for t in (layer.weight.t(), layer.bias)], out)


if __name__ == "__main__":
    main()
