"""The network: a small convolutional front over mel bands, then dilated residual convolutions over time."""
import torch
from torch import nn

LANES = 8
OUT = LANES + 2  # activity: eight drum lanes, beat, downbeat; then eight velocities
CHANNELS, DILATIONS = 72, (1, 2, 4, 8, 16, 32, 64, 128, 256)


class Residual(nn.Module):
    def __init__(self, dilation, channels):
        super().__init__()
        self.conv = nn.Conv1d(channels, channels, 3, padding=dilation, dilation=dilation, bias=False)
        self.norm = nn.BatchNorm1d(channels)
        self.drop = nn.Dropout(0.1)

    def forward(self, x):
        return x + self.drop(torch.relu(self.norm(self.conv(x))))


class Net(nn.Module):
    """`bands` are left before the joining layer: 9, or 3 with one more pooling."""

    def __init__(self, channels=CHANNELS, bands=9):
        super().__init__()
        front, last = [], 2
        for width in (12, 20, 28):
            front += [
                nn.Conv2d(last, width, 3, padding=1, bias=False),
                nn.BatchNorm2d(width),
                nn.ReLU(),
                nn.MaxPool2d((1, 3), ceil_mode=True),
            ]
            last = width
        self.front = nn.Sequential(*(front[:-1] if bands == 9 else front))  # bands 80 -> 27 -> 9 (-> 3)
        self.join = nn.Sequential(nn.Conv1d(last * bands, channels, 1, bias=False), nn.BatchNorm1d(channels), nn.ReLU())
        self.time = nn.Sequential(*[Residual(d, channels) for d in DILATIONS])
        self.head = nn.Conv1d(channels, OUT + LANES, 1)

    def forward(self, x):  # x: (batch, frames, 80, 2) -> logits (batch, frames, 18)
        y = self.front(x.permute(0, 3, 1, 2))
        b, c, t, f = y.shape
        y = self.join(y.permute(0, 1, 3, 2).reshape(b, c * f, t))  # channel-major, then band
        return self.head(self.time(y)).permute(0, 2, 1)
