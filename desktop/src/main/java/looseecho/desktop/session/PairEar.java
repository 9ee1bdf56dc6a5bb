package looseecho.desktop.session;

import java.util.Arrays;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import looseecho.activity.Lane;
import looseecho.drawer.Match;
import looseecho.drawer.PairMatcher.Pair;
import looseecho.mix.EchoRenderer;
import looseecho.mix.Job;
import looseecho.mix.Sounds;

/**
 * Kick and snare of the track and the pairs of samples that come near both. Belongs to the
 * interface's thread.
 */
public final class PairEar {
  private static final double APART_SECONDS = 0.45; // kick, then snare

  private final Desk desk;
  private final EchoMaker maker;
  private final PaletteEar palette;
  private final Playback playback;
  private final Lanes lanes;

  PairEar(Desk desk, EchoMaker maker, PaletteEar palette, Playback playback, Lanes lanes) {
    this.desk = desk;
    this.maker = maker;
    this.palette = palette;
    this.playback = playback;
    this.lanes = lanes;
  }

  /** Of several kicks or snares the one heard most; a clap stands in for a snare. */
  private Optional<PaletteRow> row(Set<Lane> lanes) {
    return palette.rowsProperty().get().stream()
        .filter(r -> r.heard().part().asDrum().filter(d -> lanes.contains(d.lane())).isPresent())
        .max(Comparator.comparingInt(r -> r.heard().strokes()));
  }

  private Optional<PaletteRow> kick() {
    return row(EnumSet.of(Lane.KICK));
  }

  private Optional<PaletteRow> snare() {
    return row(EnumSet.of(Lane.SNARE)).or(() -> row(EnumSet.of(Lane.CLAP)));
  }

  /** Looks for pairs; says so where the track has none to go by. */
  public void look() {
    if (kick().isEmpty() || snare().isEmpty()) {
      desk.say("A pair needs a kick and a snare or a clap in the track.");
      return;
    }
    palette.drawer().pairs(kick().get().heard(), snare().get().heard());
  }

  /** Plays a pair as loud as the track's two, kick and then snare. */
  public void play(Pair pair) {
    if (kick().isEmpty() || snare().isEmpty()) {
      return;
    }
    float[] low = kick().get().heard().sound();
    float[] high = snare().get().heard().sound();
    lanes
        .auditioning()
        .start(
            p ->
                after(
                    Taking.asLoud(Taking.tuned(pair.kick()), low),
                    Taking.asLoud(Taking.tuned(pair.snare()), high)),
            playback.player()::audition,
            e -> desk.say(String.valueOf(e.getMessage())));
  }

  /** The track's own two. */
  public void playHeard() {
    if (kick().isPresent() && snare().isPresent()) {
      playback
          .player()
          .audition(after(kick().get().heard().sound(), snare().get().heard().sound()));
    }
  }

  private static float[] after(float[] first, float[] second) {
    int gap = (int) (APART_SECONDS * EchoRenderer.RATE);
    float[] both = Arrays.copyOf(first, Math.max(first.length, gap + second.length));
    for (int i = 0; i < second.length; i++) {
      both[gap + i] += second[i];
    }
    return both;
  }

  /** Takes both as the sounds of the echo, in one step. */
  public void take(Pair pair) {
    PaletteRow low = kick().orElse(null);
    PaletteRow high = snare().orElse(null);
    if (low == null || high == null) {
      return;
    }
    Sounds now = maker.soundsProperty().get();
    lanes
        .reading()
        .start(
            p ->
                List.of(
                    Taking.with(pair.kick(), low, now, false, Job.NONE),
                    Taking.with(pair.snare(), high, now, false, Job.NONE)),
            SameTrack.only(
                desk,
                both -> {
                  Sounds out = maker.soundsProperty().get(); // what was set meanwhile stays
                  out = out.with(low.heard().part(), both.get(0));
                  out = out.with(high.heard().part(), both.get(1));
                  desk.sound(
                      out, "Kick and snare: " + name(pair.kick()) + ", " + name(pair.snare()));
                }),
            e -> desk.say(String.valueOf(e.getMessage())));
  }

  /** A sample's name without its ending. */
  public static String name(Match m) {
    return m.entry().file().getFileName().toString().replaceFirst("\\.[^.]*$", "");
  }
}
