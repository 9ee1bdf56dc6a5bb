package looseecho.desktop.session;

import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import looseecho.analysis.Analysis;
import looseecho.drawer.Match;
import looseecho.echo.Part;
import looseecho.mix.Job;
import looseecho.mix.Sound;
import looseecho.mix.Sounds;
import looseecho.palette.HeardSound;
import looseecho.palette.HeardSounds;

/**
 * The sounds of the track beside those of the echo: cut out when they are first asked for, compared
 * anew when the echo's sounds change. Belongs to the interface's thread.
 */
public final class PaletteEar {

  private final Desk desk;
  private final EchoMaker maker;
  private final Playback playback;
  private final Lanes lanes;
  private final Notice notice;
  private final SampleDrawer drawer;
  private final ReadOnlyObjectWrapper<List<PaletteRow>> rows =
      new ReadOnlyObjectWrapper<>(List.of());
  private final ReadOnlyObjectWrapper<PaletteRow> picked = new ReadOnlyObjectWrapper<>();
  private List<HeardSound> heard = List.of();
  private Analysis of;
  private boolean wanted;

  PaletteEar(
      Desk desk,
      EchoMaker maker,
      Playback playback,
      Lanes lanes,
      Notice notice,
      SampleDrawer drawer) {
    this.desk = desk;
    this.maker = maker;
    this.playback = playback;
    this.lanes = lanes;
    this.notice = notice;
    this.drawer = drawer;
    desk.referenceProperty().addListener((o, a, b) -> forget());
    maker.soundsProperty().addListener((o, a, b) -> compare());
  }

  private void forget() {
    lanes.comparing().drop();
    of = null;
    heard = List.of();
    rows.set(List.of());
    pick(null);
  }

  /** Cuts the sounds out unless they are known; from now on they are compared. */
  public void hear() {
    wanted = true;
    drawer.open();
    Reference r = desk.referenceProperty().get();
    Analysis a = desk.analysisProperty().get();
    if (r == null || a == null || a.equals(of) || desk.document().isEmpty()) {
      return;
    }
    of = a;
    Sounds now = maker.soundsProperty().get();
    lanes
        .comparing()
        .start(
            p -> {
              p.step("Cutting the sounds out", 0);
              List<HeardSound> sounds = HeardSounds.of(r.audio(), a);
              return new Compared(sounds, PaletteRow.of(sounds, maker.renderer(), now, p));
            },
            c -> {
              heard = c.sounds();
              show(c.rows());
            },
            e -> {
              of = null;
              notice.failed("Cutting the sounds out", e, "Open this bench again.");
            });
  }

  private record Compared(List<HeardSound> sounds, List<PaletteRow> rows) {}

  /** Nobody looks: nothing is compared any more. */
  public void rest() {
    wanted = false;
  }

  private void compare() {
    if (wanted && !heard.isEmpty()) {
      List<HeardSound> sounds = heard;
      Sounds now = maker.soundsProperty().get();
      lanes
          .comparing()
          .start(
              p -> PaletteRow.of(sounds, maker.renderer(), now, p),
              this::show,
              e -> notice.failed("Comparing the sounds", e, "What you see is older."));
    }
  }

  private void show(List<PaletteRow> now) {
    PaletteRow before = picked.get();
    rows.set(List.copyOf(now));
    PaletteRow same =
        now.stream()
            .filter(r -> before != null && r.heard().part().equals(before.heard().part()))
            .findFirst()
            .orElse(now.isEmpty() ? null : now.get(0));
    boolean other = before == null || same == null || same.heard() != before.heard();
    picked.set(same);
    if (other) {
      drawer.want(same == null ? null : same.heard());
    }
  }

  /** Looks at another sound; null for none. */
  public void pick(PaletteRow row) {
    picked.set(row);
    drawer.want(row == null ? null : row.heard());
  }

  /** Lets the picked sound be heard: the track's, or the echo's as loud. */
  public void play(boolean echo) {
    PaletteRow r = picked.get();
    if (r != null) {
      playback
          .player()
          .audition(echo ? Taking.asLoud(r.echo(), r.heard().sound()) : r.heard().sound().clone());
    }
  }

  /** Lets a sample be heard, tuned and as loud as the picked sound. */
  public void play(Match match) {
    PaletteRow r = picked.get();
    if (r != null) {
      lanes
          .auditioning()
          .start(
              p -> Taking.asLoud(Taking.tuned(match), r.heard().sound()),
              playback.player()::audition,
              e -> desk.say(String.valueOf(e.getMessage())));
    }
  }

  /**
   * Takes a sample as the picked sound, as loud as what was there.
   *
   * @param layer true to put it beside what is there; what was sought for a part of the sound only
   *     goes beside it, with its job
   */
  public void take(Match match, boolean layer) {
    PaletteRow r = picked.get();
    if (r == null) {
      return;
    }
    Path file = match.entry().file();
    Job job = drawer.region().job();
    boolean beside = layer || job != Job.NONE;
    Sounds now = maker.soundsProperty().get();
    Part part = r.heard().part();
    if (beside && now.sound(part).layers().size() == Sound.MOST) {
      desk.say(
          "It has " + Sound.MOST + " layers, and no more fit. Take one out on the Sounds bench.");
      return;
    }
    lanes
        .reading()
        .start(
            p -> Taking.with(match, r, now, beside, job),
            SameTrack.only(
                desk,
                sound -> {
                  String name = file.getFileName().toString().replaceFirst("\\.[^.]*$", "");
                  String words = r.heard().name() + ": " + name + (beside ? " beside it" : "");
                  desk.sound(maker.soundsProperty().get().with(part, sound), words);
                }),
            e -> desk.say(String.valueOf(e.getMessage())));
  }

  /** Turns the recipe of the picked sound until it is nearest to the track's. */
  public void nearer() {
    if (picked.get() != null) {
      nearer(List.of(picked.get()));
    }
  }

  /** The same for all sounds, as one change. */
  public void allNearer() {
    nearer(rows.get());
  }

  private void nearer(List<PaletteRow> which) {
    Sounds now = maker.soundsProperty().get();
    lanes
        .matching()
        .start(
            p -> Nearer.of(which, maker.renderer(), now, p),
            SameTrack.only(desk, this::turned),
            e -> notice.failed("Bringing the sounds nearer", e, "They are as they were."));
  }

  /** The turned recipes go onto the sounds as they are by now: what was set meanwhile stays. */
  private void turned(Nearer near) {
    Sounds out = maker.soundsProperty().get();
    for (Map.Entry<Part, Sound> t : near.turned().entrySet()) {
      out = out.with(t.getKey(), t.getValue());
    }
    if (near.turned().isEmpty()) {
      desk.say(near.words());
    } else {
      desk.sound(out, near.words());
    }
  }

  /** Heard against echo, in the order of the parts. */
  public ReadOnlyObjectProperty<List<PaletteRow>> rowsProperty() {
    return rows.getReadOnlyProperty();
  }

  /** The row that is looked at; null for none. */
  public ReadOnlyObjectProperty<PaletteRow> pickedProperty() {
    return picked.getReadOnlyProperty();
  }

  /** The person's samples. */
  public SampleDrawer drawer() {
    return drawer;
  }
}
