package looseecho.loose;

import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import looseecho.activity.Lane;
import looseecho.echo.DrumPart;
import looseecho.echo.Part;
import looseecho.echo.Template;
import looseecho.mix.Sounds;
import looseecho.notes.Key;
import looseecho.notes.Line;
import looseecho.synth.DrumSound;
import looseecho.synth.ToneSound;

/** Other sounds for the same hits and notes. One-shots of the person's own are left alone. */
final class SoundOperations {
  private static final int STRONG = 50;
  private static final double FURTHEST = 2; // semitones that a snare or tom is tuned by
  private static final double DOTTED_EIGHTH = 0.75;

  /**
   * One way of changing the sounds.
   *
   * @param of the part that must play for it; null for what all share
   * @param least amount of looseness from which on it may be drawn
   */
  record Op(String name, Part of, int least, String kept, Work work) {
    /** Changes the sounds; the same random numbers give the same change. */
    interface Work {
      Sounds apply(Sounds s, Key key, SplittableRandom r);
    }

    /** The other sounds; empty where the part does not play or has a sample of its own. */
    Optional<Sounds> apply(Sounds s, Template t, SplittableRandom r) {
      boolean own = of instanceof DrumPart drum && s.sample(drum).isPresent();
      boolean absent = of != null && !Part.of(t).contains(of);
      Sounds out = own || absent ? s : work.apply(s, t.key(), r);
      return out.equals(s) ? Optional.empty() : Optional.of(out);
    }
  }

  private SoundOperations() {}

  static final List<Op> ALL =
      List.of(
          drum("kick of another length", Lane.KICK, "its pitch", (d, k, r) -> lasting(d, r)),
          drum(
              "another snare",
              Lane.SNARE,
              "its loudness, room and key",
              (d, k, r) -> lasting(inKey(d, k, r), r)),
          drum("tom in the key", Lane.TOM, "its length", SoundOperations::inKey),
          drum("low tom in the key", Lane.TOM_LOW, "its length", SoundOperations::inKey),
          drum("high tom in the key", Lane.TOM_HIGH, "its length", SoundOperations::inKey),
          drum("clap of another width", Lane.CLAP, "its loudness", (d, k, r) -> coloured(d, r)),
          drum(
              "hats of another metal",
              Lane.HAT_CLOSED,
              "their loudness and place",
              (d, k, r) -> lasting(coloured(d, r), r)),
          drum(
              "percussion of another size",
              Lane.PERCUSSION,
              "its place",
              (d, k, r) -> lasting(tuned(d, r, 6), r)),
          tone(
              "bass between round and sharp",
              Line.BASS,
              1,
              "its notes and level",
              (x, r) ->
                  x.wave(clamp(x.saw() + sign(r) * between(r, 0.2, 0.4), 0, 1))
                      .filtered(x.cutoffHz() * ratio(r, 1.3, 2))),
          tone(
              "an octave below the bass",
              Line.BASS,
              STRONG,
              "its notes and colour",
              (x, r) -> x.subbed(clamp(x.sub() + between(r, 0.3, 0.6), 0, 1))),
          tone(
              "riff shorter or longer",
              Line.RIFF,
              1,
              "its notes and place",
              (x, r) ->
                  x.decaying(x.decayMs() * ratio(r, 1.5, 2.2))
                      .opening(x.openHz() * ratio(r, 1.2, 1.8))),
          tone(
              "chords wider apart",
              Line.CHORDS,
              1,
              "their notes and level",
              (x, r) -> x.spread(clamp(x.detuneCents() + between(r, 6, 18), 0, 40))),
          new Op(
              "riff into the delay",
              Part.of(Line.RIFF),
              1,
              "its notes and sound",
              (s, k, r) -> {
                var strip = s.strip(Part.of(Line.RIFF));
                double send = clamp(strip.delay() + between(r, 0.2, 0.4), 0, 1);
                return s.with(Part.of(Line.RIFF), strip.sends(strip.room(), send))
                    .delay(DOTTED_EIGHTH, s.delayFeedback());
              }),
          new Op(
              "drive the drums",
              null,
              STRONG,
              "the balance of the drums",
              (s, k, r) -> s.driven(clamp(s.drumDrive() + between(r, 0.5, 1.5), 0, 5))),
          new Op(
              "a bed of noise under it",
              null,
              STRONG,
              "everything else",
              (s, k, r) -> s.bed().audible() ? s : s.with(s.bed().level(between(r, -42, -34)))));

  private interface DrumChange {
    DrumSound of(DrumSound d, Key key, SplittableRandom r);
  }

  private interface ToneChange {
    ToneSound of(ToneSound t, SplittableRandom r);
  }

  private static Op drum(String name, Lane lane, String kept, DrumChange change) {
    return new Op(
        name,
        Part.of(lane),
        1,
        kept,
        (s, k, r) -> s.with(Part.of(lane), change.of(s.drum(Part.of(lane)), k, r)));
  }

  private static Op tone(String name, Line line, int least, String kept, ToneChange change) {
    return new Op(
        name,
        Part.of(line),
        least,
        kept,
        (s, k, r) -> s.with(Part.of(line), change.of(s.tone(Part.of(line)), r)));
  }

  private static DrumSound tuned(DrumSound d, SplittableRandom r, int semitones) {
    int by = (1 + r.nextInt(semitones)) * (r.nextBoolean() ? 1 : -1);
    return d.toneHz() > 0 ? d.tuned(d.toneHz() * Math.pow(2, by / 12.0)) : d;
  }

  /** To a note of the key within two semitones (common practice: further it is another drum). */
  private static DrumSound inKey(DrumSound d, Key key, SplittableRandom r) {
    double now = 69 + 12 * Math.log(d.toneHz() / 440) / Math.log(2);
    List<Integer> near =
        IntStream.rangeClosed((int) Math.ceil(now - FURTHEST), (int) Math.floor(now + FURTHEST))
            .filter(key::has)
            .filter(p -> Math.abs(p - now) > 0.2)
            .boxed()
            .toList();
    return near.isEmpty()
        ? d
        : d.tuned(440 * Math.pow(2, (near.get(r.nextInt(near.size())) - 69) / 12.0));
  }

  private static DrumSound lasting(DrumSound d, SplittableRandom r) {
    return d.longer(ratio(r, 1.3, 1.8));
  }

  private static DrumSound coloured(DrumSound d, SplittableRandom r) {
    return d.brighter(clamp(d.highHz() * ratio(r, 1.2, 1.7), 1500, 18000));
  }

  private static int sign(SplittableRandom r) {
    return r.nextBoolean() ? 1 : -1;
  }

  private static double between(SplittableRandom r, double low, double high) {
    return low + (high - low) * r.nextDouble();
  }

  /** A factor so far from 1, up or down. */
  private static double ratio(SplittableRandom r, double low, double high) {
    return Math.pow(between(r, low, high), sign(r));
  }

  private static double clamp(double x, double low, double high) {
    return Math.max(low, Math.min(high, x));
  }
}
