"""Keeps a record of which run made which weights: a line in runs.csv beside the weights."""
import csv, os, zlib


def checksum(path):
    """The CRC-32 that the program reads at the end of the weights."""
    with open(path, "rb") as file:
        data = file.read()
    return f"{zlib.crc32(data[:-4]):08x}"


def note(a, songs, score):
    """Writes down what went into the weights and what came of them."""
    row = {
        "weights": os.path.basename(a.out),
        "crc": checksum(a.out),
        "start": checksum(a.start) if a.start else "",
        "data": a.data,
        "songs": songs,
        "steps": a.steps,
        "rate": a.rate,
        "threads": a.threads,
        "held out": score,
    }
    path = os.path.join(os.path.dirname(os.path.abspath(a.out)), "runs.csv")
    new = not os.path.exists(path)
    with open(path, "a", newline="") as file:
        writer = csv.DictWriter(file, row)
        if new:
            writer.writeheader()
        writer.writerow(row)
    print(row, flush=True)
