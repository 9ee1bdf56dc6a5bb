package looseecho.play;

import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicReference;
import looseecho.mix.EchoRenderer;

/** Makes the player's sound block after block: the sounding thread's own state. */
final class Voice {
  private static final double GLIDE_SECONDS = 0.012;

  private final AtomicReference<Deck> deck;
  private final AtomicReference<Wish> wish;
  private final AtomicReference<float[]> audition = new AtomicReference<>();
  private final AtomicInteger jump = new AtomicInteger(-1);
  private final HeardPlace heardPlace = new HeardPlace(Player.BLOCK);
  private volatile int position;
  private final double glide = 1 - Math.exp(-1 / (GLIDE_SECONDS * EchoRenderer.RATE));
  private double heardGain;
  private double echoGain;
  private double master;
  private Deck.Track lastEcho;
  private float[] shot;
  private int shotAt;
  private int lastClick;

  Voice(AtomicReference<Deck> deck, AtomicReference<Wish> wish) {
    this.deck = deck;
    this.wish = wish;
  }

  /** Goes on from a sample of the deck; the sound fades out before. */
  void jump(int sample) {
    jump.set(sample);
  }

  /** Plays a mono sound at once, over everything. */
  void audition(float[] mono) {
    audition.set(mono);
  }

  /** The sample of the deck that is heard while so many wait in the device. */
  int place(long waiting) {
    int j = jump.get();
    int heard = heardPlace.place(waiting);
    return j >= 0 ? j : heard >= 0 ? heard : position;
  }

  /** The sample of the sound played over everything that is heard; -1 for none. */
  int auditioned(long waiting) {
    return heardPlace.shot(waiting);
  }

  /** Fills a block, {@link Player#BLOCK} samples of interleaved stereo. */
  void block(float[] out) {
    Wish w = wish.get();
    Deck d = deck.get();
    if (!w.playing() && master < 1e-4) {
      takeJump();
    }
    Deck.Track oldEcho = lastEcho;
    lastEcho = d.echo();
    float[] fresh = audition.getAndSet(null);
    if (fresh != null) {
      shot = fresh;
      shotAt = 0;
    }
    boolean loud = w.playing() && jump.get() < 0;
    double b = d.echo() == null ? 0 : w.balance();
    double heardTarget = d.heardGain() * Math.cos(b * Math.PI / 2);
    double echoTarget = d.echoGain() * Math.sin(b * Math.PI / 2);
    int from = position;
    int shotFrom = shot != null && shotAt < shot.length ? shotAt : -1;
    for (int i = 0; i < Player.BLOCK; i++) {
      master += glide * ((loud ? w.volume() : 0) - master);
      heardGain += glide * (heardTarget - heardGain);
      echoGain += glide * (echoTarget - echoGain);
      double l = 0;
      double r = 0;
      if (master > 1e-5) {
        double fade = (double) i / Player.BLOCK;
        l =
            heardGain * Deck.sample(d.heard(), position, 0)
                + echoGain * mix(oldEcho, d.echo(), fade, 0);
        r =
            heardGain * Deck.sample(d.heard(), position, 1)
                + echoGain * mix(oldEcho, d.echo(), fade, 1);
        double c = click(d.click());
        l += c;
        r += c;
        advance(d);
      }
      double s = shot != null && shotAt < shot.length ? shot[shotAt++] * w.volume() : 0;
      out[2 * i] = capped(l * master + s, w.cap());
      out[2 * i + 1] = capped(r * master + s, w.cap());
    }
    heardPlace.made(new HeardPlace.Made(from, position, shotFrom));
    if (jump.get() >= 0 && master < 1e-3) {
      takeJump();
    }
  }

  private void takeJump() {
    int j = jump.get();
    if (j >= 0) {
      position = j;
      heardPlace.jumped();
      jump.compareAndSet(j, -1); // a jump that came meanwhile is taken next
    }
  }

  private void advance(Deck d) {
    int next = position + 1;
    if (next >= Math.min(d.sample(d.loopEnd()), d.length())) {
      int start = d.sample(d.loopStart());
      next = start < d.length() ? start : 0;
    }
    position = next;
  }

  private double click(Click c) {
    int p = position;
    if (c.at().length == 0) {
      return 0;
    }
    boolean stale = lastClick >= c.at().length || lastClick < 0 || c.at()[lastClick] > p;
    if (stale || lastClick + 1 < c.at().length && c.at()[lastClick + 1] <= p) {
      lastClick = c.before(p);
    }
    return lastClick < 0 ? 0 : c.sample(p, lastClick);
  }

  private double mix(Deck.Track before, Deck.Track now, double fade, int channel) {
    double n = now == null ? 0 : now.sample(position, channel);
    if (before == now) {
      return n;
    }
    double b = before == null ? 0 : before.sample(position, channel);
    return b + fade * (n - b);
  }

  private static float capped(double x, float most) {
    return (float) Math.max(-most, Math.min(most, x));
  }
}
