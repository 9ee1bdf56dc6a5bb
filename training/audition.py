"""Writes held-out songs as sound files with their truth, to measure the whole program on: audition.py OUT SONGS RECORDINGS [--fuller] [--seed N].

The truth has the fields that the accuracy scorer reads: beats, sections, drums, bass, chords, key."""
import argparse, json, os
import numpy as np, soundfile
import arrange, compose, mix, recordings, sounds

NAMES = ("C", "C#", "D", "D#", "E", "F", "F#", "G", "G#", "A", "A#", "B")
KINDS = {
    (0, 4, 7): "maj",
    (0, 3, 7): "min",
    (0, 3, 6): "dim",
    (0, 3, 7, 10): "min7",
    (0, 4, 7, 11): "maj7",
    (0, 4, 7, 10): "7",
    (0, 3, 6, 10): "hdim7",
}


def truth(name, song, drums):
    ends = [*song["sections"][1:], song["end"]]
    bar = song["n"] // song["per"]
    count = lambda a, b: round(sum(a - 0.01 <= t < b - 0.01 for t in song["beats"]) / bar, 2)
    return dict(
        name=name,
        style=song["style"],
        tempo_bpm=round(float(np.median(60 / np.diff(song["beats"]))), 4),
        tempo_alternatives=[],
        meter=[bar, 4] if song["per"] == 4 else [3 * bar, 8],
        beats=[float(t) for t in song["beats"]],
        beats_alternatives=[],
        downbeats=[float(t) for t, d in zip(song["beats"], song["downs"]) if d],
        key=dict(tonic=NAMES[song["key"][0]], mode="minor" if song["key"][1] else "major"),
        sections=[
            dict(label=str(i), start=float(a), end=float(b), bars=count(a, b))
            for i, (a, b) in enumerate(zip(song["sections"], ends))
        ],
        drums=[
            dict(lane=sounds.LANES[l], time=float(t), velocity=int(127 * v), aud_db=round(float(a), 1))
            for t, l, v, a in drums
        ],
        bass=[
            dict(start=float(a), end=float(b), midi=int(p))
            for n, a, b, p, _ in sorted(song["tonal"], key=lambda e: e[1])
            if n == "bass"
        ],
        chords=[
            dict(
                start=float(a),
                end=float(b),
                label=NAMES[r] + ":" + KINDS.get(tuple(t - tones[0] for t in tones), "maj"),
            )
            for a, b, r, tones in song["chords"]
        ],
        duration=float(song["end"] + 0.5),
    )


def main():
    p = argparse.ArgumentParser()
    p.add_argument("out")
    p.add_argument("songs", type=int)
    p.add_argument("recordings")
    p.add_argument("--fuller", action="store_true", help="songs of arrange.py, mixed as rough.py does")
    p.add_argument("--seed", type=int, default=77)
    a = p.parse_args()
    os.makedirs(a.out, exist_ok=True)
    fonts = sounds.fonts(held_out=True)
    kits = [k for f, programs in fonts.items() for q in programs if (k := sounds.font_kit(f, q))]
    families = [kits, recordings.kits(a.recordings, held_out=True)]
    for i in range(a.songs):
        rng = np.random.default_rng(a.seed * 1000 + i)
        song = (arrange if a.fuller else compose).song(rng, 55)
        parts = mix.parts(rng, song, list(fonts), a.fuller and rng.random() < 0.25)
        audio, drums = mix.mix(rng, song, families, parts, a.fuller)
        name = f"v{i:02d}"
        soundfile.write(f"{a.out}/{name}.wav", audio.T * 0.9, 44100, subtype="PCM_16")
        json.dump(truth(name, song, drums), open(f"{a.out}/{name}.truth.json", "w"))


if __name__ == "__main__":
    main()
