package looseecho.exchange;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import looseecho.audio.WavStream;
import looseecho.disk.Outputs;
import looseecho.disk.WholeFile;
import looseecho.echo.Course;
import looseecho.echo.DrumPart;
import looseecho.echo.LinePart;
import looseecho.echo.Ornament;
import looseecho.echo.Part;
import looseecho.echo.Stroke;
import looseecho.echo.Template;
import looseecho.echo.TemplateSection;
import looseecho.echo.Tone;
import looseecho.mix.Bus;
import looseecho.mix.EchoRenderer;
import looseecho.reading.Progress;

/** Writes a template for another workstation: MIDI, the mix and one stem per part. */
public final class TemplateExport {
  private static final double DRUM_SECONDS = 0.03;

  /** Which of the sound is written, and how. */
  public enum Sound {
    /** The mix alone. */
    MIX,
    /** The mix and its stems; with the limiter's course in them they add up to it. */
    STEMS,
    /** The same before the limiter, as 32-bit float, since peaks may pass full scale. */
    UNLIMITED_STEMS
  }

  /**
   * Writes NAME.mid, NAME.wav and, when asked for, NAME PART.wav into a folder, made if need be.
   * All sound is written at once, block after block, and appears when it is complete.
   *
   * @param allowed says which files may be written over; looked at before anything is written
   * @return the files written
   */
  public List<Path> write(
      Template t,
      EchoRenderer renderer,
      Path folder,
      StemNames called,
      Sound sound,
      Outputs allowed,
      Progress progress)
      throws IOException {
    Files.createDirectories(folder);
    Path midi = folder.resolve(called.name() + ".mid");
    List<Path> all = new ArrayList<>(List.of(midi));
    all.addAll(paths(t, names(t, renderer, sound), folder, called));
    allowed.check(all);
    new MidiWriter().write(song(t), midi);
    writeSound(t, renderer, folder, called, sound, progress);
    return all;
  }

  /**
   * Writes the sound alone, into a folder that is there and where nothing can be written over.
   *
   * @return the files written
   */
  public List<Path> writeSound(
      Template t,
      EchoRenderer renderer,
      Path folder,
      StemNames called,
      Sound sound,
      Progress progress)
      throws IOException {
    List<String> names = names(t, renderer, sound);
    List<Path> sounds = paths(t, names, folder, called);
    WholeFile.writeAll(sounds, parts -> stream(t, renderer, names, parts, sound, progress));
    return sounds;
  }

  /** The mix, which has no name, and the stems. */
  private static List<String> names(Template t, EchoRenderer renderer, Sound sound) {
    List<String> names = new ArrayList<>(List.of(""));
    if (sound != Sound.MIX) {
      names.addAll(renderer.stems(t));
    }
    return names;
  }

  private static List<Path> paths(Template t, List<String> names, Path folder, StemNames called) {
    return names.stream().map(n -> folder.resolve(called.file(t, "", n))).toList();
  }

  private static void stream(
      Template t,
      EchoRenderer renderer,
      List<String> names,
      List<Path> parts,
      Sound sound,
      Progress progress)
      throws IOException {
    boolean limited = sound != Sound.UNLIMITED_STEMS;
    Map<String, WavStream> out = new LinkedHashMap<>();
    try {
      for (int k = 0; k < parts.size(); k++) {
        out.put(names.get(k), new WavStream(parts.get(k), EchoRenderer.RATE, !limited));
      }
      renderer.stream(
          t,
          sound != Sound.MIX,
          (mix, stems, course) -> {
            for (Map.Entry<String, WavStream> file : out.entrySet()) {
              Bus bus = file.getKey().isEmpty() ? mix : stems.get(file.getKey());
              file.getValue().add(pairs(bus, limited ? course : null), bus.length());
            }
          },
          progress);
      for (WavStream file : out.values()) {
        file.finish();
      }
    } finally {
      for (WavStream file : out.values()) {
        file.close();
      }
    }
  }

  private static float[] pairs(Bus bus, float[] course) {
    float[] out = new float[2 * bus.length()];
    for (int i = 0; i < bus.length(); i++) {
      float gain = course == null ? 1 : course[i];
      out[2 * i] = gain * bus.left(i);
      out[2 * i + 1] = gain * bus.right(i);
    }
    return out;
  }

  /** The template as a MIDI song. */
  public static MidiSong song(Template t) {
    List<MidiSong.Marker> markers = new ArrayList<>();
    for (int s = 0; s < t.sections().size(); s++) {
      TemplateSection section = t.sections().get(s);
      markers.add(new MidiSong.Marker(t.time(s, 0, 0), section.label() + " " + section.role()));
    }
    List<MidiSong.Track> tracks = new ArrayList<>();
    int lines = 0;
    for (Part part : Part.of(t)) {
      String name = MidiSong.capital(t.name(part));
      List<MidiSong.Control> moves = CourseControls.of(t, part.toString());
      if (part instanceof DrumPart drum) {
        tracks.add(new MidiSong.Track(name, MidiSong.DRUMS, 0, hits(t, drum), moves));
      } else if (part instanceof LinePart line) {
        int channel = MidiSong.channel(lines++);
        tracks.add(new MidiSong.Track(name, channel, line.line().program(), notes(t, line), moves));
      }
    }
    tracks.removeIf(track -> track.events().isEmpty());
    for (String scope : List.of(Course.ALL, Course.DRUMS, Course.TONES)) {
      List<MidiSong.Control> moves = CourseControls.of(t, scope);
      if (!moves.isEmpty()) {
        String name = MidiSong.capital(scope) + ", moving";
        tracks.add(new MidiSong.Track(name, 0, 0, List.of(), moves));
      }
    }
    return new MidiSong(t.beats(), t.meter(), t.key(), markers, tracks);
  }

  private static List<MidiSong.Event> hits(Template t, DrumPart drum) {
    List<MidiSong.Event> out = new ArrayList<>();
    for (int s = 0; s < t.sections().size(); s++) {
      for (Stroke h : t.sections().get(s).hits(drum)) {
        for (Ornament.Blow k : h.manner().ornament().blows(h.manner().flamMs())) {
          double time = Math.max(0, t.time(s, h.tick() + k.ticks(), h.offsetMs() + k.ms()));
          int velocity = (int) Math.max(1, Math.round(h.velocity() * k.loudness()));
          String words = MidiManner.write(h.manner());
          double lasting = lasting(t, s, h);
          out.add(new MidiSong.Event(time, lasting, drum.lane().midi(), velocity, null, words));
        }
      }
    }
    return out;
  }

  private static List<MidiSong.Event> notes(Template t, LinePart line) {
    List<MidiSong.Event> out = new ArrayList<>();
    for (int s = 0; s < t.sections().size(); s++) {
      for (Tone n : t.sections().get(s).notes(line)) {
        out.add(event(t, s, n));
      }
    }
    return out;
  }

  private static double lasting(Template t, int section, Stroke h) {
    int ticks = h.manner().lengthTicks();
    double cut = t.time(section, h.tick() + ticks, 0) - t.time(section, h.tick(), 0);
    return ticks == 0 ? DRUM_SECONDS : cut;
  }

  private static MidiSong.Event event(Template t, int section, Tone n) {
    double start = Math.max(0, t.time(section, n));
    double end = t.time(section, n.end(), n.offsetMs());
    MidiSong.Slide slide =
        n.slide() == 0 ? null : new MidiSong.Slide(n.slide(), start, start + n.slideMs() / 1000);
    return new MidiSong.Event(
        start, Math.max(0.02, end - start), n.pitch(), n.velocity(), slide, "");
  }
}
