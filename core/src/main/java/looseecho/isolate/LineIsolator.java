package looseecho.isolate;

import java.util.List;
import looseecho.audio.Audio;
import looseecho.dsp.Biquad;
import looseecho.notes.Line;
import looseecho.notes.Note;
import looseecho.notes.Tonality;
import looseecho.reading.Progress;

/**
 * Brings one line of a reference forward: its band alone, for bass and riff open only while their
 * notes sound. Good enough to hear a part better, and no more.
 */
public final class LineIsolator {
  private static final double Q = 0.7071;
  private static final double FADE = 0.02;
  private static final int REPORT = 1 << 20;

  /** The reference with what lies outside the line's band and notes taken out. */
  public Audio isolate(Audio audio, Line line, Tonality heard, Progress progress) {
    int rate = audio.sampleRate();
    double[] hertz =
        switch (line) {
          case BASS -> new double[] {28, 260};
          case CHORDS -> new double[] {160, 2200};
          case RIFF -> new double[] {300, 5000};
        };
    float[] gate =
        switch (line) {
          case BASS -> gate(audio, heard.bass());
          case RIFF -> gate(audio, heard.riff());
          case CHORDS -> null;
        };
    float[][] out = new float[2][audio.length()];
    for (int c = 0; c < 2; c++) {
      // Two filters in a row at each end: 24 dB per octave.
      Biquad[] filters = {
        Biquad.highPass(rate, hertz[0], Q),
        Biquad.highPass(rate, hertz[0], Q),
        Biquad.lowPass(rate, hertz[1], Q),
        Biquad.lowPass(rate, hertz[1], Q)
      };
      for (int i = 0; i < audio.length(); i++) {
        double x = c == 0 ? audio.left(i) : audio.right(i);
        for (Biquad f : filters) {
          x = f.next(x);
        }
        out[c][i] = (float) (gate == null ? x : gate[i] * x);
        if (i % REPORT == 0) {
          progress.step("Bringing out the " + line.words(), (c + (double) i / out[c].length) / 2);
        }
      }
    }
    return new Audio(out[0], out[1], rate);
  }

  private static float[] gate(Audio audio, List<Note> notes) {
    float[] gate = new float[audio.length()];
    int fade = (int) (FADE * audio.sampleRate());
    for (Note n : notes) {
      int from = (int) (n.start() * audio.sampleRate()) - fade;
      int to = (int) (n.end() * audio.sampleRate());
      for (int i = Math.max(0, from); i < Math.min(gate.length, to + fade); i++) {
        float in = Math.min(1, (i - from + 1f) / fade);
        float down = i < to ? 1 : 1 - (float) (i - to) / fade;
        gate[i] = Math.max(gate[i], Math.min(in, down));
      }
    }
    return gate;
  }
}
