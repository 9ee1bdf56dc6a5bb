"""Trains the network of drums and beats. Deterministic for one count of threads."""
import argparse, glob, math
import numpy as np, torch
from torch.nn import functional as F
import export, features, runs
from net import LANES, OUT, Net

CROP = 1000  # frames: 10 s
SIZE = 8  # crops in a batch
MASKED = -6  # dB below which a hit is not heard
WEIGHT = torch.tensor([1.2, 1.5, 1.8, 1.2, 1.6, 2, 1.6, 1.5, 1.2, 1.5])


def targets(song, frames):
    """Gaussian bumps (sigma 0.85 frame) at exact times, the peak at 1; velocities beside them; how much each frame counts: not
    at all around hits that cannot be heard, lest the network learns to imagine them."""
    y = np.zeros((frames, OUT), np.float32)
    v = np.zeros((frames, LANES), np.float32)
    counts = np.ones((frames, OUT), np.float32)
    drums = song["drums"]
    beats, downs = song["beats"], song["downs"]
    for t, lane, _, audible in drums:
        if audible < MASKED:
            counts[max(0, int(t * 100) - 3) : int(t * 100) + 5, int(lane)] = 0
    for t, lane, vel in [
        *drums[:, :3],
        *[(t, LANES, 1) for t in beats],
        *[(t, LANES + 1, 1) for t in beats[downs]],
    ]:
        c = t * 100
        lane = int(lane)
        sigma = 0.85 if lane < LANES else 1.3
        for n in range(max(0, int(c) - 3), min(frames, int(c) + 5)):
            g = math.exp(-0.5 * ((n - c) / sigma) ** 2)
            if g > y[n, lane]:
                y[n, lane] = g
                if lane < LANES:
                    v[n, lane] = vel
    return y, v, counts


def recentre(x):
    level = x[:, :, 0].mean(axis=1) * features.SCALE
    audible = level > level.max() - features.AUDIBLE
    return x - x[audible].mean(axis=0)


def load(folder):
    songs = []
    for path in sorted(glob.glob(folder + "/*.npz")):
        s = dict(np.load(path))
        x = recentre(s.pop("x").astype(np.float32))
        songs.append((x.astype(np.float16), *[a.astype(np.float16) for a in targets(s, len(x))], s))
    return songs


def batch(rng, songs, size):
    xs, ys, vs, cs = [], [], [], []
    for _ in range(size):
        x, y, v, c, _s = songs[rng.integers(0, len(songs))]
        at = rng.integers(0, max(1, len(x) - CROP))
        cut = slice(at, at + CROP)
        x, y, v, c = (a[cut].astype(np.float32) for a in (x, y, v, c))
        if len(x) < CROP:
            x, y, v, c = (np.pad(a, [(0, CROP - len(a))] + [(0, 0)] * (a.ndim - 1)) for a in (x, y, v, c))
        x = (
            x
            + rng.normal(0, 0.15, (1, 80, 1)).cumsum(axis=1).astype(np.float32) * 0.2
            + np.float32(rng.normal(0, 0.15))
        )  # colour and level
        if rng.random() < 0.4:
            k = rng.integers(-3, 4)
            x = np.roll(x, k, axis=1)
            x[:, : max(k, 0)] = x[:, max(k, 0) : max(k, 0) + 1]
            x[:, 80 + min(k, 0) :] = x[:, 79 + min(k, 0) : 80 + min(k, 0)]  # tuned otherwise
        if rng.random() < 0.2:
            x = np.maximum(x, np.float32(rng.uniform(-2.5, -0.8)))  # a noise floor
        if rng.random() < 0.2:
            b = rng.integers(0, 70)
            x[:, b : b + rng.integers(2, 10)] = x[:, b : b + 1]  # a masked band
        xs.append(x)
        ys.append(y)
        vs.append(v)
        cs.append(c)
    return (torch.from_numpy(np.stack(a)) for a in (xs, ys, vs, cs))


def loss_of(out, y, v, counts):
    act = F.binary_cross_entropy_with_logits(out[..., :OUT], y, weight=(1 + (WEIGHT - 1) * y + 1.0 * y) * counts)
    y = (y * counts)[..., :LANES]
    heard = torch.sigmoid(out[..., OUT:])
    return act + 0.15 * (y * (heard - v) ** 2).sum() / (y.sum() + 1) + 0.1 * unlike(y * (y > 0.6), heard, v)


