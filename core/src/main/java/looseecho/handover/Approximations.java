package looseecho.handover;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import looseecho.analysis.Analysis;
import looseecho.echo.Part;
import looseecho.echo.Template;
import looseecho.hits.Hit;
import looseecho.mix.Sounds;
import looseecho.synth.SampleSound;

/** What in a hand-over is only near, so that nobody takes it for exact. */
final class Approximations {
  private static final double SURE = 0.6;

  private Approximations() {}

  /** A sentence for each. */
  static List<String> of(Handover h) {
    List<String> out = new ArrayList<>();
    h.heard().ifPresent(a -> heard(a, out));
    sounds(h, out);
    out.add(
        "The score is written to the nearest sixteenth or its triplet: who comes late or early"
            + " stands in the MIDI file and the tables.");
    Template t = h.template();
    if (t.sections().stream().anyMatch(s -> !s.movement().courses().isEmpty())) {
      out.add(
          "What moves is in the MIDI file as controllers: another instrument answers to them in its"
              + " own way.");
    }
    return out;
  }

  private static void heard(Analysis a, List<String> out) {
    out.addAll(a.notes());
    long doubtful = a.hits().stream().filter(Hit::doubtful).count();
    if (doubtful > 0) {
      out.add(
          doubtful
              + " of "
              + a.hits().size()
              + " hits of the track are doubtful; nobody settled"
              + " them.");
    }
    a.pulse()
        .filter(p -> p.tempo().confidence() < SURE)
        .ifPresent(p -> out.add("The tempo of the track is not sure."));
  }

  private static void sounds(Handover h, List<String> out) {
    Template t = h.template();
    Sounds sounds = h.project().sounds();
    List<String> samples = new ArrayList<>();
    for (Part part : Part.of(t)) {
      Optional<SampleSound> own = part.asDrum().flatMap(sounds::sample);
      own.ifPresent(s -> samples.add(t.name(part)));
    }
    out.add(
        samples.isEmpty()
            ? "All sounds are synthesised; nothing of the track's recording is in them."
            : "Samples: " + String.join(", ", samples) + ". All other sounds are synthesised.");
  }
}
