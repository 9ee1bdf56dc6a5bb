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
   * @return the files written
   */
  public List<Path> write(
      Template t, EchoRenderer renderer, Path folder, String name, boolean stems, Progress progress)
      throws IOException {
    Files.createDirectories(folder);
    List<Path> files = new ArrayList<>();
    files.add(folder.resolve(name + ".mid"));
    new MidiWriter().write(song(t), files.get(0));
    files.add(folder.resolve(name + ".wav"));
    if (!stems) {
      new WavWriter().write(renderer.mix(t, progress), files.get(1));
      return files;
    }
    EchoRenderer.Rendering sound = renderer.render(t, progress);
    new WavWriter().write(sound.mix(), files.get(1));
    for (Map.Entry<String, Audio> stem : sound.stems().entrySet()) {
      progress.step("Writing " + stem.getKey(), 0);
      Path file = folder.resolve(name + " " + stem.getKey() + ".wav");
      new WavWriter().write(stem.getValue(), file);
      files.add(file);
    }
    return files;
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
