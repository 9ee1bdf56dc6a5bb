package looseecho.hits;

import java.util.List;
import java.util.Optional;
import looseecho.pulse.Pulse;

/**
 * How late the second note of each pair is: 50 % straight, 66.7 % triplet.
 *
 * @param percent share of the pair that its first note takes, 50 = straight
 * @param unit "16th" or "8th": which notes are swung
 * @param words "straight", "swung" or "triplet"
 * @param notes on how many second notes this rests
 */
public record Swing(double percent, String unit, String words, int notes) {
  private static final int FEWEST = 12;
  private static final double FROM =
      0.40; // a second note lies here within its pair; nearer to a line it is a late first note
  private static final double TO = 0.78;
  private static final double EIGHTHS_RULE =
      3; // so many times more second eighths than second sixteenths make an eighth swing
  static final double STRAIGHT = 52;
  private static final double TRIPLET = 64;

  /**
   * Measures the swing of some hits by the median place of second notes in their pairs; sixteenths
   * first, eighths where hardly any sixteenth lies between them. Empty when too few second notes
   * are played.
   */
  public static Optional<Swing> of(List<Hit> hits, Pulse pulse) {
    double[] sixteenths = seconds(hits, pulse, 2);
    double[] eighths = seconds(hits, pulse, 1);
    boolean byEighths =
        eighths.length >= FEWEST && eighths.length > EIGHTHS_RULE * sixteenths.length;
    double[] places = byEighths ? eighths : sixteenths;
    if (places.length < FEWEST) {
      return Optional.empty();
    }
    double percent = 100 * places[places.length / 2];
    String words = percent < STRAIGHT ? "straight" : percent < TRIPLET ? "swung" : "triplet";
    return Optional.of(
        new Swing(Math.max(50, percent), byEighths ? "8th" : "16th", words, places.length));
  }

  /**
   * Places of the hits within pairs of which {@code perBeat} make a beat, sorted, those of second
   * notes alone.
   */
  private static double[] seconds(List<Hit> hits, Pulse pulse, int perBeat) {
    return hits.stream()
        .mapToDouble(h -> pulse.beatsAt(h.time()) * perBeat)
        .map(x -> x - Math.floor(x))
        .filter(x -> x > FROM && x < TO)
        .sorted()
        .toArray();
  }
}
