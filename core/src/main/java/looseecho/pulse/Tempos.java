package looseecho.pulse;

import java.util.List;

/** The tempos that a track could be felt at, the likeliest first; independent of corrections. */
public final class Tempos {
  private final List<Candidate> candidates;

  Tempos(List<Candidate> candidates) {
    this.candidates = List.copyOf(candidates);
  }

  List<Candidate> candidates() {
    return candidates;
  }
}
