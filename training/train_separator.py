"""Trains the separator on groups of sound that are mixed anew for every crop: train_separator.py DATA HELD_OUT OUT."""
import argparse, glob, multiprocessing, os
import numpy as np, torch
import separator_features as sf, train
from export import fold, write_tensors
from separator_net import MaskNet
from stems import GROUPS

SECONDS, SIZE = 3, 8
RATE = 44100


def crop(rng, songs):
    """(groups, 2, samples): the same moment of one song; now and then a group comes from another one."""
    n = SECONDS * RATE
    song = songs[rng.integers(0, len(songs))]
    at = rng.integers(0, song.shape[2] - n)
    out = np.empty((len(GROUPS), 2, n), np.float32)
    strangers = rng.random() < 0.5
    for g in range(len(GROUPS)):
        source, start = song, at
        if strangers and rng.random() < 0.4:
            source = songs[rng.integers(0, len(songs))]
            start = rng.integers(0, source.shape[2] - n)
        out[g] = source[g, :, start : start + n] / np.float32(16384)
    return out


def example(rng, songs):
    """(inputs, power of the mix, its share in each group, power of each group), the last three per frame and band of middle and side."""
    x = sf.middle_side(crop(rng, songs))
    gains = 10 ** (rng.normal(0, 4.5, len(GROUPS)) / 20) * (rng.random(len(GROUPS)) > 0.08)
    x *= gains[:, None, None].astype(np.float32)
    x[:, 1] *= (rng.uniform(0.2, 1.4, len(GROUPS)) * (rng.random() > 0.08))[:, None].astype(np.float32)
    mix = x.sum(axis=0)
    if rng.random() < 0.6:  # driven as a master is, left and right alike
        k = rng.uniform(0.5, 3) / (np.abs(mix).max() + 1e-6)
        left, right = np.tanh(k * (mix[0] + mix[1])) / k, np.tanh(k * (mix[0] - mix[1])) / k
        mix = np.stack([left + right, left - right]) / 2
    rms = np.sqrt(np.mean(mix[0] ** 2) + np.mean(mix[1] ** 2)) + 1e-5
    gain = 10 ** (rng.normal(0, 2.5) / 20) * sf.RMS / rms  # a crop is louder or softer than its song
    whole = sf.spectra(mix) * gain
    frames = whole.shape[1]
    cross = np.zeros((frames, len(GROUPS), 2 * sf.BANDS), np.float32)
    own = np.zeros_like(cross)
    for g in range(len(GROUPS)):
        if np.abs(x[g]).max() > 1e-5:
            s = sf.spectra(x[g]) * gain
            cross[:, g] = np.concatenate(list(sf.bands((s * whole.conj()).real)), axis=-1)
            own[:, g] = np.concatenate(list(sf.bands(np.abs(s) ** 2)), axis=-1)
    power = np.concatenate(list(sf.bands(np.abs(whole) ** 2)), axis=-1)
    inputs = sf.inputs(whole, 1)
    if rng.random() < 0.3:  # dull, or with a noise floor
        inputs += (rng.normal(0, 0.1, (1, 2 * sf.BANDS)).cumsum(axis=1) * 0.15).astype(np.float32)
        inputs = np.maximum(inputs, np.float32(rng.uniform(-2.76, -2)))
    return inputs, power.astype(np.float32), cross, own


def batches(seed, folder, queue):
    rng = np.random.default_rng(seed)
    while True:
        songs = opened(folder)
        for _ in range(200):
            queue.put([np.stack(a) for a in zip(*[example(rng, songs) for _ in range(SIZE)])])


def opened(folder):
    songs = [np.load(p, mmap_mode="r") for p in sorted(glob.glob(folder + "/*.npy")) if os.path.getsize(p) > 1e6]
    return [s for s in songs if s.shape[2] > (SECONDS + 1) * RATE]


TILT = torch.from_numpy(
    np.tile(np.minimum(40, ((sf.EDGES[:-1] + sf.COUNT / 2) * RATE / sf.WINDOW / 250) ** 1.2), 2).astype(np.float32)
)


