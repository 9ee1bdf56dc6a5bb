package looseecho.desktop;

import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;
import looseecho.desktop.session.Checklist;
import looseecho.desktop.session.PaletteRow;
import looseecho.desktop.session.Session;
import looseecho.doubt.Doubt;
import looseecho.doubt.Doubt.Topic;
import looseecho.echo.DrumPart;
import looseecho.echo.LinePart;
import looseecho.echo.Part;

/** Leads from one thing worth checking to the next, over all benches. */
final class Checks {
  private static final double RUN_UP = 0.3; // seconds before a place, so that it is heard coming
  private final Session session;
  private final Shell shell;
  private final Map<Topic, CheckStrip> strips = new EnumMap<>(Topic.class);

  Checks(Session session, Shell shell) {
    this.session = session;
    this.shell = shell;
  }

  /** The list that a bench goes through; empty where there is nothing to check. */
  static Optional<Topic> topic(Bench bench) {
    for (Topic t : Topic.values()) {
      if (t.name().equals(bench.name())) {
        return Optional.of(t);
      }
    }
    return Optional.empty();
  }

  /** The line over a bench. */
  Optional<CheckStrip> strip(Bench bench) {
    return topic(bench)
        .map(
            t ->
                strips.computeIfAbsent(t, u -> new CheckStrip(u, session.checklist(), this::next)));
  }

  /** Goes to the next one on this bench; to the next bench with some where there is none here. */
  void next() {
    int here = shell.bench().ordinal();
    for (int i = 0; i < Bench.values().length; i++) {
      Bench bench = Bench.values()[(here + i) % Bench.values().length];
      Optional<Doubt> next = topic(bench).flatMap(session.checklist()::next);
      if (next.isPresent()) {
        if (i > 0) {
          shell.go(bench);
        }
        goTo(next.get());
        return;
      }
    }
    session.desk().say("Nothing that was heard is in doubt.");
  }

  /** The one looked at is fine; on to the next. */
  void fine() {
    Checklist list = session.checklist();
    if (list.lookedProperty().get() != null) {
      list.fine();
      next();
    }
  }

  private void goTo(Doubt d) {
    d.spot()
        .ifPresent(
            s -> {
              if (d.topic() == Topic.PALETTE) {
                session.palette().rowsProperty().get().stream()
                    .filter(r -> isOf(r, s))
                    .findFirst()
                    .ifPresent(session.palette()::pick);
              } else {
                session.playback().player().seek(Math.max(0, s.time() - RUN_UP));
                session.selection().spotProperty().set(null); // the same place again counts, too
                session.selection().spotProperty().set(s);
              }
            });
  }

  private static boolean isOf(PaletteRow row, Doubt.Spot spot) {
    Part part = row.heard().part();
    return part.asDrum().map(DrumPart::lane).equals(spot.lane())
        && part.asLine().map(LinePart::line).equals(spot.line());
  }
}
