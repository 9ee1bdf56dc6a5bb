package looseecho.analysis;

import java.util.Iterator;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.function.Consumer;
import java.util.stream.IntStream;
import looseecho.activity.Activities;
import looseecho.activity.ActivityNet;
import looseecho.activity.Lane;
import looseecho.activity.LineActivity;
import looseecho.activity.LineNet;
import looseecho.activity.MelSpectra;
import looseecho.activity.Register;
import looseecho.audio.Audio;
import looseecho.audio.MonoBlocks;
import looseecho.audio.Resampler;
import looseecho.dsp.Chroma;
import looseecho.dsp.ToneSpectra;
import looseecho.notes.LineFinder;
import looseecho.notes.Note;
import looseecho.pulse.Pulse;
import looseecho.pulse.PulseFinder;
import looseecho.pulse.Tempos;
import looseecho.reading.Progress;
import looseecho.reading.Together;
import looseecho.separate.KickWave;

/** The long step of hearing, that no correction changes. Immutable and thread-safe. */
final class Ear {
  private static final int CHROMA_HOP = 2205; // 50 ms
  private static final double KICK = 0.4;

  private final ActivityNet net = ActivityNet.load();
  private final BassEar bassEar = new BassEar();
  private final LineNet riffNet = LineNet.load(Register.RIFF);
  private final PulseFinder pulses;

  Ear(PulseFinder pulses) {
    this.pulses = pulses;
  }

  /** Hears a song; {@link Analyzer#listen(Audio, Consumer, Progress)} tells of the halves. */
  Heard listen(Audio audio, Consumer<Heard> early, Progress progress) {
    MonoBlocks blocks = new MonoBlocks(audio, MelSpectra.RATE);
    MelSpectra.Builder mels = new MelSpectra.Builder(blocks.length(), blocks.rms());
    Chroma.Builder tones = new Chroma.Builder((double) CHROMA_HOP / MelSpectra.RATE);
    float[] low =
        new float
            [(int) Math.ceil((double) blocks.length() * Register.BASS.rate() / MelSpectra.RATE)];
    for (int i = 0; i < blocks.count(); i++) {
      MonoBlocks.Block b = blocks.get(i);
      CompletableFuture<ToneSpectra> sung = Together.beside(() -> tones(b, progress));
      mels.add(b.samples(), b.first(), b.from(), lastOf(blocks, i), progress);
      low(b, low);
      tones.add(Together.joined(sung));
    }
    MelSpectra mel = mels.done();
    Chroma chroma = tones.done();
    double tuning = chroma.tuningCents();
    Heard.Span music = Heard.Span.of(mel, audio.duration());
    Activities activity = net.run(mel, progress);
    BassEar.Sound sound = BassEar.Sound.of(low, tuning, t -> kick(activity, t));
    // The riff is heard beside the search for the beat, which takes one core.
    CompletableFuture<List<Note>> riff =
        Together.beside(
            () ->
                new LineFinder(LineFinder.Settings.RIFF)
                    .find(riff(audio, blocks.rms(), tuning, progress), Optional.empty()));
    Tempos tempos = pulses.hear(activity, progress);
    Optional<Pulse> pulse =
        pulses.find(activity, chroma, tempos, music.seconds(), PulseFinder.Wanted.NOTHING);
    Heard half = new Heard(audio, mel, activity, tempos, pulse, chroma, Heard.Lines.NONE, music);
    pulse.ifPresent(p -> half.hits(p, progress)); // measured while the lines are heard
    early.accept(half);
    KickWave kick =
        pulse.map(p -> KickWave.of(audio, half.hits(p, progress))).orElse(KickWave.NONE);
    List<Note> bass = bassEar.find(sound, pulse, kick, progress);
    return half.with(new Heard.Lines(bass, Together.joined(riff)));
  }

  private static boolean kick(Activities a, double time) {
    int n = MelSpectra.FRAMES.nearest(time);
    for (int k = Math.max(0, n - 4); k <= Math.min(a.frames() - 1, n + 4); k++) {
      if (a.lane(Lane.KICK, k) > KICK) {
        return true;
      }
    }
    return false;
  }

  private LineActivity riff(Audio audio, double rms, double tuning, Progress progress) {
    int rate = Register.RIFF.rate();
    int hop = Register.FRAMES.hop(rate);
    MonoBlocks blocks = new MonoBlocks(audio, rate);
    int frames = blocks.length() / hop + 1;
    Iterator<LineNet.Part> parts =
        IntStream.range(0, blocks.count())
            .mapToObj(
                i -> {
                  MonoBlocks.Block b = blocks.get(i);
                  int to = i == blocks.count() - 1 ? frames : b.to() / hop;
                  return new LineNet.Part(b.samples(), b.from() / hop, to, b.first() / hop);
                })
            .iterator();
    return riffNet.run(frames, parts, rms, tuning, progress);
  }

  /** The last block also takes the frame that is centred behind the last sample. */
  private static int lastOf(MonoBlocks blocks, int i) {
    int next = (i + 1) * MonoBlocks.SECONDS * MelSpectra.RATE;
    return i == blocks.count() - 1 ? blocks.length() + MelSpectra.HOP : next;
  }

  private static ToneSpectra tones(MonoBlocks.Block b, Progress progress) {
    int from = (b.from() - b.first()) / CHROMA_HOP;
    int to = (b.to() - b.first() + CHROMA_HOP - 1) / CHROMA_HOP;
    return ToneSpectra.of(b.samples(), MelSpectra.RATE, 8192, 8192, CHROMA_HOP, from, to, progress);
  }

  private static void low(MonoBlocks.Block b, float[] low) {
    float[] part = new Resampler().resample(b.samples(), MelSpectra.RATE, Register.BASS.rate());
    int skip = (int) ((long) (b.from() - b.first()) * Register.BASS.rate() / MelSpectra.RATE);
    int at = (int) ((long) b.from() * Register.BASS.rate() / MelSpectra.RATE);
    int count =
        (int) Math.ceil((double) (b.to() - b.from()) * Register.BASS.rate() / MelSpectra.RATE);
    System.arraycopy(
        part, skip, low, at, Math.min(count, Math.min(part.length - skip, low.length - at)));
  }
}
