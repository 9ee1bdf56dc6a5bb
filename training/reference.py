"""Writes values that Java must reproduce: reference.py MODEL.pt OUT.csv (kind, frame, index, value)."""
import sys
import numpy as np, torch
import features
from net import Net

n = np.arange(12 * 44100); low, high = (n % 22050) / 44100, ((n + 11025) % 22050) / 44100
x = .6 * np.exp(-low / .08) * np.sin(2 * np.pi * 60 * low) + .2 * np.exp(-high / .02) * np.sin(2 * np.pi * 7000 * high)
f = features.features(x.astype(np.float32)); net = Net(); net.load_state_dict(torch.load(sys.argv[1])); net.eval()
with torch.no_grad(): out = torch.sigmoid(net(torch.from_numpy(f)[None]))[0].numpy()
with open(sys.argv[2], "w") as file:
    for t in (0, 25, 50, 400, 603, 1199):
        for b in (0, 1, 7, 40, 79): file.write(f"mel,{t},{b},{f[t, b, 0]:.6f}\n")
    for t in (0, 5, 50, 75, 400, 650, 1000, 1199):
        for o in range(18): file.write(f"net,{t},{o},{out[t, o]:.6f}\n")
