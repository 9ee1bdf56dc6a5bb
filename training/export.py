"""Writes the weights for Java, batch norm folded: export.py MODEL.pt OUT.bin.

Layout, big-endian: int magic 0x4c454e31, int count of tensors; per tensor int rank, int dims, float32 values.
Order: three 2-D kernels (height, width, in, out) and biases; join (in, out), bias; per dilation (tap, in, out),
bias; head (in, out), bias. The bass network: six kernels (time, pitch, in, out) and biases, head, bias. The last int is the CRC-32 of all bytes before it.
"""
import struct, sys, zlib
import numpy as np, torch
from net import Net


def fold(kernel, norm):
    scale = norm.weight / torch.sqrt(norm.running_var + norm.eps); shape = [-1] + [1] * (kernel.dim() - 1)
    return kernel * scale.view(shape), norm.bias - norm.running_mean * scale


def tensors(net):
    for i in (0, 4, 8):
        k, b = fold(net.front[i].weight, net.front[i + 1]); yield k.permute(2, 3, 1, 0); yield b
    k, b = fold(net.join[0].weight, net.join[1]); yield k[:, :, 0].t(); yield b
    for r in net.time: k, b = fold(r.conv.weight, r.norm); yield k.permute(2, 1, 0); yield b
    yield net.head.weight[:, :, 0].t(); yield net.head.bias


def bass_tensors(net):
    for layer in net.layers: k, b = fold(layer[0].weight, layer[1]); yield k.permute(2, 3, 1, 0); yield b
    yield net.head.weight.permute(2, 3, 1, 0); yield net.head.bias


def write(net, path): write_tensors(tensors(net), path)


def write_tensors(some, path):
    all_ = [t.detach().contiguous().numpy().astype(">f4") for t in some]
    data = struct.pack(">ii", 0x4C454E31, len(all_)) + b"".join(struct.pack(f">{1 + t.ndim}i", t.ndim, *t.shape) + t.tobytes() for t in all_)
    open(path, "wb").write(data + struct.pack(">I", zlib.crc32(data)))


if __name__ == "__main__":
    net = Net(); net.load_state_dict(torch.load(sys.argv[1])); net.eval(); write(net, sys.argv[2])
