"""Writes the weights for Java, batch norm folded: export.py MODEL.pt OUT.bin.

Layout, big-endian: int magic 0x4c454e32, int count of tensors; per tensor int rank, int dims, a float32 scale, and 16-bit integers
that times the scale are the values: half the size, and as good as exact.
Order: three 2-D kernels (height, width, in, out) and biases; join (in, out), bias; per dilation (tap, in, out),
bias; head (in, out), bias. A line network: six kernels (time, pitch, in, out) and biases, head, bias. The last int is the CRC-32 of all bytes before it.
"""
import struct, sys, zlib
import numpy as np, torch
from net import Net


def fold(kernel, norm):
    scale = norm.weight / torch.sqrt(norm.running_var + norm.eps)
    shape = [-1] + [1] * (kernel.dim() - 1)
    return kernel * scale.view(shape), norm.bias - norm.running_mean * scale


def tensors(net):
    for i in (0, 4, 8):
        k, b = fold(net.front[i].weight, net.front[i + 1])
        yield k.permute(2, 3, 1, 0)
        yield b
    k, b = fold(net.join[0].weight, net.join[1])
    yield k[:, :, 0].t()
    yield b
    for r in net.time:
        k, b = fold(r.conv.weight, r.norm)
        yield k.permute(2, 1, 0)
        yield b
    yield net.head.weight[:, :, 0].t()
    yield net.head.bias


def line_tensors(net):
    for layer in net.layers:
        k, b = fold(layer[0].weight, layer[1])
        yield k.permute(2, 3, 1, 0)
        yield b
    yield net.head.weight.permute(2, 3, 1, 0)
    yield net.head.bias


def units(net):
    """Every convolution with its norm and how its stored kernel is turned back."""
    if hasattr(net, "layers"):
        return [(l[0], l[1], lambda k: k.permute(3, 2, 0, 1)) for l in net.layers]
    return (
        [(net.front[i], net.front[i + 1], lambda k: k.permute(3, 2, 0, 1)) for i in (0, 4, 8)]
        + [(net.join[0], net.join[1], lambda k: k.t()[:, :, None])]
        + [(r.conv, r.norm, lambda k: k.permute(2, 1, 0)) for r in net.time]
    )


def stored_tensors(path):
    with open(path, "rb") as file:
        data = file.read()
    at = 8
    out = []
    for _ in range(struct.unpack(">i", data[4:8])[0]):
        rank = struct.unpack_from(">i", data, at)[0]
        dims = struct.unpack_from(f">{rank}i", data, at + 4)
        at += 4 + 4 * rank
        size = int(np.prod(dims))
        out.append(
            (np.frombuffer(data, ">i2", size, at + 4) * struct.unpack_from(">f", data, at)[0])
            .astype("f4")
            .reshape(dims)
        )
        at += 4 + 2 * size
    return out


def net_of(path, x):
    """The drum network in a file, whatever its size."""
    inputs, channels = stored_tensors(path)[6].shape
    net = Net(channels, inputs // 28)
    read(net, path, x)
    return net


def read(net, path, x):
    """Loads folded weights to train on: each norm's statistics are measured on x, and its scale and shift put them back."""
    stored = [torch.from_numpy(t) for t in stored_tensors(path)]

    def settle(norm, bias):
        def hook(module, inputs):
            y = inputs[0].transpose(0, 1).flatten(1)
            m, v = y.mean(1), y.var(1)
            norm.running_mean.copy_(m)
            norm.running_var.copy_(v)
            norm.weight.copy_(torch.sqrt(v + norm.eps))
            norm.bias.copy_(bias + m)

        return hook

    with torch.no_grad():
        hooks = []
        for (conv, norm, turn), k, b in zip(units(net), stored[0:-2:2], stored[1:-2:2]):
            k = turn(k)
            known = min(k.shape[1], conv.weight.shape[1])  # a bass's network looks through one window more
            conv.weight.zero_()  # what the stored weights do not know begins unheard
            conv.weight[:, :known] = k[:, :known]
            hooks.append(norm.register_forward_pre_hook(settle(norm, b)))
        net.head.weight.copy_(stored[-2].permute(3, 2, 0, 1) if hasattr(net, "layers") else stored[-2].t()[:, :, None])
        net.head.bias.copy_(stored[-1])
        net.eval()
        net(x)
        [h.remove() for h in hooks]
        net.train()


def write(net, path):
    write_tensors(tensors(net), path)


def write_tensors(some, path):
    arrays = [t.detach().contiguous().numpy() for t in some]
    data = struct.pack(">ii", 0x4C454E32, len(arrays))
    for a in arrays:
        scale = np.float32(np.abs(a).max() / 32767 or 1)
        data += struct.pack(f">{1 + a.ndim}if", a.ndim, *a.shape, scale) + np.round(a / scale).astype(">i2").tobytes()
    with open(path, "wb") as file:
        file.write(data + struct.pack(">I", zlib.crc32(data)))


if __name__ == "__main__":
    net = Net()
    net.load_state_dict(torch.load(sys.argv[1]))
    net.eval()
    write(net, sys.argv[2])
