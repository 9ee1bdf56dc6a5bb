package looseecho.play;

import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicReference;
import looseecho.audio.Audio;
import looseecho.mix.EchoRenderer;
import looseecho.mix.Excerpt;

/**
 * Plays heard and echo against each other: the same position, loudness matched, faded from one to
 * the other without a click. Both must have {@link EchoRenderer#RATE}. All methods may be called
 * from any thread; sound is made on one thread of its own.
 */
public final class Player implements AutoCloseable {
  private static final int BLOCK = 512;
  private static final double GLIDE_SECONDS = 0.012;
  private static final float START_VOLUME = 0.4f; // -8 dB: start quiet
  private static final float CAP = 0.891f;

  private final OutputDevice device;
  private final Thread thread;
  private final Listening listening = new Listening(EchoRenderer.RATE);
  private final AtomicReference<Deck> deck = new AtomicReference<>(Deck.EMPTY);
  private final AtomicReference<float[]> audition = new AtomicReference<>();
  private volatile boolean playing;
  private volatile boolean closed;
  private volatile double balance = 0.5;
  private volatile float volume = START_VOLUME;
  private volatile int position;
  private final AtomicInteger jump = new AtomicInteger(-1);
  private volatile String failure = "";

  /** Takes over the device and closes it with itself. */
  public Player(OutputDevice device) {
    this.device = device;
    this.thread = new Thread(this::run, "player");
    thread.setDaemon(true);
    thread.start();
  }

  /** Sets what is heard, or null; the echo is dropped with it, speed and loop are set back. */
  public void load(Audio heard, double heardGain) {
    playing = false;
    deck.set(Deck.EMPTY.with(heard, heardGain));
    jump.set(0);
  }

  /**
   * Sets the echo while playing goes on; it is faded in over the old one within a block. It must be
   * as slow as what is heard.
   */
  public void echo(Audio echo, double gain) {
    deck.updateAndGet(d -> d.with(Deck.Track.of(echo), gain));
  }

  /** Lays a newer stretch over the echo, until the next echo is set. */
  public void over(Excerpt newer) {
    deck.updateAndGet(d -> d.over(newer));
  }

  /**
   * Exchanges both sounds for copies of another speed; the place in the music stays.
   *
   * @param heard as long as before divided by the speed
   * @param echo likewise, or null
   * @param speed 1 for the sounds themselves
   */
  public void speed(Audio heard, Audio echo, double speed) {
    double place = position();
    deck.updateAndGet(d -> d.with(heard, Deck.Track.of(echo), speed));
    seek(place);
  }

  public double speed() {
    return deck.get().speed();
  }

  /** Clicks at these seconds, higher where accented; none with empty arrays. */
  public void click(double[] seconds, boolean[] accents) {
    deck.updateAndGet(d -> d.with(Click.of(seconds, accents, EchoRenderer.RATE / d.speed())));
  }

  /**
   * Loops between two seconds; from the start to the end when {@code end} is not behind {@code
   * start}.
   */
  public void loop(double start, double end) {
    double to = end > start ? end : Double.POSITIVE_INFINITY;
    deck.updateAndGet(d -> d.looping(Math.max(0, start), to));
  }

  public double loopStart() {
    return deck.get().loopStart();
  }

  /** Infinite where nothing loops but the whole. */
  public double loopEnd() {
    return deck.get().loopEnd();
  }

  /** 0 = heard alone, 1 = echo alone; between them both, equally loud in the middle. */
  public void balance(double value) {
    balance = Math.max(0, Math.min(1, value));
  }

  public double balance() {
    return balance;
  }

  /** Linear volume, 0..1. */
  public void volume(double value) {
    volume = (float) Math.max(0, Math.min(1, value));
  }

  public double volume() {
    return volume;
  }

  public void play() {
    playing = true;
  }

  public void pause() {
    playing = false;
  }

  public boolean playing() {
    return playing;
  }

  /** Moves to a second. */
  public void seek(double seconds) {
    jump.set(Math.max(0, deck.get().sample(seconds)));
  }

  /** The second that is heard now. */
  public double position() {
    int j = jump.get();
    return (double) (j >= 0 ? j : position) / EchoRenderer.RATE * deck.get().speed();
  }

  /** Clicks a bar to count in with, over everything. */
  public void countIn(int beats, double beatSeconds) {
    audition(Click.countIn(beats, beatSeconds));
  }

  /** Plays a short mono sound at once, over everything. */
  public void audition(float[] mono) {
    audition.set(mono);
  }

  /** How loud and for how long it has sounded. */
  public Listening listening() {
    return listening;
  }

  /** A sentence when sound has stopped for good; empty while all is well. */
  public String failure() {
    return failure;
  }

  /** What the person is told about the device. */
  public String remark() {
    return device.remark();
  }

  private void run() {
    float[] out = new float[2 * BLOCK];
    Voice voice = new Voice();
    try {
      while (!closed) {
        voice.block(out);
        listening.heard(out, BLOCK);
        device.write(out, BLOCK);
      }
    } catch (RuntimeException e) {
      System.getLogger(Player.class.getName()).log(System.Logger.Level.ERROR, "playing", e);
      playing = false;
      failure = "The sound device has stopped working. Plug it in and start again.";
    }
    device.close();
  }

  /** The sounding thread's own state. */
  private final class Voice {
    private final double glide = 1 - Math.exp(-1 / (GLIDE_SECONDS * EchoRenderer.RATE));
    private double heardGain;
    private double echoGain;
    private double master;
    private Deck.Track lastEcho;
    private float[] shot;
    private int shotAt;
    private int lastClick;

    void block(float[] out) {
      Deck d = deck.get();
      if (!playing && master < 1e-4) {
        takeJump();
      }
      Deck.Track oldEcho = lastEcho;
      lastEcho = d.echo();
      float[] fresh = audition.getAndSet(null);
      if (fresh != null) {
        shot = fresh;
        shotAt = 0;
      }
      boolean loud = playing && jump.get() < 0;
      double b = d.echo() == null ? 0 : balance;
      double heardTarget = d.heardGain() * Math.cos(b * Math.PI / 2);
      double echoTarget = d.echoGain() * Math.sin(b * Math.PI / 2);
      for (int i = 0; i < BLOCK; i++) {
        master += glide * ((loud ? volume : 0) - master);
        heardGain += glide * (heardTarget - heardGain);
        echoGain += glide * (echoTarget - echoGain);
        double l = 0;
        double r = 0;
        if (master > 1e-5) {
          double fade = (double) i / BLOCK;
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
        double s = shot != null && shotAt < shot.length ? shot[shotAt++] * volume : 0;
        out[2 * i] = cap(l * master + s);
        out[2 * i + 1] = cap(r * master + s);
      }
      if (jump.get() >= 0 && master < 1e-3) {
        takeJump();
      }
    }

    private void takeJump() {
      int j = jump.get();
      if (j >= 0) {
        position = j;
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

    private float cap(double x) {
      return (float) Math.max(-CAP, Math.min(CAP, x));
    }
  }

  @Override
  public void close() {
    closed = true;
    try {
      thread.join(1000);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }
}