def unlike(w, a, b):
    """One less the correlation of two loudnesses over a crop's hits of one lane, weighed by w; mean over those with enough uneven hits."""
    n = w.sum(dim=1, keepdim=True) + 1e-3
    a, b = (x - (w * x).sum(dim=1, keepdim=True) / n for x in (a, b))
    cross, aa, bb = ((w * x).sum(dim=1) / n[:, 0] for x in (a * b, a * a, b * b))
    counts = (n[:, 0] > 6) & (bb > 0.012**2)
    return ((1 - cross / torch.sqrt((aa + 1e-4) * bb + 1e-9)) * counts).sum() / (counts.sum() + 1)


def peaks(a, threshold):
    m = (a[1:-1] >= threshold) & (a[1:-1] >= a[:-2]) & (a[1:-1] > a[2:])
    return (np.flatnonzero(m) + 1) / 100


def f_score(ref, est, window):
    used, tp = set(), 0
    for r in ref:
        near = [j for j in np.flatnonzero(np.abs(est - r) <= window) if j not in used] if len(est) else []
        if near:
            used.add(min(near, key=lambda j: abs(est[j] - r)))
            tp += 1
    return 2 * tp / (len(ref) + len(est)) if len(ref) + len(est) else None


def report(net, songs):
    net.eval()
    rows = []
    with torch.no_grad():
        for x, *_, s in songs:
            a = torch.sigmoid(net(torch.from_numpy(x.astype(np.float32))[None]))[0].numpy()
            row = []
            for lane in range(OUT):
                ref = (
                    s["drums"][(s["drums"][:, 1] == lane) & (s["drums"][:, 3] >= MASKED), 0]
                    if lane < LANES
                    else s["beats"]
                    if lane == LANES
                    else s["beats"][s["downs"]]
                )
                ref = ref[np.concatenate([[True], np.diff(ref) > 0.015])] if len(ref) else ref
                row.append(f_score(ref, peaks(a[:, lane], 0.4), 0.05 if lane < LANES else 0.07) if len(ref) else np.nan)
            rows.append(row)
    net.train()
    return np.nanmean(np.array(rows, float), axis=0)


def rate_at(step, steps, rate):
    """Learning rate of a step: it rises for a hundred steps, then falls along half a cosine."""
    return rate * min(1, (step + 1) / 100) * (0.5 + 0.5 * math.cos(math.pi * step / steps)) + 1e-5


def learn(net, optimiser, steps, rate, loss_of_step, every, tell):
    """Runs so many steps; `tell` is called with the step and the mean loss after every `every` of them."""
    mean = 0
    for step in range(steps):
        for group in optimiser.param_groups:
            group["lr"] = rate_at(step, steps, rate)
        loss = loss_of_step()
        optimiser.zero_grad()
        loss.backward()
        torch.nn.utils.clip_grad_norm_(net.parameters(), 1.0)
        optimiser.step()
        mean += 0.02 * (loss.item() - mean)
        if step % every == every - 1:
            tell(step + 1, mean)


def arguments(parser, steps, rate):
    """What both trainings take: steps are counted, so that a run is the same on a fast and a slow machine."""
    parser.add_argument("data")
    parser.add_argument("held_out")
    parser.add_argument("out")
    parser.add_argument("--steps", type=int, default=steps)
    parser.add_argument("--threads", type=int, default=2)
    parser.add_argument("--start", help="weights to train on from")
    parser.add_argument("--rate", type=float, default=rate)
    return parser.parse_args()


def main():
    a = arguments(argparse.ArgumentParser(description=__doc__), 12000, 3e-3)
    torch.set_num_threads(a.threads)
    torch.manual_seed(1)
    rng = np.random.default_rng(1)
    songs, held = load(a.data), load(a.held_out)
    net = export.net_of(a.start, next(batch(rng, songs, 24))) if a.start else Net()
    net.front.to(memory_format=torch.channels_last)
    optimiser = torch.optim.AdamW(net.parameters(), a.rate, weight_decay=1e-2)
    print(len(songs), "songs,", a.steps, "steps,", sum(q.numel() for q in net.parameters()), "parameters", flush=True)

    def one():
        x, *truth = batch(rng, songs, SIZE)
        with torch.autocast("cpu", dtype=torch.bfloat16):  # half the time; the loss stays in full precision
            out = net(x)
        return loss_of(out.float(), *truth)

    def tell(step, loss):
        print(step, f"loss {loss:.4f}", np.round(report(net, held[:8]), 2), flush=True)

    learn(net, optimiser, a.steps, a.rate, one, 200, tell)
    net.eval()
    score = np.round(report(net, held), 3)
    export.write(net, a.out)
    runs.note(a, len(songs), score)


if __name__ == "__main__":
    main()
