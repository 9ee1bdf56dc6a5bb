"""Averages weights of one shape: average.py OLD.bin NEW.bin SHARE OUT.bin gives SHARE of the new, the rest of the old.

Two runs from one start lie in one valley, and their mean there is steadier than either (Izmailov and others, "Averaging weights
leads to wider optima and better generalization", UAI 2018).
"""
import sys
import torch
import export


def average(old, new, share):
    if [a.shape for a in old] != [b.shape for b in new]:
        raise ValueError("the weights have other shapes")
    return [(1 - share) * a + share * b for a, b in zip(old, new)]


def main(old, new, share, out):
    mean = average(export.stored_tensors(old), export.stored_tensors(new), float(share))
    export.write_tensors([torch.from_numpy(a) for a in mean], out)


if __name__ == "__main__":
    main(*sys.argv[1:])
