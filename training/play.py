"""Plays MIDI with a sound font."""
import subprocess, tempfile
import soundfile

RATE = 44100


def play(midi, font):
    """The sound of a mido.MidiFile, dry: (samples, 2), float32."""
    with tempfile.TemporaryDirectory() as d:
        midi.save(d + "/a.mid")
        settings = ["-ni", "-q", "-R", "0", "-C", "0", "-g", "0.5", "-r", str(RATE)]
        command = ["fluidsynth", *settings, "-F", d + "/a.wav", font, d + "/a.mid"]
        subprocess.run(command, check=True, stdout=subprocess.DEVNULL, stderr=subprocess.DEVNULL)
        return soundfile.read(d + "/a.wav", dtype="float32")[0]
