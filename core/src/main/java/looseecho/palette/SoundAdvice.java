package looseecho.palette;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import looseecho.layers.HeardLayer;

/**
 * The few steps from one sound to another, for any synthesiser, in the order in which they matter:
 * wave, filter, drive or noise, length, width, room.
 */
public final class SoundAdvice {
  private static final double SEMITONE = 0.7; // what is less is not worth a word
  private static final double OCTAVES = 0.3;
  private static final double LENGTH = 0.3; // octaves of the decay
  private static final double NOISE = 0.06;
  private static final double WIDTH = 0.08;
  private static final double ROOM = 0.1;
  private static final double ATTACK_MS = 8;

  private SoundAdvice() {}

  /** What has to be done to a sound to make it like the heard one; none where it is near. */
  public static List<String> of(Descriptors heard, Descriptors own) {
    List<String> out = new ArrayList<>();
    if (heard.pitchHz() > 0 && own.pitchHz() > 0) {
      double semitones = 12 * log2(heard.pitchHz() / own.pitchHz());
      if (Math.abs(semitones) >= SEMITONE) {
        out.add(semitones(semitones));
      }
    }
    double bright = log2((heard.centroidHz() + 20) / (own.centroidHz() + 20));
    if (Math.abs(bright) >= OCTAVES) {
      String words =
          bright > 0 ? "open the filter by %.1f octaves" : "close the filter by %.1f octaves";
      out.add(String.format(Locale.ROOT, words, Math.abs(bright)));
    }
    double noise = heard.noise() - own.noise();
    if (Math.abs(noise) >= NOISE) {
      out.add(noise > 0 ? "more noise or drive" : "less noise or drive");
    }
    double length = log2((heard.decayMs() + 5) / (own.decayMs() + 5));
    if (Math.abs(length) >= LENGTH) {
      String words =
          length > 0 ? "longer: %.0f ms until 20 dB down" : "shorter: %.0f ms until 20 dB down";
      out.add(String.format(Locale.ROOT, words, heard.decayMs()));
    }
    if (Math.abs(heard.attackMs() - own.attackMs()) > ATTACK_MS) {
      out.add(heard.attackMs() > own.attackMs() ? "a softer attack" : "a harder attack");
    }
    double width = heard.width() - own.width();
    if (Math.abs(width) >= WIDTH) {
      out.add(width > 0 ? "wider" : "narrower");
    }
    return out;
  }

  /**
   * What its room wants; none where it is near, or none was heard.
   *
   * @param own share of the sound's energy that comes out of one by now
   */
  public static Optional<String> room(Optional<HeardLayer.Room> heard, double own) {
    return heard
        .filter(r -> Math.abs(r.share() - own) >= ROOM)
        .map(
            r ->
                String.format(
                    Locale.ROOT,
                    "%s room: %.1f s, %.0f %% of the sound",
                    r.share() > own ? "more" : "less",
                    r.seconds(),
                    100 * r.share()));
  }

  private static String semitones(double by) {
    long count = Math.round(Math.abs(by));
    return "tune it "
        + (by > 0 ? "up " : "down ")
        + count
        + (count == 1 ? " semitone" : " semitones");
  }

  private static double log2(double v) {
    return Math.log(v) / Math.log(2);
  }
}
