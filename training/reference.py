"""Writes values that Java must reproduce: reference.py ACTIVITY.pt BASS.pt OUT.csv (kind, frame, index, value)."""
import sys
import numpy as np, torch
import features, line_features as lf
from line_net import LineNet
from net import Net

n = np.arange(12 * 44100); low, high = (n % 22050) / 44100, ((n + 11025) % 22050) / 44100
x = (.6 * np.exp(-low / .08) * np.sin(2 * np.pi * 60 * low) + .2 * np.exp(-high / .02) * np.sin(2 * np.pi * 7000 * high)).astype(np.float32)


def run(net, path, f):
    net.load_state_dict(torch.load(path)); net.eval()
    with torch.no_grad(): return torch.sigmoid(net(torch.from_numpy(f)[None]))[0].numpy()


mel, bass = features.features(x), bass_features.features(x)
out, notes = run(Net(), sys.argv[1], mel), run(BassNet(), sys.argv[2], bass)
with open(sys.argv[3], "w") as file:
    for t in (0, 25, 50, 400, 603, 1199):
        for b in (0, 1, 7, 40, 79): file.write(f"mel,{t},{b},{mel[t, b, 0]:.6f}\n")
    for t in (0, 5, 50, 75, 400, 650, 1000, 1199):
        for o in range(18): file.write(f"net,{t},{o},{out[t, o]:.6f}\n")
    for t in (3, 25, 26, 200, 450):
        for p in (0, 10, 11, 23, 36): file.write(f"bass,{t},{p},{notes[t, p, 0]:.6f}\nsounds,{t},{p},{notes[t, p, 1]:.6f}\n")
