"""A wider network with lanes split, that does what a narrower one does: grow.py OLD.bin DATA OUT.pt. New channels reach no output yet;
a new lane starts as the one it was heard as. (Chen and others, "Net2Net", ICLR 2016.)"""
import sys
import numpy as np, torch
import export, train
from net import LANES, Net

PARENT = {8: 6, 9: 7}                                   # ride as crash, shaker as percussion


def main():
    songs = train.load(sys.argv[2])[:60]; x = next(train.batch(np.random.default_rng(1), songs, 24))
    old, new = Net(int(sys.argv[4]) if len(sys.argv) > 4 else 56, 8), Net(); export.read(old, sys.argv[1], x); new.front.load_state_dict(old.front.state_dict())
    lanes = [*range(8), *[PARENT[l] for l in range(8, LANES)]]; rows = [*lanes, 8, 9, *[10 + l for l in lanes]]; k = old.head.in_channels
    with torch.no_grad():
        for a, b in [(old.join[0], new.join[0]), *[(o.conv, n.conv) for o, n in zip(old.time, new.time)]]:
            inner = a.weight.shape[1]; b.weight[:k] = 0; b.weight[:k, :inner] = a.weight
        for a, b in [(old.join[1], new.join[1]), *[(o.norm, n.norm) for o, n in zip(old.time, new.time)]]:
            b.running_mean[:k] = a.running_mean; b.running_var[:k] = a.running_var; b.weight[:k] = a.weight; b.bias[:k] = a.bias; b.weight[k:] = .3
        new.head.weight[:] = 0; new.head.weight[:, :k] = old.head.weight[rows]; new.head.bias[:] = old.head.bias[rows]
        old.eval(); new.eval(); y = new(x)[..., :8] - old(x)[..., :8]; print("differs by", float(y.abs().max()))
    torch.save(new.state_dict(), sys.argv[3])


if __name__ == "__main__": main()
