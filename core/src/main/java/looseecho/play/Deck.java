package looseecho.play;

import looseecho.audio.Audio;
import looseecho.mix.EchoRenderer;
import looseecho.mix.Excerpt;

/**
 * What is played, from where to where; replaced as a whole so that the sounding thread sees one
 * state. Sounds are as long as their own seconds divided by the speed; loop and clicks are in their
 * own seconds.
 *
 * @param heard or null
 * @param echo or null
 * @param loopEnd infinite where nothing loops but the whole
 */
record Deck(
    Audio heard,
    Track echo,
    double heardGain,
    double echoGain,
    double speed,
    double loopStart,
    double loopEnd,
    Click click) {
  static final Deck EMPTY = new Deck(null, null, 1, 1, 1, 0, Double.POSITIVE_INFINITY, Click.NONE);

  /** A rendering and, until the next one comes, a newer stretch laid over it. */
  record Track(Audio whole, Excerpt over) {
    static Track of(Audio whole) {
      return whole == null ? null : new Track(whole, null);
    }

    double sample(int p, int channel) {
      double share = over == null ? 0 : over.share(p);
      double old = share == 1 ? 0 : Deck.sample(whole, p, channel);
      return share == 0 ? old : old + share * (over.sample(p, channel) - old);
    }
  }

  /** A sample of a sound; 0 behind its end or where there is none. */
  static double sample(Audio a, int p, int channel) {
    return a == null || p >= a.length() ? 0 : channel == 0 ? a.left(p) : a.right(p);
  }

  /** The sample at a second. */
  int sample(double seconds) {
    return (int) Math.min(Integer.MAX_VALUE, Math.round(seconds / speed * EchoRenderer.RATE));
  }

  /** In samples: that of what is heard, or else of the echo. */
  int length() {
    return heard != null ? heard.length() : echo != null ? echo.whole().length() : 0;
  }

  Deck with(Audio newHeard, double gain) {
    return new Deck(newHeard, echo, gain, echoGain, speed, loopStart, loopEnd, click);
  }

  Deck with(Track newEcho, double gain) {
    return new Deck(heard, newEcho, heardGain, gain, speed, loopStart, loopEnd, click);
  }

  /** Both at another speed; the clicks are those of the old one and go. */
  Deck with(Audio newHeard, Track newEcho, double newSpeed) {
    return new Deck(
        newHeard, newEcho, heardGain, echoGain, newSpeed, loopStart, loopEnd, Click.NONE);
  }

  Deck with(Click newClick) {
    return new Deck(heard, echo, heardGain, echoGain, speed, loopStart, loopEnd, newClick);
  }

  Deck looping(double start, double end) {
    return new Deck(heard, echo, heardGain, echoGain, speed, start, end, click);
  }

  /** A newer stretch over the echo, where there is one. */
  Deck over(Excerpt newer) {
    return echo == null ? this : with(new Track(echo.whole(), newer), echoGain);
  }
}
