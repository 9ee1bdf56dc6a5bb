package looseecho.mix;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import looseecho.activity.Lane;
import looseecho.echo.Template;
import looseecho.reading.Ordered;
import looseecho.synth.Shot;

/**
 * One layer of a part in order of time, rendered stretch after stretch, before anything is done to
 * it. A sound that goes on is made once and carried over. Belongs to one rendering.
 */
final class LayerScore {
  private static final int RATE = EchoRenderer.RATE;
  private static final double VELOCITY_POWER = 1.4;
  private static final int CUT = RATE / 200; // a hit that is cut off fades in 5 ms

  /** Makes an event's sound when it is needed. */
  interface Maker {
    Shot make();
  }

  /**
   * A sound to be laid down.
   *
   * @param at sample of the song
   * @param length samples that it sounds for
   * @param lasting samples after which it is cut off
   */
  record Event(int at, int length, int lasting, double gain, Maker maker) {
    Event louder(double times) {
      return new Event(at, length, lasting, gain * times, maker);
    }
  }

  private final List<Event> events;
  private final int longest;
  private final Map<Event, Shot> carried = new HashMap<>();

  LayerScore(List<Event> all) {
    events = new ArrayList<>(all);
    events.sort(Comparator.comparingInt(Event::at));
    longest = events.stream().mapToInt(Event::length).max().orElse(0);
  }

  boolean isEmpty() {
    return events.isEmpty();
  }

  static int at(double seconds) {
    return (int) Math.round(seconds * RATE);
  }

  /** Linear loudness of a velocity. */
  static double gain(int velocity) {
    return Math.pow(velocity / 127.0, VELOCITY_POWER);
  }

  /** Samples of all hits of the drums of a lane, in order. */
  static int[] times(Template t, Lane lane) {
    return IntStream.range(0, t.sections().size())
        .boxed()
        .flatMap(s -> t.sections().get(s).all(lane).map(h -> at(t.time(s, h))))
        .mapToInt(Integer::intValue)
        .sorted()
        .toArray();
  }

  /** What of the layer sounds in a window; both sides are one array where all of it is mono. */
  float[][] render(Window window) {
    float[] left = new float[window.length()];
    float[] right = left;
    for (int k = Ordered.first(events, Event::at, window.from() - longest);
        k < events.size();
        k++) {
      Event e = events.get(k);
      if (e.at() >= window.end()) {
        break;
      }
      if (e.at() + e.length() > window.from()) {
        Shot shot = carried.computeIfAbsent(e, x -> x.maker().make());
        if (!shot.isMono() && right == left) {
          right = left.clone();
        }
        lay(left, shot.left(), e, window);
        if (right != left) {
          lay(right, shot.right(), e, window);
        }
      }
    }
    carried.keySet().removeIf(e -> e.at() + e.length() <= window.end());
    return new float[][] {left, right};
  }

  /** Adds a sound that is faded out after so many of its samples. */
  private static void lay(float[] out, float[] sound, Event e, Window window) {
    float g = (float) e.gain();
    int at = e.at() - window.from();
    int full = Math.min(e.lasting(), sound.length);
    int end = Math.min(Math.min(sound.length, e.length()), out.length - at);
    int from = Math.max(0, -at);
    int whole = Math.min(full, end);
    for (int i = from; i < whole; i++) {
      out[at + i] += g * sound[i];
    }
    for (int i = Math.max(from, full); i < end; i++) {
      out[at + i] += g * Math.max(0, 1 - (i - full) / (float) CUT) * sound[i];
    }
  }

  /** Samples that the fade at a cut takes. */
  static int cut() {
    return CUT;
  }

  /** All in one order, for what pushes a part down. */
  static int[] joined(int[]... times) {
    return Arrays.stream(times).flatMapToInt(Arrays::stream).sorted().toArray();
  }
}
