"""Writes values that Java must reproduce: reference.py FOLDER_OF_WEIGHTS OUT.csv (kind, frame, index, value)."""
import sys
import numpy as np, torch
import export, features, line_features as lf
from line_net import LineNet

n = np.arange(12 * 44100)
low, high, mid = (n % 22050) / 44100, ((n + 11025) % 22050) / 44100, (n % 33075) / 44100
x = (
    0.6 * np.exp(-low / 0.08) * np.sin(2 * np.pi * 60 * low)
    + 0.2 * np.exp(-high / 0.02) * np.sin(2 * np.pi * 7000 * high)
    + 0.3 * np.exp(-mid / 0.3) * np.sin(2 * np.pi * 440 * mid)
).astype(np.float32)


def run(net, weights, f):
    t = torch.from_numpy(f)[None]
    path = f"{sys.argv[1]}/{weights}"
    if net is None:
        net = export.net_of(path, t)
    else:
        export.read(net, path, t)
    net.eval()
    with torch.no_grad():
        return net(t)[0].numpy()


def sigmoid(x):
    return 1 / (1 + np.exp(-x))


mel, bass, riff = features.features(x), lf.features(x, lf.BASS), lf.features(x, lf.RIFF)
first, second = run(None, "activity-net-1.bin", mel), run(None, "activity-net-2.bin", mel)
second[:, 9] = first[:, 9]  # downbeats: the first alone
out = sigmoid((first + second) / 2)
notes, lead = (
    sigmoid(run(LineNet(x.shape[2]), file, x)) for file, x in (("bass-net.bin", bass), ("riff-net.bin", riff))
)
with open(sys.argv[2], "w") as file:
    for t in (0, 25, 50, 400, 603, 1199):
        for b in (0, 1, 7, 40, 79):
            file.write(f"mel,{t},{b},{mel[t, b, 0]:.6f}\n")
    for t in (0, 5, 50, 75, 400, 650, 1000, 1199):
        for o in range(18):
            file.write(f"net,{t},{o},{out[t, o]:.6f}\n")
    for t in (3, 25, 26, 75, 113, 200, 450):
        for p in (0, 10, 11, 17, 23, 36):
            file.write(
                f"bass,{t},{p},{notes[t, p, 0]:.6f}\nsounds,{t},{p},{notes[t, p, 1]:.6f}\nriff,{t},{p},{lead[t, p, 0]:.6f}\n"
            )
