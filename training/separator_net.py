"""The separator's network: one joining layer over all bands, dilated residual convolutions over time, and for each group a share of
every band, of the middle and of the side; the shares of all groups sum to one."""
import torch
from torch import nn
import separator_features as sf
from net import Residual
from stems import GROUPS

CHANNELS, DILATIONS = 112, (1, 2, 4, 8, 16, 32, 64, 1)


class MaskNet(nn.Module):
    def __init__(self):
        super().__init__()
        self.norm = nn.BatchNorm1d(2 * sf.BANDS)
        self.join = nn.Sequential(
            nn.Conv1d(2 * sf.BANDS, CHANNELS, 1, bias=False), nn.BatchNorm1d(CHANNELS), nn.ReLU()
        )
        self.time = nn.Sequential(*[Residual(d, CHANNELS) for d in DILATIONS])
        self.head = nn.Conv1d(CHANNELS, len(GROUPS) * 2 * sf.BANDS, 1)

    def forward(self, x):  # (batch, frames, 2 x bands) -> log shares (batch, frames, groups, 2 x bands)
        y = self.head(self.time(self.join(self.norm(x.transpose(1, 2))))).transpose(1, 2)
        return y.reshape(*y.shape[:2], len(GROUPS), 2 * sf.BANDS)
