"""Writes features and truth of many random mixes: generate.py OUT SONGS [--held-out] [--seed N] [--jobs N]"""
import argparse, multiprocessing, os
import numpy as np
import compose, features, line_features as lf, mix, sounds


def make(job):
    seed, out, held_out = job; rng = np.random.default_rng(seed); path = f"{out}/{seed}.npz"
    if os.path.exists(path): return
    fonts = sounds.fonts(held_out); gm = [f for f, kits in fonts.items() if len(kits) > 1]
    song = compose.song(rng); audio, truth = mix.mix(rng, song, KITS, gm)
    x = features.features(audio)
    np.savez(path, x=x.astype(np.float16), b=lf.features(audio, lf.BASS).astype(np.float16), l=lf.features(audio, lf.RIFF).astype(np.float16), drums=np.array(truth, np.float32).reshape(-1, 3), beats=np.array(song["beats"], np.float32), downs=np.array(song["downs"], bool),
             **{line: np.array([e[1:] for e in song["tonal"] if e[0] == line], np.float32).reshape(-1, 4) for line in ("bass", "lead")}, key=song["key"], bpm=song["bpm"], style=song["style"])


def main():
    global KITS
    p = argparse.ArgumentParser(); p.add_argument("out"); p.add_argument("songs", type=int); p.add_argument("--held-out", action="store_true"); p.add_argument("--seed", type=int, default=1); p.add_argument("--jobs", type=int, default=os.cpu_count()); a = p.parse_args()
    os.makedirs(a.out, exist_ok=True)
    with multiprocessing.Pool(a.jobs) as pool:
        KITS = [k for k in pool.starmap(sounds.font_kit, [(f, q) for f, programs in sounds.fonts(a.held_out).items() for q in programs], chunksize=1) if k]
    with multiprocessing.Pool(a.jobs) as pool:
        for i, _ in enumerate(pool.imap_unordered(make, [(a.seed * 100000 + i, a.out, a.held_out) for i in range(a.songs)])):
            if i % 20 == 0: print("made", i, flush=True)


if __name__ == "__main__": main()
