package looseecho.mix;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import looseecho.activity.Lane;
import looseecho.echo.DrumPart;
import looseecho.echo.Part;
import looseecho.echo.Template;

/**
 * Mixes a template block after block, in order, before the limiter. The stems of a block add up to
 * its mix: what is shared by several parts (room, repeats, bed) is a stem of its own, and the drive
 * of the drums, which bends their sum, is shared out as the gain that it comes to at every sample.
 * Belongs to one rendering.
 */
final class Mixer {
  static final String BED = "noise bed";
  static final String ROOM = "room";
  static final String REPEATS = "repeats";
  private static final int RATE = EchoRenderer.RATE;

  private final Template template;
  private final Sounds sounds;
  private final Optional<PartCache> cache;
  private final boolean wantStems;
  private final List<Voice> voices = new ArrayList<>();
  private final Room room;
  private final Optional<PingPong> repeats;
  private final Optional<BedRenderer> bed;
  private final Map<String, WholeTone> tones = new HashMap<>();

  /** A part with what it needs from block to block. */
  private record Voice(
      Part part, PartScore score, Strip strip, ColourFilter colour, Optional<Widener> widener) {}

  /**
   * A block of the song.
   *
   * @param stems by name, in order; empty when they are not wanted
   */
  record Block(Bus mix, Map<String, Bus> stems) {}

  Mixer(
      Template template, Sounds sounds, Shots shots, Optional<PartCache> cache, boolean wantStems) {
    this.template = template;
    this.sounds = sounds;
    this.cache = cache;
    this.wantStems = wantStems;
    for (Part part : sounding(template, sounds)) {
      Strip strip = sounds.strip(part);
      PartScore score = PartScore.of(template, part, sounds, shots);
      Optional<Widener> widener =
          strip.width() > 0 ? Optional.of(new Widener(RATE, strip.width())) : Optional.empty();
      voices.add(new Voice(part, score, strip, new ColourFilter(strip.colour(), RATE), widener));
      cache.ifPresent(c -> c.begin(part, PartScore.content(template, part, sounds)));
    }
    room = new Room(RATE, sounds.roomSeconds());
    repeats =
        voices.stream().anyMatch(v -> v.strip().delay() > 0)
            ? Optional.of(
                new PingPong(
                    RATE, sounds.delayBeats() * 60 / template.bpm(), sounds.delayFeedback()))
            : Optional.empty();
    bed =
        sounds.bed().audible()
            ? Optional.of(new BedRenderer(sounds.bed(), PartScore.times(template, Lane.KICK)))
            : Optional.empty();
  }

  /** The parts that are to be heard. */
  static List<Part> sounding(Template t, Sounds sounds) {
    return Part.of(t).stream().filter(p -> !sounds.strip(p).muted()).toList();
  }

  /** Names of the stems, in order. */
  static List<String> stems(Template t, Sounds sounds) {
    List<String> names = new ArrayList<>();
    List<Part> parts = sounding(t, sounds);
    parts.forEach(p -> names.add(t.name(p)));
    if (sounds.bed().audible()) {
      names.add(BED);
    }
    if (parts.stream().anyMatch(p -> sounds.strip(p).room() > 0)) {
      names.add(ROOM);
    }
    if (parts.stream().anyMatch(p -> sounds.strip(p).delay() > 0)) {
      names.add(REPEATS);
    }
    return names;
  }

  /** The block that follows the one before. */
  Block next(Window window) {
    int n = window.length();
    List<float[]> mono = voices.parallelStream().map(v -> sound(v, window)).toList();
    Bus drums = new Bus(n, RATE);
    Bus mix = new Bus(n, RATE);
    Bus toRoom = new Bus(n, RATE);
    Bus toRepeats = new Bus(n, RATE);
    Map<String, Bus> stems = new LinkedHashMap<>();
    List<Bus> driven = new ArrayList<>();
    for (int k = 0; k < voices.size(); k++) {
      Voice v = voices.get(k);
      boolean drum = v.part() instanceof DrumPart;
      Bus placed = placed(v, mono.get(k));
      (drum ? drums : mix).add(placed, 1);
      toRoom.add(mono.get(k), 0, v.strip().room(), v.strip().pan());
      toRepeats.add(mono.get(k), 0, v.strip().delay(), v.strip().pan());
      if (wantStems) {
        stems.put(template.name(v.part()), placed);
        if (drum) {
          driven.add(placed);
        }
      }
    }
    if (sounds.drumDrive() > 0) {
      Drive.bend(drums, sounds.drumDrive(), driven);
    }
    mix.add(drums, 1);
    bed.ifPresent(b -> add(BED, b.render(template, window), mix, stems));
    if (voices.stream().anyMatch(v -> v.strip().room() > 0)) {
      add(ROOM, room.of(toRoom), mix, stems);
    }
    repeats.ifPresent(r -> add(REPEATS, r.of(toRepeats), mix, stems));
    tone("").run(mix);
    stems.forEach((name, stem) -> tone(name).run(stem));
    return new Block(mix, stems);
  }

  private float[] sound(Voice v, Window window) {
    float[] plain =
        cache
            .map(c -> c.get(v.part(), window.from(), () -> v.score().render(window)))
            .orElseGet(() -> v.score().render(window));
    if (v.colour().isIdle()) {
      return plain;
    }
    float[] coloured = plain.clone(); // the plain one may be kept
    v.colour().run(coloured);
    return coloured;
  }

  private static Bus placed(Voice v, float[] mono) {
    Bus bus = new Bus(mono.length, RATE);
    bus.add(mono, 0, 1, v.strip().pan());
    v.widener().ifPresent(w -> w.spread(mono, bus));
    return bus;
  }

  private void add(String name, Bus sound, Bus mix, Map<String, Bus> stems) {
    mix.add(sound, 1);
    if (wantStems) {
      stems.put(name, sound);
    }
  }

  private WholeTone tone(String stem) {
    return tones.computeIfAbsent(stem, s -> new WholeTone(sounds, RATE));
  }
}