def errors(out, power, cross, own, weight):
    """(energy of the error, energy of the truth) of every crop and group."""
    share = torch.softmax(out, dim=2)
    wrong = (share**2 * power[:, :, None] - 2 * share * cross + own) * weight
    return wrong.sum(dim=(1, 3)), (own * weight).sum(dim=(1, 3))


def loss_of(out, power, cross, own):
    loss = 0
    for weight, part in ((torch.ones_like(TILT), 0.6), (TILT, 0.4)):
        wrong, right = errors(out, power, cross, own, weight)
        all_ = (power * weight).sum(dim=(1, 2))[:, None]
        there = right > 1e-4 * all_
        heard = torch.log10(wrong / (right + 1e-9) + 0.02)
        absent = 3 * torch.sqrt(wrong / (all_ + 1e-9) + 1e-5)
        loss = loss + part * torch.where(there, heard, absent).mean()
    return loss


def report(net, held):
    """Mean signal-to-error ratio in dB of every group where it plays, and of drums together, bass, all else."""
    net.eval()
    sets = [[0, 1, 2, 3], [4], [5, 6, 7, 8]]
    rows = []
    with torch.no_grad():
        for x, *truth in held:
            power, cross, own = (torch.from_numpy(a) for a in truth)
            wrong, right = errors(net(torch.from_numpy(x)), power, cross, own, torch.ones_like(TILT))
            db = 10 * torch.log10((right + 1e-9) / (wrong + 1e-9))
            db[right < 1e-4 * power.sum(dim=(1, 2))[:, None]] = np.nan
            rows.append(db.numpy())
    net.train()
    return np.nanmean(np.concatenate(rows), axis=0), sets


def tensors(net):
    scale = net.norm.weight / torch.sqrt(net.norm.running_var + net.norm.eps)
    shift = net.norm.bias - net.norm.running_mean * scale
    k, b = fold(net.join[0].weight, net.join[1])
    k = k[:, :, 0]
    yield (k * scale).t()
    yield b + k @ shift
    for r in net.time:
        k, b = fold(r.conv.weight, r.norm)
        yield k.permute(2, 1, 0)
        yield b
    yield net.head.weight[:, :, 0].t()
    yield net.head.bias


def main():
    parser = argparse.ArgumentParser(description=__doc__)
    parser.add_argument("--go-on", metavar="PT", help="weights to begin with, as an earlier run left them beside its OUT")
    a = train.arguments(parser, 9000, 2e-3)
    torch.set_num_threads(a.threads)
    torch.manual_seed(1)
    queue = multiprocessing.Queue(6)
    multiprocessing.Process(target=batches, args=(7, a.data, queue), daemon=True).start()
    rng = np.random.default_rng(3)
    songs = opened(a.held_out)
    held = [[np.stack(q) for q in zip(*[example(rng, songs) for _ in range(SIZE)])] for _ in range(6)]
    net = MaskNet()
    if a.go_on:
        net.load_state_dict(torch.load(a.go_on))
    optimiser = torch.optim.AdamW(net.parameters(), a.rate, weight_decay=1e-2)
    print(a.steps, "steps,", sum(q.numel() for q in net.parameters()), "parameters", flush=True)

    ring = [queue.get() for _ in range(6)]

    def one():  # mixing takes longer than learning, so each batch is seen a few times
        if not queue.empty():
            ring.append(queue.get())
            if len(ring) > 300:
                ring.pop(0)
        x, *truth = (torch.from_numpy(q) for q in ring[rng.integers(0, len(ring))])
        return loss_of(net(x), *truth)

    def tell(step, loss):
        print(step, f"loss {loss:.4f}", dict(zip(GROUPS, np.round(report(net, held)[0], 1))), flush=True)
        torch.save(net.state_dict(), a.out + ".pt")
        net.eval()
        write_tensors(tensors(net), a.out)
        net.train()

    train.learn(net, optimiser, a.steps, a.rate, one, 250, tell)


if __name__ == "__main__":
    main()
