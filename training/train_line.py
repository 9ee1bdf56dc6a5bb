"""Trains the network of one line, bass or lead. Deterministic for one count of threads."""
import argparse, glob, math
import numpy as np, torch
from torch.nn import functional as F
import export, line_features as lf, runs, train
from line_net import LineNet

CROP, FPS = 400, lf.FPS


def targets(notes, frames, low):
    y = np.zeros((frames, lf.PITCHES, 2), np.float32)
    for a, b, pitch, _v in notes:
        p = int(pitch) - low
        if not 0 <= p < lf.PITCHES:
            continue
        y[max(0, int(round(a * FPS))) : max(1, int(round(b * FPS))), p, 1] = 1
        c = a * FPS
        for n in range(max(0, int(c) - 3), min(frames, int(c) + 5)):
            y[n, p, 0] = max(y[n, p, 0], math.exp(-0.5 * ((n - c) / 0.9) ** 2))
    return y


def load(folder, register):
    """Songs with the line; every fifth of those without it too, so that silence is learnt."""
    songs = []
    for i, f in enumerate(sorted(glob.glob(folder + "/*.npz"))):
        s = np.load(f)
        notes = s[register.name]
        if len(notes) or i % 5 == 0:
            x = s[register.name[0]]
            songs.append((x, targets(notes, len(x), register.low).astype(np.float16), notes))
    return songs


def batch(rng, songs, size):
    xs, ys = [], []
    busy = np.cumsum([len(n) + 25.0 for _x, _y, n in songs])
    busy /= busy[-1]  # busy lines oftener: every note counts alike
    for _ in range(size):
        x, y, _n = songs[int(np.searchsorted(busy, rng.random()))]
        at = rng.integers(0, max(1, len(x) - CROP))
        x, y = x[at : at + CROP].astype(np.float32), y[at : at + CROP].astype(np.float32)
        if len(x) < CROP:
            x, y = np.pad(x, ((0, CROP - len(x)), (0, 0), (0, 0))), np.pad(y, ((0, CROP - len(y)), (0, 0), (0, 0)))
        xs.append(
            x
            + np.float32(rng.normal(0, 0.2))
            + rng.normal(0, 0.12, (1, lf.PITCHES, 1)).cumsum(axis=1).astype(np.float32) * 0.3
        )
        ys.append(y)
    return torch.from_numpy(np.stack(xs)), torch.from_numpy(np.stack(ys))


def score(net, songs, low):
    tp = n = m = 0
    net.eval()
    with torch.no_grad():
        for x, _y, notes in songs:
            o = torch.sigmoid(net(torch.from_numpy(x.astype(np.float32))[None]))[0, :, :, 0].numpy()
            peaks = (o[1:-1] > 0.4) & (o[1:-1] >= o[:-2]) & (o[1:-1] > o[2:])
            t, p = np.nonzero(peaks)
            est = [((a + 1) / FPS, b + low) for a, b in zip(t, p)]
            used = set()
            for a, _b, pitch, _v in notes:
                j = next(
                    (j for j, (s, q) in enumerate(est) if j not in used and q == int(pitch) and abs(s - a) < 0.05),
                    None,
                )
                if j is not None:
                    used.add(j)
                    tp += 1
            n += len(notes)
            m += len(est)
    net.train()
    return 2 * tp / max(1, n + m)


def main():
    parser = argparse.ArgumentParser(description=__doc__)
    parser.add_argument("line", choices=["bass", "lead"])
    a = train.arguments(parser, 6000, 4e-3)
    torch.set_num_threads(a.threads)
    torch.manual_seed(2)
    rng = np.random.default_rng(2)
    register = lf.BASS if a.line == "bass" else lf.RIFF
    songs, held = load(a.data, register), load(a.held_out, register)
    net = LineNet(lf.channels(register))
    if a.start:
        export.read(net, a.start, batch(rng, songs, 24)[0])
    net.to(memory_format=torch.channels_last)
    optimiser = torch.optim.AdamW(net.parameters(), a.rate, weight_decay=1e-2)
    print(len(songs), "songs,", a.steps, "steps,", sum(q.numel() for q in net.parameters()), "parameters", flush=True)

    def one():
        x, y = batch(rng, songs, train.SIZE)
        return F.binary_cross_entropy_with_logits(net(x), y, weight=1 + 2 * y)

    def tell(step, loss):
        print(step, f"loss {loss:.4f}", "held out F", round(score(net, held, register.low), 3), flush=True)

    train.learn(net, optimiser, a.steps, a.rate, one, 200, tell)
    net.eval()
    export.write_tensors(export.line_tensors(net), a.out)
    runs.note(a, len(songs), round(score(net, held, register.low), 3))


if __name__ == "__main__":
    main()
