"""Recorded one-shots from Debian's packages of open drum sounds, sorted into kits by the names that their makers gave them:
recordings.py FOLDER fetches them.

A kit is {(articulation, name): [(velocity, samples)]}, as from a sound font. Names that leave in doubt what is struck, and
sounds between two lanes (a half-open hat, a choked cymbal, a snare's roll), are left out."""
import glob, os, re, subprocess, sys, tempfile
import xml.etree.ElementTree as xml
import numpy as np, soundfile
from scipy.signal import resample_poly
import sounds

PACKAGES = (
    "hydrogen-drumkits",
    "hydrogen-data",
    "sonic-pi-samples",
    "chuck-data",
    "exadrums",
    "minuet-data",
    "denemo-data",
)  # the last two hold sound fonts
# The first that fits decides; None: not to be used.
NAMES = [
    (re.compile(pattern), art)
    for pattern, art in (
        (
            r"semi|swish|choke|flink|roll|free|fx|zap|noise|whistle|click|glass|loop|side (o?hh)|crash/ride|empty|thump|^sample|filt|glitch|bell hit|bell mute|\d bell|\bflip",
            None,
        ),
        (r"kick|bass ?drum|drum_bass|\bbd|^bd_", "kick"),
        (r"side ?stick|rim ?click|stick|\brim\b", "rim"),
        (r"clap|snap", "clap"),
        (r"snare|snr|^sn_|\bsd\b", "snare"),
        (r"tamb", "tamb"),
        (r"maraca|shaker", "shaker"),
        (r"cow ?bell|agogo", "cowbell"),
        (r"clave|wood", "clave"),
        (r"bongo", "bongo"),
        (r"timbale", "timbale"),
        (r"(djembe|sangban|dununba|kenkeni).*(bass|head)|tabla_ghe|conga 2|conga lo", "conga_lo"),
        (r"djembe|conga|tabla|cajon slap|elec_bong", "conga_hi"),
        (r"(hat|hh|drum_cymbal).*(ped|foot|pd)|ped\w* (hat|hh)", "hat_pedal"),
        (r"(hat|hh|drum_cymbal).*(open|\bop)|open (hat|hh)|\bohh", "hat_open"),
        (r"(hat|hh|drum_cymbal).*(clos|\bcl)|closed (hat|hh)|\bchh|hat low|hihat$", "hat_closed"),
        (r"ride.?(bell|cup)|bell$", "bell"),
        (r"ride", "ride"),
        (r"crash|splash|china|cymbal", "crash"),
        (r"tom.?(lo|floor|3)|floor ?tom|lo\w* tom", "tom_lo"),
        (r"tom.?(mid|2)|mid\w* tom|fuzz_tom", "tom_mid"),
        (r"tom.?(hi|1)|hi\w* tom", "tom_hi"),
        (r"\btom\b", "tom_mid"),
    )
]


def articulation(name):
    return next((art for pattern, art in NAMES if pattern.search(name.lower())), None)


def fetch(folder):
    """Unpacks the packages below the folder; nothing is installed."""
    for package in PACKAGES:
        home = os.path.join(folder, package)
        if os.path.isdir(home):
            continue
        with tempfile.TemporaryDirectory() as d:
            subprocess.run(["apt-get", "download", "-qq", package], cwd=d, check=True)
            os.makedirs(home)
            subprocess.run(["dpkg", "-x", glob.glob(d + "/*.deb")[0], home], check=True)


def one_shot(path):
    x, rate = soundfile.read(path, dtype="float32")
    x = x.mean(axis=1) if x.ndim > 1 else x
    if len(x) > 3 * rate:
        x = x[: 3 * rate]
    if rate != sounds.RATE:
        x = resample_poly(x, sounds.RATE // 100, rate // 100).astype(np.float32)
    if len(x) < 200 or np.abs(x).max() < 1e-3:
        return None
    x = x[sounds.attack(x) :]
    fade = min(2000, len(x) // 4)
    x[-fade:] *= np.linspace(1, 0, fade, dtype=np.float32)
    return x


def described_kit(path):
    """A kit with an XML description: names, files, and from which velocity on each file sounds."""
    text = re.sub(r'\s(xmlns|xsi)(:\w+)?="[^"]*"', "", open(path, encoding="utf8", errors="replace").read())
    kit = {}
    for instrument in xml.fromstring(text).iter("instrument"):
        name = (instrument.findtext("name") or "").strip()
        art = articulation(name)
        layers = []
        files = [
            (float(l.findtext("min")), float(l.findtext("max")), l.findtext("filename"))
            for l in instrument.iter("layer")
        ] or [(0, 1, instrument.findtext("filename"))]
        for low, high, file in files if art else ():
            file = os.path.join(os.path.dirname(path), file or "")
            if os.path.isfile(file) and (x := one_shot(file)) is not None:
                layers.append((127 * (low + high) / 2, x))
        if layers:
            kit[art, name] = layers
    return kit


def named_kit(files):
    kit = {}
    for path in files:
        name = os.path.basename(path).rsplit(".", 1)[0]
        art = articulation(name)
        if art and (x := one_shot(path)) is not None:
            kit[art, name] = [(100, x)]
    return kit


def kits(folder, held_out=False):
    """All kits, every fourth of them held out: never trained on."""
    described = [described_kit(path) for path in sorted(glob.glob(folder + "/**/drumkit.xml", recursive=True))]
    loose = {
        os.path.basename(p): p
        for kind in ("wav", "flac")
        for p in sorted(glob.glob(folder + f"/**/*.{kind}", recursive=True))
        if "drumkits" not in p
    }
    groups = {}  # the names' first word tells a recorded kit from electronic sounds
    for name, p in loose.items():
        groups.setdefault((os.path.relpath(p, folder).split(os.sep)[0], name.startswith("drum_")), []).append(p)
    found = [k for k in described + [named_kit(sorted(g)) for _, g in sorted(groups.items())] if len(k) >= 5]
    return [k for i, k in enumerate(found) if (i % 4 == 1) == held_out]


if __name__ == "__main__":
    fetch(sys.argv[1])
