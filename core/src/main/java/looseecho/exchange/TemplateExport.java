package looseecho.exchange;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import looseecho.activity.Lane;
import looseecho.audio.Audio;
import looseecho.audio.WavWriter;
import looseecho.disk.Outputs;
import looseecho.echo.Ornament;
import looseecho.echo.StepHit;
import looseecho.echo.StepNote;
import looseecho.echo.Template;
import looseecho.echo.TemplateSection;
import looseecho.notes.Line;
import looseecho.reading.Progress;
import looseecho.sound.EchoRenderer;

/** Writes a template for another workstation: MIDI, the mix and one stem per part. */
public final class TemplateExport {
  private static final double DRUM_SECONDS = 0.03;

  /**
   * Writes NAME.mid, NAME.wav and, when asked for, NAME PART.wav into a folder, made if need be.
   *
   * @param allowed says which files may be written over; looked at before anything is written
   * @return the files written
   */
  public List<Path> write(
      Template t,
      EchoRenderer renderer,
      Path folder,
      String name,
      boolean stems,
      Outputs allowed,
      Progress progress)
      throws IOException {
    Files.createDirectories(folder);
    Path midi = folder.resolve(name + ".mid");
    Path mix = folder.resolve(name + ".wav");
    List<Path> files = new ArrayList<>(List.of(midi, mix));
    if (stems) {
      renderer.stems(t).forEach(stem -> files.add(folder.resolve(stem(name, stem))));
    }
    allowed.check(files);
    new MidiWriter().write(song(t), midi);
    if (!stems) {
      new WavWriter().write(renderer.mix(t, progress), mix);
      return files;
    }
    EchoRenderer.Rendering sound = renderer.render(t, progress);
    new WavWriter().write(sound.mix(), mix);
    for (Map.Entry<String, Audio> stem : sound.stems().entrySet()) {
      progress.step("Writing " + stem.getKey(), 0);
      new WavWriter().write(stem.getValue(), folder.resolve(stem(name, stem.getKey())));
    }
    return files;
  }

  private static String stem(String name, String part) {
    return name + " " + part + ".wav";
  }

  /** The template as a MIDI song. */
  public static MidiSong song(Template t) {
    Map<Lane, List<MidiSong.Event>> drums = new EnumMap<>(Lane.class);
    Map<Line, List<MidiSong.Event>> lines = new EnumMap<>(Line.class);
    List<MidiSong.Marker> markers = new ArrayList<>();
    for (int s = 0; s < t.sections().size(); s++) {
      TemplateSection section = t.sections().get(s);
      markers.add(new MidiSong.Marker(t.time(s, 0, 0), section.label() + " " + section.role()));
      for (Lane lane : Lane.values()) {
        for (StepHit h : section.hits(lane)) {
          for (Ornament.Stroke k : h.ornament().strokes()) {
            double time = Math.max(0, t.time(s, h.step() + k.steps(), h.offsetMs() + k.ms()));
            int velocity = (int) Math.max(1, Math.round(h.velocity() * k.loudness()));
            drums
                .computeIfAbsent(lane, l -> new ArrayList<>())
                .add(new MidiSong.Event(time, lasting(t, s, h), lane.midi(), velocity));
          }
        }
      }
      for (Line line : Line.values()) {
        for (StepNote n : section.notes(line)) {
          lines.computeIfAbsent(line, l -> new ArrayList<>()).add(event(t, s, n));
        }
      }
    }
    return MidiSong.of(t.beats(), t.meter(), t.key(), markers, drums, lines);
  }

  private static double lasting(Template t, int section, StepHit h) {
    double cut = t.time(section, h.step() + h.lengthSteps(), 0) - t.time(section, h.step(), 0);
    return h.lengthSteps() == 0 ? DRUM_SECONDS : cut;
  }

  private static MidiSong.Event event(Template t, int section, StepNote n) {
    double start = Math.max(0, t.time(section, n.step(), n.offsetMs()));
    double end = t.time(section, n.step() + n.lengthSteps(), n.offsetMs());
    MidiSong.Slide slide =
        n.slide() == 0 ? null : new MidiSong.Slide(n.slide(), start, start + n.slideMs() / 1000);
    return new MidiSong.Event(start, Math.max(0.02, end - start), n.pitch(), n.velocity(), slide);
  }
}
