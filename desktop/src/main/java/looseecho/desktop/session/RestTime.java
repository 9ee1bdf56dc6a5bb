package looseecho.desktop.session;

import java.util.HashMap;
import java.util.Map;

/**
 * How long the steps of a job still take, from how long what is done of them took. Steps may take
 * turns; each is reckoned by itself. Thread-safe.
 */
final class RestTime {
  private static final double SOON = 1.5; // seconds before which nothing can be said
  private static final double LEAST = 0.04; // share before which nothing can be said
  private static final int MINUTE = 60;
  private static final int ROUGHLY = 5; // seconds to which longer times are told

  private final Map<String, Begun> steps = new HashMap<>();

  private record Begun(double at, double share) {}

  /**
   * The rest of a step in words, such as "12 s"; empty while it can't be known.
   *
   * @param share how much of the step is done, 0..1; less than 0 when that is not known
   * @param now in seconds, from any beginning
   */
  synchronized String words(String step, double share, double now) {
    Begun begun = steps.get(step);
    if (begun == null || share < begun.share()) { // the same step once more
      begun = new Begun(now, Math.max(0, share));
      steps.put(step, begun);
    }
    double took = now - begun.at();
    double done = share - begun.share();
    if (took < SOON || done < LEAST || share >= 1) {
      return "";
    }
    int rest = (int) Math.max(1, Math.round(took * (1 - share) / done));
    if (rest < MINUTE) {
      return rest + " s";
    }
    int round = (rest + ROUGHLY - 1) / ROUGHLY * ROUGHLY;
    return round / MINUTE + " min" + (round % MINUTE == 0 ? "" : " " + round % MINUTE + " s");
  }
}
