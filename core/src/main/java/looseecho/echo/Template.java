package looseecho.echo;

import java.util.List;
import java.util.Map;
import java.util.Objects;
import looseecho.notes.Key;
import looseecho.pulse.BarGrid;
import looseecho.pulse.Beat;
import looseecho.pulse.BeatMap;
import looseecho.pulse.Meter;
import looseecho.reading.Limits;

/**
 * The editable template.
 *
 * @param bpm tempo in words; the tempo map itself is {@code beats}
 * @param meter how beats make bars and steps make beats
 * @param key the key
 * @param beats the tempo map: times of all beats, section after section, and one more for the end
 * @param sections in order; their beats add up to the map's
 * @param names of the parts that the person named or added
 */
public record Template(
    double bpm,
    Meter meter,
    Key key,
    List<Beat> beats,
    List<TemplateSection> sections,
    Map<Part, String> names) {
  public Template {
    names = names == null ? Map.of() : Map.copyOf(names);
    names.values().forEach(n -> Limits.text("name", n));
    beats = List.copyOf(beats);
    sections = List.copyOf(sections);
    Limits.within("bpm", bpm, Limits.SLOWEST_BPM, Limits.FASTEST_BPM);
    Limits.within("sections", sections.size(), 0, Limits.SECTIONS);
    Objects.requireNonNull(meter, "meter must not be null");
    Objects.requireNonNull(key, "key must not be null");
    long sum = sections.stream().mapToLong(TemplateSection::beats).sum();
    Limits.within("beats", (double) sum, 0, Limits.BEATS);
    Limits.within(
        "events", sections.stream().mapToInt(TemplateSection::events).sum(), 0, Limits.EVENTS);
    if (sum + 1 != beats.size()) {
      throw new IllegalArgumentException(
          "sections have " + sum + " beats, the map " + (beats.size() - 1));
    }
  }

  /** One whose parts have the names of their kinds. */
  public Template(
      double bpm, Meter meter, Key key, List<Beat> beats, List<TemplateSection> sections) {
    this(bpm, meter, key, beats, sections, Map.of());
  }

  /** Index of the section's first beat in the tempo map. */
  public int firstBeat(int section) {
    int sum = 0;
    for (int i = 0; i < section; i++) {
      sum += sections.get(i).beats();
    }
    return sum;
  }

  /** So many bars of four at 120 in which one part plays; it is the drum or the line. */
  public static Template bars(int bars, Part part, List<Stroke> hits, List<Tone> notes) {
    List<Beat> map = new java.util.ArrayList<>();
    for (int k = 0; k <= 4 * bars; k++) {
      map.add(new Beat(k * 0.5, k % 4 + 1, k / 4 + 1));
    }
    TemplateSection s = new TemplateSection("A", "", 4 * bars, Map.of(), Map.of());
    TemplateSection played =
        part.asDrum().isPresent()
            ? s.with(part.asDrum().get(), hits)
            : s.with(part.asLine().orElseThrow(), notes);
    return new Template(120, Meter.FOUR_FOUR, new Key(0, false), map, List.of(played));
  }

  /** The bars of a section. */
  public BarGrid grid(int section) {
    int first = firstBeat(section);
    return BarGrid.of(meter, beats.subList(first, first + sections.get(section).beats()));
  }

  /** Ticks of a section. */
  public int ticks(int section) {
    return sections.get(section).beats() * meter.ticksPerBeat();
  }

  /** Seconds at which something sounds. */
  public double time(int section, Placed<?> event) {
    return time(section, event.tick(), event.offsetMs());
  }

  /** Seconds of a place of a section in ticks, the offset included. */
  public double time(int section, double tick, double offsetMs) {
    double beat = firstBeat(section) + tick / meter.ticksPerBeat();
    return BeatMap.timeAt(beats, beat) + offsetMs / 1000;
  }

  /** Ticks from a section's start at a time in seconds, also beyond its ends. */
  public double tick(int section, double time) {
    double beat = BeatMap.beatsAt(beats, time);
    return (beat - firstBeat(section)) * meter.ticksPerBeat();
  }

  /** The same with another section in a place. */
  public Template with(int section, TemplateSection other) {
    List<TemplateSection> changed = new java.util.ArrayList<>(sections);
    changed.set(section, other);
    return with(changed);
  }

  /** How a part is called. */
  public String name(Part part) {
    return names.getOrDefault(part, part.words());
  }

  /** The same with one part alone. */
  public Template only(Part part) {
    return with(sections.stream().map(s -> s.only(part)).toList());
  }

  /** The same with other sections on the same tempo map. */
  public Template with(List<TemplateSection> others) {
    return new Template(bpm, meter, key, beats, others, names);
  }

  /** The same with parts called otherwise. */
  public Template named(Map<Part, String> others) {
    return new Template(bpm, meter, key, beats, sections, others);
  }

  /** The same in another key. */
  public Template in(Key other) {
    return new Template(bpm, meter, other, beats, sections, names);
  }

  /** The same on another tempo map with other sections. */
  public Template on(double newBpm, List<Beat> map, List<TemplateSection> others) {
    return new Template(newBpm, meter, key, map, others, names);
  }

  /** Seconds of all drum hits, section by section. */
  public double[] attacks() {
    return java.util.stream.IntStream.range(0, sections.size())
        .boxed()
        .flatMapToDouble(
            s ->
                sections.get(s).drums().values().stream()
                    .flatMap(List::stream)
                    .mapToDouble(h -> time(s, h)))
        .toArray();
  }

  /** Sound files that transitions play. */
  public List<String> recordings() {
    return sections.stream()
        .flatMap(s -> s.movement().transitions().stream())
        .map(Transition::file)
        .filter(f -> !f.isEmpty())
        .toList();
  }

  /** Seconds of the end of the last section. */
  public double end() {
    return beats.get(beats.size() - 1).time();
  }

  public int beatsPerBar() {
    return meter.beats();
  }

  /** Ticks of a whole bar. */
  public int ticksPerBar() {
    return meter.ticksPerBar();
  }
}
