"""The network: a small convolutional front over mel bands, then dilated residual convolutions over time."""
import torch
from torch import nn

LANES = 8
OUT = LANES + 2                  # activity: eight drum lanes, beat, downbeat; then eight velocities
CHANNELS, DILATIONS = 56, (1, 2, 4, 8, 16, 32, 64, 128, 256)


class Residual(nn.Module):
    def __init__(self, dilation):
        super().__init__()
        self.conv = nn.Conv1d(CHANNELS, CHANNELS, 3, padding=dilation, dilation=dilation, bias=False); self.norm = nn.BatchNorm1d(CHANNELS); self.drop = nn.Dropout(.1)

    def forward(self, x): return x + self.drop(torch.relu(self.norm(self.conv(x))))


class Net(nn.Module):
    def __init__(self):
        super().__init__()
        front, last = [], 2
        for width in (12, 20, 28):
            front += [nn.Conv2d(last, width, 3, padding=1, bias=False), nn.BatchNorm2d(width), nn.ReLU(), nn.MaxPool2d((1, 3), ceil_mode=True)]; last = width
        self.front = nn.Sequential(*front)                              # bands 80 -> 27 -> 9 -> 3
        self.join = nn.Sequential(nn.Conv1d(last * 3, CHANNELS, 1, bias=False), nn.BatchNorm1d(CHANNELS), nn.ReLU())
        self.time = nn.Sequential(*[Residual(d) for d in DILATIONS])
        self.head = nn.Conv1d(CHANNELS, OUT + LANES, 1)

    def forward(self, x):            # x: (batch, frames, 80, 2) -> logits (batch, frames, 18)
        y = self.front(x.permute(0, 3, 1, 2)); b, c, t, f = y.shape
        y = self.join(y.permute(0, 1, 3, 2).reshape(b, c * f, t))       # channel-major, then band
        return self.head(self.time(y)).permute(0, 2, 1)
