package looseecho.mix;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import looseecho.activity.Lane;
import looseecho.echo.Course;
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

  static final String TRANSITIONS = "transitions";

  private final Template template;
  private final Sounds sounds;
  private final Optional<PartCache> cache;
  private final boolean wantStems;
  private final List<PartVoice> voices = new ArrayList<>();
  private final Map<Group, GroupVoice> groups = new EnumMap<>(Group.class);
  private final Room room;
  private final Optional<PingPong> repeats;
  private final List<BedRenderer> beds;
  private final TransitionVoice transitions;
  private final MasterVoice master;
  private final Map<String, WholeTone> tones = new HashMap<>();
  private final Map<String, Breaks> breaks = new HashMap<>();
  private final Map<String, Moving> moving = new HashMap<>();

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
    for (Part part : Part.of(template)) {
      voices.addAll(PartVoice.of(template, part, sounds, shots));
      cache.ifPresent(c -> c.begin(part, PartVoice.content(template, part)));
    }
    for (Group group : Group.values()) {
      groups.put(group, new GroupVoice(sounds.group(group)));
    }
    room = new Room(RATE, sounds.space());
    double beat = 60 / template.bpm();
    repeats =
        voices.stream().anyMatch(v -> v.sendsToDelay() && !v.repeatsItself())
            ? Optional.of(new PingPong(RATE, sounds.delayBeats() * beat, sounds.delay()))
            : Optional.empty();
    beds = beds(template, sounds);
    transitions = new TransitionVoice(template, sounds, shots);
    master = new MasterVoice(sounds.whole().master(), EchoRenderer.CEILING);
  }

  private static List<BedRenderer> beds(Template t, Sounds sounds) {
    int[] kicks = LayerScore.times(t, Lane.KICK);
    List<BedRenderer> out = new ArrayList<>();
    t.sections().stream()
        .map(s -> sounds.bed(s.label()))
        .distinct()
        .filter(Bed::audible)
        .forEach(
            bed -> {
              boolean[] mine = new boolean[t.sections().size()];
              for (int s = 0; s < mine.length; s++) {
                mine[s] = sounds.bed(t.sections().get(s).label()).equals(bed);
              }
              out.add(new BedRenderer(bed, kicks, mine));
            });
    return out;
  }

  /** How many layers are kept for the next rendering. */
  static int layers(Template t, Sounds sounds) {
    return Part.of(t).stream()
        .mapToInt(
            p ->
                t.sections().stream()
                    .map(s -> sounds.sound(p, s.label()))
                    .distinct()
                    .mapToInt(s -> s.layers().size())
                    .sum())
        .sum();
  }

  /** Names of the stems, in order. */
  List<String> stems() {
    List<String> names =
        new ArrayList<>(voices.stream().map(v -> template.name(v.part())).distinct().toList());
    if (!beds.isEmpty()) {
      names.add(BED);
    }
    if (voices.stream().anyMatch(PartVoice::sendsToRoom)) {
      names.add(ROOM);
    }
    if (voices.stream().anyMatch(PartVoice::sendsToDelay)) {
      names.add(REPEATS);
    }
    if (!transitions.isEmpty()) {
      names.add(TRANSITIONS);
    }
    return names;
  }

  /** The most that each group's compressor took off so far, in decibels; none where it is off. */
  Map<Group, Double> pressed() {
    Map<Group, Double> out = new EnumMap<>(Group.class);
    groups.forEach(
        (group, voice) -> {
          if (!sounds.group(group).squeeze().isOff()) {
            out.put(group, voice.reduction());
          }
        });
    return out;
  }

  /** The block that follows the one before. */
  Block next(Window window) {
    int n = window.length();
    List<PartVoice.Sounding> sounding =
        voices.parallelStream().map(v -> v.next(window, cache)).toList();
    Bus toRoom = new Bus(n, RATE);
    Bus toRepeats = new Bus(n, RATE);
    Bus own = new Bus(n, RATE);
    Map<String, Bus> stems = new LinkedHashMap<>();
    Map<Group, Bus> sums = new EnumMap<>(Group.class);
    Map<Group, Map<String, Bus>> grouped = new EnumMap<>(Group.class);
    for (int k = 0; k < voices.size(); k++) {
      PartVoice v = voices.get(k);
      PartVoice.Sounding s = sounding.get(k);
      Group group = Group.of(v.part());
      sums.computeIfAbsent(group, g -> new Bus(n, RATE)).add(s.placed(), 1);
      toRoom.add(s.room(), 0, 1, s.place());
      if (s.repeats() == null) {
        toRepeats.add(s.delay(), 0, 1, s.place());
      } else {
        own.add(s.repeats(), 1);
      }
      if (wantStems) {
        String name = template.name(v.part());
        Bus before = stems.get(name);
        if (before == null) {
          stems.put(name, s.placed());
          grouped.computeIfAbsent(group, g -> new LinkedHashMap<>()).put(name, s.placed());
        } else {
          before.add(s.placed(), 1);
        }
      }
    }
    Bus mix = new Bus(n, RATE);
    sums.forEach(
        (group, sum) -> {
          groups.get(group).run(sum, grouped.getOrDefault(group, Map.of()));
          mix.add(sum, 1);
        });
    for (BedRenderer bed : beds) {
      add(BED, moved(bed.render(template, window), window), mix, stems);
    }
    if (voices.stream().anyMatch(PartVoice::sendsToRoom)) {
      add(ROOM, room.of(toRoom), mix, stems);
    }
    if (voices.stream().anyMatch(PartVoice::sendsToDelay)) {
      repeats.ifPresent(r -> own.add(r.of(toRepeats), 1));
      add(REPEATS, own, mix, stems);
    }
    if (!transitions.isEmpty()) {
      add(TRANSITIONS, transitions.next(window), mix, stems);
    }
    whole(mix, stems, window);
    return new Block(mix, stems);
  }

  /** The bed follows what moves all. */
  private Bus moved(Bus bed, Window window) {
    Moving all =
        moving.computeIfAbsent(BED, b -> new Moving(template, c -> c.scope().equals(Course.ALL)));
    if (!all.isIdle()) {
      all.run(bed.sides()[0], bed.sides()[1], window);
    }
    return bed;
  }

  private void whole(Bus mix, Map<String, Bus> stems, Window window) {
    groups.get(Group.ALL).run(mix, stems);
    tone("").run(mix);
    stems.forEach((name, stem) -> tone(name).run(stem));
    breaks("").run(mix, window);
    stems.forEach((name, stem) -> breaks(name).run(stem, window));
    master.run(mix, stems.values());
  }

  private void add(String name, Bus sound, Bus mix, Map<String, Bus> stems) {
    mix.add(sound, 1);
    if (wantStems) {
      Bus before = stems.get(name);
      if (before == null) {
        stems.put(name, sound);
      } else {
        before.add(sound, 1);
      }
    }
  }

  private WholeTone tone(String stem) {
    return tones.computeIfAbsent(stem, s -> new WholeTone(sounds, RATE));
  }

  private Breaks breaks(String stem) {
    return breaks.computeIfAbsent(stem, s -> new Breaks(template));
  }
}
