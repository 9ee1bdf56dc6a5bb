"""The network for one line of notes, bass or riff: convolutions over time and pitch; out come, per pitch, "begins here" and "sounds here"."""
import torch
from torch import nn

WIDTH = 12
LAYERS = (
    (0, 3, 5, 1),  # the input's channels
    (WIDTH, 3, 3, 2),
    (WIDTH, 1, 25, 1),
    (WIDTH, 5, 1, 3),
    (WIDTH, 3, 13, 6),
    (WIDTH, 5, 1, 12),
)  # channels in, taps in time, taps in pitch, dilation in time


class LineNet(nn.Module):
    def __init__(self, channels):
        super().__init__()
        self.layers = nn.ModuleList(
            [
                nn.Sequential(
                    nn.Conv2d(i or channels, WIDTH, (t, p), padding=(d * (t // 2), p // 2), dilation=(d, 1), bias=False),
                    nn.BatchNorm2d(WIDTH),
                    nn.ReLU(),
                )
                for i, t, p, d in LAYERS
            ]
        )
        self.head = nn.Conv2d(WIDTH, 2, 1)

    def forward(self, x):  # (batch, frames, 37, channels) -> logits (batch, frames, 37, 2)
        y = x.permute(0, 3, 1, 2)
        for layer in self.layers:
            y = layer(y)
        return self.head(y).permute(0, 2, 3, 1)
