package looseecho.layers;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import looseecho.audio.Audio;
import looseecho.form.Event;
import looseecho.layers.HeardLayer.Span;

/** Layers of noise: beds that stand still, what swells towards edges, and what is turned round. */
final class NoiseFinder {
  private static final double TOUCHES = 1; // seconds

  private final Audio audio;
  private final List<Span> rises;
  private final List<Span> turned;

  /** With what happens once in the sound. */
  NoiseFinder(Audio audio, List<Event> events) {
    this.audio = audio;
    this.rises = spans(events, Event.Kind.NOISE_RISES);
    this.turned = spans(events, Event.Kind.REVERSED);
  }

  private static List<Span> spans(List<Event> events, Event.Kind kind) {
    return events.stream()
        .filter(e -> e.kind() == kind)
        .map(e -> new Span(e.start(), e.end()))
        .toList();
  }

  /**
   * Noise that was heard.
   *
   * @param active when, in order; empty for none
   * @param powers as they are in the mix
   */
  record Noise(List<Span> active, BandPowers powers) {
    Noise with(List<Span> others) {
      return new Noise(others, powers);
    }
  }

  /**
   * What was found.
   *
   * @param bed noise that swells until it stands still is its beginning
   * @param rises what swells towards edges and is gone there, measured while it is loudest
   * @param turned sounds turned round, cymbals as a rule
   * @param swell the beginning of the bed in which it grows little by little
   * @param duck what pushes the bed down
   */
  record Found(
      Noise bed,
      Noise rises,
      Noise turned,
      Optional<HeardLayer.Move> swell,
      Optional<HeardLayer.Duck> duck) {}

  /** With the drums that may push a bed down. */
  Found find(DuckMeter.Drum kick, DuckMeter.Drum snare) {
    BedFinder finder = new BedFinder(audio);
    Noise still = finder.find();
    if (still.active().isEmpty()) {
      Optional<PushedBed.Found> pushed = finder.pushed(kick, snare);
      if (pushed.isPresent()) {
        Optional<HeardLayer.Duck> duck = Optional.of(pushed.get().duck());
        return found(pushed.get().noise(), Optional.empty(), duck);
      }
    }
    return found(still, finder.swell(still), Optional.empty());
  }

  private Found found(
      Noise heard, Optional<HeardLayer.Move> swell, Optional<HeardLayer.Duck> duck) {
    List<Span> bed = new ArrayList<>();
    swell.ifPresent(m -> bed.add(new Span(m.start(), m.end())));
    for (Span s : heard.active()) {
      rises.stream().filter(r -> leadsInto(r, s)).forEach(bed::add);
      bed.add(s);
    }
    List<Span> own = rises.stream().filter(r -> !bed.contains(r)).toList();
    return new Found(heard.with(bed), loudest(own), loudest(turned), swell, duck);
  }

  /** Measured in the second half of each, where it is loudest. */
  private Noise loudest(List<Span> own) {
    QuietMeter quiet = new QuietMeter(audio);
    BandPowers powers = new BandPowers();
    own.forEach(r -> powers.add(quiet.within((r.start() + r.end()) / 2, r.end())));
    return new Noise(own, powers);
  }

  private static boolean leadsInto(Span rise, Span bed) {
    return rise.start() < bed.start() && rise.end() > bed.start() - TOUCHES;
  }
}
