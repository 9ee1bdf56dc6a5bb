"""Writes features and truth of two random mixes each of many songs: generate.py OUT SONGS RECORDINGS [--held-out] [--fuller] [--inputs KINDS] [--seed N] [--jobs N]

RECORDINGS is the folder into which recordings.py has unpacked its packages."""
import argparse, multiprocessing, os
import numpy as np
import arrange, compose, features, line_features as lf, mix, recordings, sounds


def make(job):
    """Two mixes of one song, with other kits and other sound: composing and rendering the parts takes longest."""
    seed, out, held_out = job
    rng = np.random.default_rng(seed)
    if os.path.exists(f"{out}/{seed}b.npz"):
        return
    fonts = sounds.fonts(held_out, RECORDINGS)
    song = arrange.song(rng) if FULLER else compose.song(rng)
    chips = FULLER and rng.random() < 0.25
    parts = mix.parts(rng, song, [f for f, kits in fonts.items() if len(kits) > 1], chips)
    for take in "ab":
        write(f"{out}/{seed}{take}.npz", song, *mix.mix(rng, song, FAMILIES, parts, FULLER))


def write(path, song, audio, truth):
    audio = audio.mean(axis=0)
    makers = dict(
        drums=("x", features.features),
        bass=("b", lambda a: lf.features(a, lf.BASS)),
        lead=("l", lambda a: lf.features(a, lf.RIFF)),
    )
    np.savez(
        path,
        **{key: make(audio).astype(np.float16) for kind, (key, make) in makers.items() if kind in INPUTS},
        drums=np.array(truth, np.float32).reshape(-1, 4),
        beats=np.array(song["beats"], np.float32),
        downs=np.array(song["downs"], bool),
        **{
            line: np.array([e[1:] for e in song["tonal"] if e[0] == line], np.float32).reshape(-1, 4)
            for line in ("bass", "lead")
        },
        key=song["key"],
        bpm=song["bpm"],
        style=song["style"],
        per=song["per"],
    )


def main():
    global FAMILIES, RECORDINGS, INPUTS, FULLER
    p = argparse.ArgumentParser()
    p.add_argument("out")
    p.add_argument("songs", type=int)
    p.add_argument("recordings")
    p.add_argument("--held-out", action="store_true")
    p.add_argument("--inputs", default="drums,bass,lead", help="of which networks")
    p.add_argument("--fuller", action="store_true", help="songs of arrange.py, mixed as rough.py does")
    p.add_argument("--seed", type=int, default=1)
    p.add_argument("--jobs", type=int, default=os.cpu_count())
    a = p.parse_args()
    os.makedirs(a.out, exist_ok=True)
    RECORDINGS, INPUTS, FULLER = a.recordings, a.inputs.split(","), a.fuller
    with multiprocessing.Pool(a.jobs) as pool:
        kits = [
            k
            for k in pool.starmap(
                sounds.font_kit,
                [(f, q) for f, programs in sounds.fonts(a.held_out, RECORDINGS).items() for q in programs],
                chunksize=1,
            )
            if k
        ]
    FAMILIES = [kits, recordings.kits(RECORDINGS, a.held_out)]
    with multiprocessing.Pool(a.jobs) as pool:
        for i, _ in enumerate(
            pool.imap_unordered(make, [(a.seed * 100000 + i, a.out, a.held_out) for i in range(a.songs)])
        ):
            if i % 20 == 0:
                print("made", i, flush=True)


if __name__ == "__main__":
    main()
