package looseecho.echo;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.UnaryOperator;
import looseecho.echo.Edits.Edited;
import looseecho.notes.Key;
import looseecho.pulse.Beat;

/** Another tempo and another key for the new beat, with the arithmetic in words. */
public final class Retune {
  private Retune() {}

  /**
   * Changes the tempo; a map that drifts keeps its shape.
   *
   * @param inProportion true to scale offsets with the beat, false to keep their milliseconds
   */
  public static Edited tempo(Template t, double bpm, boolean inProportion) {
    if (!(bpm >= 20 && bpm <= 400)) {
      throw new IllegalArgumentException("bpm must be 20..400 (was: " + bpm + ")");
    }
    double ratio = bpm / t.bpm();
    double zero = t.beats().get(0).time();
    List<Beat> beats = new ArrayList<>();
    for (Beat b : t.beats()) {
      beats.add(new Beat(zero + (b.time() - zero) / ratio, b.position(), b.bar()));
    }
    double scale = inProportion ? 1 / ratio : 1;
    List<TemplateSection> sections =
        each(
            t,
            h -> h.at(h.tick(), h.offsetMs() * scale),
            n -> n.at(n.tick(), n.offsetMs() * scale));
    return new Edited(
        t.on(bpm, beats, sections),
        String.format(
            Locale.ROOT,
            "Tempo %s: %.4g times as fast; a sample played faster by as much rises %+.2f semitones; offsets %s",
            Words.bpm(bpm),
            ratio,
            Arithmetic.semitones(ratio),
            inProportion ? "in proportion" : "in ms as they were"));
  }

  /** All sections with every hit and note changed. */
  private static List<TemplateSection> each(
      Template t, UnaryOperator<Stroke> hit, UnaryOperator<Tone> note) {
    return t.sections().stream()
        .map(
            s ->
                s.changed(
                    s.beats(),
                    hits -> hits.stream().map(hit).toList(),
                    notes -> notes.stream().map(note).toList()))
        .toList();
  }

  /**
   * Changes the key: notes move by the nearest interval between the home notes, and to the same
   * degree of the new scale.
   */
  public static Edited key(Template t, Key key) {
    int shift = Math.floorMod(key.tonic() - t.key().tonic() + 6, 12) - 6;
    List<TemplateSection> sections =
        each(t, h -> h, n -> n.pitched(moved(n.pitch(), t.key(), key, shift)));
    return new Edited(
        t.with(sections).in(key),
        String.format(
            Locale.ROOT,
            "Key %s: %+d semitones, %+d cents, ratio %.4f",
            key.words(),
            shift,
            100 * shift,
            Arithmetic.ratio(shift)));
  }

  private static int moved(int pitch, Key from, Key to, int shift) {
    int target;
    if (from.scale() == to.scale() || !from.has(pitch)) {
      target = pitch + shift;
    } else {
      // the same degree: rungs are counted from the lowest home note of each key
      int octave = (from.tonic() + shift - to.tonic()) / 12 * to.scale().size();
      target = to.pitch(from.rung(pitch) + octave);
    }
    return Math.max(0, Math.min(127, target));
  }
}
