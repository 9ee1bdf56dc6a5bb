package looseecho.play;

import java.util.Optional;
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
  static final int BLOCK = 512; // samples that are made at a time
  private static final long LOOK_AGAIN_MS = 20; // for another device, when one has failed

  private final AtomicReference<OutputDevice> next = new AtomicReference<>();
  private volatile OutputDevice device;
  private volatile boolean closed;
  private final Thread thread;
  private final Listening listening = new Listening(EchoRenderer.RATE);
  private final AtomicReference<Deck> deck = new AtomicReference<>(Deck.EMPTY);
  private final AtomicReference<Wish> wish = new AtomicReference<>(Wish.START);
  private final Voice voice = new Voice(deck, wish);
  private volatile String failure = "";

  /** Takes over the device and closes it with itself. */
  public Player(OutputDevice device) {
    this.device = device;
    this.thread = new Thread(this::run, "player");
    thread.setDaemon(true);
    thread.start();
  }

  /** Goes on over another device, which it takes over; the one before is closed. */
  public void device(OutputDevice other) {
    OutputDevice unused = next.getAndSet(other);
    if (unused != null) {
      unused.close();
    }
  }

  /** No sample goes beyond this, whatever the volume; linear, up to -1 dB. */
  public void cap(double most) {
    wish.updateAndGet(w -> w.cap(most));
  }

  /** Sets what is heard, or null; the echo is dropped with it, speed and loop are set back. */
  public void load(Audio heard, double heardGain) {
    wish.updateAndGet(w -> w.playing(false));
    deck.set(Deck.EMPTY.with(heard, heardGain));
    voice.jump(0);
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
    wish.updateAndGet(w -> w.balance(value));
  }

  public double balance() {
    return wish.get().balance();
  }

  /** Linear volume, 0..1. */
  public void volume(double value) {
    wish.updateAndGet(w -> w.volume(value));
  }

  public double volume() {
    return wish.get().volume();
  }

  public void play() {
    wish.updateAndGet(w -> w.playing(true));
  }

  public void pause() {
    wish.updateAndGet(w -> w.playing(false));
  }

  public boolean playing() {
    return wish.get().playing();
  }

  /** Moves to a second. */
  public void seek(double seconds) {
    voice.jump(Math.max(0, deck.get().sample(seconds)));
  }

  /** The second that is heard now. */
  public double position() {
    return (double) voice.place(device.waiting()) / EchoRenderer.RATE * deck.get().speed();
  }

  /** Clicks a bar to count in with, over everything. */
  public void countIn(int beats, double beatSeconds) {
    audition(Click.countIn(beats, beatSeconds));
  }

  /** Plays a short mono sound at once, over everything. */
  public void audition(float[] mono) {
    voice.audition(mono);
  }

  /** The second of that sound which is heard now; negative while none is. */
  public double auditioned() {
    return (double) voice.auditioned(device.waiting()) / EchoRenderer.RATE;
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
    while (!closed) {
      change();
      if (failure.isEmpty()) {
        try {
          voice.block(out);
          listening.heard(out, BLOCK);
          device.write(out, BLOCK);
        } catch (RuntimeException e) {
          System.getLogger(Player.class.getName()).log(System.Logger.Level.ERROR, "playing", e);
          wish.updateAndGet(w -> w.playing(false));
          failure = "The sound device has stopped working. Choose one in the settings (F4).";
        }
      } else {
        rest();
      }
    }
    device.close();
    Optional.ofNullable(next.getAndSet(null)).ifPresent(OutputDevice::close);
  }

  private void change() {
    OutputDevice other = next.getAndSet(null);
    if (other != null) {
      OutputDevice before = device;
      device = other;
      before.close();
      failure = "";
    }
  }

  private static void rest() {
    try {
      Thread.sleep(LOOK_AGAIN_MS);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
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
