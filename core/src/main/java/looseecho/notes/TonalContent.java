package looseecho.notes;

import java.util.List;
import looseecho.dsp.Chroma;

/** How much harmony a recording has: what is not there is not named. */
public enum TonalContent {
  /** No key: noise, speech, drums alone however they are tuned. */
  NONE,
  /** A home note and nothing that tells major from minor, as where one bass note drives on. */
  HOME,
  KEY;

  // Chosen on drum kits tuned at random, driven one-note basses and the songs of the table in
  // docs/accuracy.md: tones above 260 Hz are .14 to .25 there, .5 and more in songs.
  private static final double THIN = 0.35;
  private static final double LINE = 0.5; // share of the time that a bass line sounds for
  private static final double ONE_NOTE = 0.9; // share of the bass that is one pitch class
  private static final double SUNG = 0.02; // share of the time with another line
  private static final double STRANGE =
      0.2; // least share of tones that are no partials of the bass
  private static final int[] PARTIALS = {0, 7, 4, 10, 2}; // of a tone: 1, 3, 5, 7, 9 (any handbook)

  /**
   * What a stretch of seconds has.
   *
   * @param bass all bass notes of the track
   * @param riff all notes of the line above
   */
  public static TonalContent of(
      Chroma chroma, List<Note> bass, List<Note> riff, double from, double to) {
    if (!chroma.isTonal(from, to)) {
      return NONE;
    }
    double[] tones = chroma.sum(from, to);
    double high = 0;
    double low = 0;
    for (int c = 0; c < 12; c++) {
      high += tones[c];
      low += tones[12 + c];
    }
    double frames = chroma.framesIn(from, to);
    double[] rests = rests(bass);
    double lasting = java.util.Arrays.stream(rests).sum();
    int home = home(bass);
    boolean oneNote = lasting > 0 && rests[home] > ONE_NOTE * lasting;
    boolean line = lasting > LINE * (to - from);
    if (high < THIN * frames && high < low && (!line || rests[home] > 0.8 * lasting)) {
      return NONE; // drums: their tones lie low and die away
    }
    double sung = riff.stream().mapToDouble(n -> n.end() - n.start()).sum() / (to - from);
    double strange = high;
    for (int partial : PARTIALS) {
      strange -= tones[(home + partial) % 12];
    }
    return line && oneNote && sung < SUNG && strange < STRANGE * high ? HOME : KEY;
  }

  /** The pitch class that a bass rests on longest. */
  public static int home(List<Note> bass) {
    double[] rests = rests(bass);
    int home = 0;
    for (int c = 1; c < 12; c++) {
      home = rests[c] > rests[home] ? c : home;
    }
    return home;
  }

  private static double[] rests(List<Note> bass) {
    double[] out = new double[12];
    bass.forEach(n -> out[n.pitch() % 12] += n.end() - n.start());
    return out;
  }
}
