package looseecho.loose;

import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import looseecho.activity.Lane;
import looseecho.echo.Arrangement;
import looseecho.echo.Part;
import looseecho.echo.Template;
import looseecho.notes.Line;

/** The same parts in another order. */
final class ArrangementOperations {
  /** What is never held back: the first kick, snare, clap and bass. */
  private static final List<Part> ANCHORS =
      List.of(Part.of(Lane.KICK), Part.of(Lane.SNARE), Part.of(Lane.CLAP), Part.of(Line.BASS));

  static final List<Operation> ALL =
      List.of(
          new Operation(
              "make the loop odd",
              Aspect.ARRANGEMENT,
              40,
              "everything but the section's last beats",
              ArrangementOperations::odd),
          new Operation(
              "stop before the next section",
              Aspect.ARRANGEMENT,
              1,
              "everything but the last beat",
              ArrangementOperations::stop),
          new Operation(
              "hold a part back",
              Aspect.ARRANGEMENT,
              1,
              "kick, back beat and bass",
              ArrangementOperations::holdBack),
          new Operation(
              "play the section twice",
              Aspect.ARRANGEMENT,
              40,
              "the section itself",
              (t, s, r) -> Optional.of(Arrangement.repeat(t, s).template())));

  private ArrangementOperations() {}

  private static Optional<Template> odd(Template t, int section, SplittableRandom r) {
    int beats = t.sections().get(section).beats();
    int less = 1 + r.nextInt(Math.max(1, t.beatsPerBar() - 1));
    return beats - less < t.beatsPerBar()
        ? Optional.empty()
        : Optional.of(Arrangement.resize(t, section, beats - less).template());
  }

  private static Optional<Template> stop(Template t, int section, SplittableRandom r) {
    int per = t.meter().ticksPerBeat();
    int end = t.ticks(section);
    return TimingOperations.changed(
        t, Arrangement.stop(t, section, Math.max(0, end - per), per).template());
  }

  private static Optional<Template> holdBack(Template t, int section, SplittableRandom r) {
    List<Part> parts =
        Part.of(t.sections().get(section)).stream().filter(p -> !ANCHORS.contains(p)).toList();
    return parts.isEmpty()
        ? Optional.empty()
        : Optional.of(
            Arrangement.silence(t, parts.get(r.nextInt(parts.size())), section).template());
  }
}
