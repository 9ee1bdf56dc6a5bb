package looseecho.analysis;

import java.util.List;
import java.util.Optional;
import looseecho.form.LayerMark;
import looseecho.form.SectionMark;
import looseecho.hits.HitMark;
import looseecho.notes.Key;
import looseecho.pulse.PulseFinder.Wanted;

/**
 * What the person has decided against or beside the measurement. Stored apart from it, and never
 * overwritten by a new analysis.
 *
 * @param pulse tempo, bar one, meter and nudge
 * @param key the key
 * @param sections the person's own sections; empty while they are measured
 * @param hits decisions about hits, in order
 * @param layers decisions about layers, in order
 * @param locked true when tempo, bars and sections are settled and shall not be moved by accident
 */
public record Corrections(
    Wanted pulse,
    Optional<Key> key,
    List<SectionMark> sections,
    List<HitMark> hits,
    List<LayerMark> layers,
    boolean locked) {
  /** Most corrections of one kind. */
  public static final int MOST = 100_000;

  public static final Corrections NONE =
      new Corrections(Wanted.NOTHING, Optional.empty(), List.of(), List.of(), List.of(), false);

  public Corrections {
    sections = List.copyOf(sections);
    hits = List.copyOf(hits);
    layers = List.copyOf(layers);
    if (sections.size() > MOST || hits.size() > MOST || layers.size() > MOST) {
      throw new IllegalArgumentException("more than " + MOST + " corrections of one kind");
    }
  }

  public Corrections withPulse(Wanted value) {
    return new Corrections(value, key, sections, hits, layers, locked);
  }

  public Corrections withBpm(double value) {
    return withPulse(pulse.withBpm(value));
  }

  public Corrections withBarOneAt(double seconds) {
    return withPulse(pulse.withBarOneAt(seconds));
  }

  public Corrections withKey(Key value) {
    return new Corrections(pulse, Optional.of(value), sections, hits, layers, locked);
  }

  public Corrections withSections(List<SectionMark> marks) {
    return new Corrections(pulse, key, marks, hits, layers, locked);
  }

  public Corrections withLocked(boolean value) {
    return new Corrections(pulse, key, sections, hits, layers, value);
  }

  public Corrections withLayers(List<LayerMark> marks) {
    return new Corrections(pulse, key, sections, hits, marks, locked);
  }

  /** The same with one more decision about layers. */
  public Corrections with(LayerMark mark) {
    List<LayerMark> all = new java.util.ArrayList<>(layers);
    all.add(mark);
    return withLayers(all);
  }

  /** The same with more decisions about hits, after those there are. */
  public Corrections withHits(List<HitMark> marks) {
    List<HitMark> all = new java.util.ArrayList<>(hits);
    all.addAll(marks);
    return new Corrections(pulse, key, sections, all, layers, locked);
  }

  /** The same without the decisions about hits that a test rejects. */
  public Corrections withoutHits(java.util.function.Predicate<HitMark> dropped) {
    List<HitMark> kept = hits.stream().filter(dropped.negate()).toList();
    return new Corrections(pulse, key, sections, kept, layers, locked);
  }
}
