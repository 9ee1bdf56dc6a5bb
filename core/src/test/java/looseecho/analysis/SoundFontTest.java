package looseecho.analysis;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import javax.sound.midi.MidiEvent;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Sequence;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Track;
import looseecho.Metrics;
import looseecho.activity.Lane;
import looseecho.audio.AudioReader;
import looseecho.hits.Hit;
import looseecho.reading.Progress;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * A drum kit that no network has heard: the General MIDI sound font of Debian's package
 * timgm6mb-soundfont, played by its package fluidsynth; skipped where these are not installed.
 */
class SoundFontTest {
  private static final Path FONT = Path.of("/usr/share/sounds/sf2/TimGM6mb.sf2");
  private static final Path PLAYER = Path.of("/usr/bin/fluidsynth");
  private static final double STEP = 0.125; // a sixteenth at 120, the tempo of a MIDI file

  private static final int TICKS = 120; // of a sixteenth

  private record Stroke(Lane lane, int step, int velocity) {}

  /** Sixteen bars: kick, snare with a soft stroke, eighths of hats with accents. */
  private static List<Stroke> song() {
    List<Stroke> out = new ArrayList<>();
    for (int bar = 0; bar < 16; bar++) {
      for (int s : new int[] {0, 7, 10}) {
        out.add(new Stroke(Lane.KICK, 16 * bar + s, s == 0 ? 115 : 90));
      }
      for (int s : new int[] {4, 9, 12}) {
        out.add(new Stroke(Lane.SNARE, 16 * bar + s, s == 9 ? 60 : 110));
      }
      for (int s = 0; s < 16; s += 2) {
        out.add(new Stroke(Lane.HAT_CLOSED, 16 * bar + s, s % 4 == 0 ? 105 : 65));
      }
    }
    return out;
  }

  private static Path play(List<Stroke> song, Path folder) throws Exception {
    Sequence sequence = new Sequence(Sequence.PPQ, 4 * TICKS);
    Track track = sequence.createTrack();
    for (Stroke s : song) {
      int drum = s.lane().midi();
      track.add(
          new MidiEvent(new ShortMessage(0x90, 9, drum, s.velocity()), (long) TICKS * s.step()));
      track.add(new MidiEvent(new ShortMessage(0x80, 9, drum, 0), TICKS * (s.step() + 1L)));
    }
    Path midi = folder.resolve("song.mid");
    MidiSystem.write(sequence, 0, midi.toFile());
    Path wav = folder.resolve("song.wav");
    List<String> command = new ArrayList<>(List.of(PLAYER.toString(), "-ni", "-q"));
    command.addAll(List.of("-R", "0", "-C", "0", "-r", "44100", "-F", wav.toString()));
    command.addAll(List.of(FONT.toString(), midi.toString()));
    Process player = new ProcessBuilder(command).redirectErrorStream(true).start();
    player.getInputStream().readAllBytes();
    assertEquals(0, player.waitFor());
    return wav;
  }

  @Test
  void aKitOfAnotherHandIsHeardHitByHit(@TempDir Path folder) throws Exception {
    assumeTrue(Files.exists(FONT) && Files.exists(PLAYER), "not installed");
    List<Stroke> song = song();
    var audio = new AudioReader().read(play(song, folder), Progress.NONE).audio();
    List<Hit> heard = new Analyzer().analyse(audio, Corrections.NONE, Progress.NONE).hits();
    for (Lane lane : new Lane[] {Lane.KICK, Lane.SNARE, Lane.HAT_CLOSED}) {
      double[] truth =
          song.stream().filter(s -> s.lane() == lane).mapToDouble(s -> s.step() * STEP).toArray();
      List<Hit> hits = heard.stream().filter(h -> h.lane().base() == lane).toList();
      double f = Metrics.f(truth, hits.stream().mapToDouble(Hit::time).toArray(), Metrics.ONSET);
      assertTrue(f > 0.9, lane + " F " + f + " " + hits.subList(0, Math.min(4, hits.size())));
      double loud = mean(song, hits, lane, true);
      double soft = mean(song, hits, lane, false);
      assertTrue(loud > soft + 5, lane + " loud " + loud + ", soft " + soft);
    }
  }

  /** Mean velocity heard where the lane was struck with 100 and more, or with less. */
  private static double mean(List<Stroke> song, List<Hit> hits, Lane lane, boolean loud) {
    return hits.stream()
        .filter(
            h ->
                song.stream()
                    .filter(s -> s.lane() == lane && s.velocity() >= 100 == loud)
                    .anyMatch(s -> Math.abs(s.step() * STEP - h.time()) < Metrics.ONSET))
        .mapToInt(Hit::velocity)
        .average()
        .orElseThrow();
  }
}
