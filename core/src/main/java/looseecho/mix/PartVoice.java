package looseecho.mix;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.ToDoubleFunction;
import looseecho.echo.Course.Target;
import looseecho.echo.Manner;
import looseecho.echo.Part;
import looseecho.echo.Template;
import looseecho.mix.LayerScore.Event;
import looseecho.synth.Source;

/**
 * A part, or those of its sections that have one sound, with what it needs from block to block: its
 * layers together, levelled, ducked, coloured, moved and placed. Belongs to one rendering.
 */
final class PartVoice {
  private static final int RATE = EchoRenderer.RATE;
  private static final float[] NOTHING = {};

  private final Part part;
  private final Strip strip;
  private final int firstLayer;
  private final List<LayerVoice> layers = new ArrayList<>();
  private final LayerScore toRoom;
  private final LayerScore toDelay;
  private final int[] pushes;
  private final ColourFilter[] colours = new ColourFilter[2];
  private final Moving moving;
  private final Widener widener;
  private final Optional<PingPong> repeats;

  /**
   * A block of a part.
   *
   * @param placed on both sides
   * @param room what goes to the room, as one side; empty where nothing does
   * @param delay what goes to the delay; empty where nothing does
   * @param place where what is sent stands
   * @param repeats of its own delay; null where it has none
   */
  record Sounding(Bus placed, float[] room, float[] delay, double place, Bus repeats) {}

  /**
   * For some sections of a part.
   *
   * @param firstLayer number of its first layer among all of the part
   */
  PartVoice(Template t, Part part, Sound sound, boolean[] sections, Shots shots, int firstLayer) {
    this.part = part;
    this.strip = sound.strip();
    this.firstLayer = firstLayer;
    ScoreWriter writer = new ScoreWriter(t, part, sections, shots);
    List<Event> room = new ArrayList<>();
    List<Event> delay = new ArrayList<>();
    for (Layer layer : sound.sounding()) {
      layers.add(new LayerVoice(layer, new LayerScore(write(writer, sound, layer, m -> 1))));
      room.addAll(write(writer, sound, layer, Manner::toRoom));
      delay.addAll(write(writer, sound, layer, Manner::toDelay));
    }
    toRoom = new LayerScore(room);
    toDelay = new LayerScore(delay);
    pushes = strip.duckDb() > 0 ? Pushes.of(t, strip) : new int[0];
    for (int c = 0; c < 2; c++) {
      colours[c] = new ColourFilter(strip.colour(), RATE);
    }
    moving = new Moving(t, c -> c.moves(part));
    widener = strip.width() > 0 ? new Widener(RATE, strip.width()) : null;
    repeats = strip.repeats().map(r -> new PingPong(RATE, r.beats() * 60 / t.bpm(), r));
  }

  private static List<Event> write(
      ScoreWriter writer, Sound sound, Layer layer, ToDoubleFunction<Manner> share) {
    Source origin = sound.origin(layer);
    int late = (int) (layer.delayMs() * RATE / 1000);
    return writer.write(origin, Sound.moved(layer), share).stream()
        .map(e -> new Event(e.at() + late, e.length(), e.lasting(), e.gain(), e.maker()))
        .toList();
  }

  Part part() {
    return part;
  }

  boolean sendsToRoom() {
    return strip.room() > 0 || !toRoom.isEmpty() || moving.moves(Target.ROOM);
  }

  boolean sendsToDelay() {
    return strip.delay() > 0 || !toDelay.isEmpty() || moving.moves(Target.DELAY);
  }

  boolean repeatsItself() {
    return repeats.isPresent();
  }

  int layers() {
    return layers.size();
  }

  /** Its layers together, levelled and ducked; both sides, or one array. */
  float[][] plain(Window window, Optional<PartCache> cache) {
    float[] left = null;
    float[] right = null;
    for (int k = 0; k < layers.size(); k++) {
      LayerVoice layer = layers.get(k);
      int number = firstLayer + k;
      float[][] played =
          cache
              .map(c -> c.get(part, number, window.from(), () -> layer.score().render(window)))
              .orElseGet(() -> layer.score().render(window));
      float[][] x = layer.next(played);
      if (left == null) {
        left = x[0].clone();
        right = x[0] == x[1] ? left : x[1].clone();
        continue;
      }
      if (right == left && x[0] != x[1]) {
        right = left.clone();
      }
      add(left, x[0]);
      if (right != left) {
        add(right, x[1]);
      }
    }
    left = left == null ? new float[window.length()] : left;
    right = right == null ? left : right;
    level(left, window);
    if (right != left) {
      level(right, window);
    }
    return new float[][] {left, right};
  }

  /** The same in the part's colour. */
  float[][] coloured(Window window) {
    float[][] x = plain(window, Optional.empty());
    colours[0].run(x[0]);
    if (x[0] != x[1]) {
      colours[1].run(x[1]);
    }
    return x;
  }

  private static void add(float[] sum, float[] x) {
    for (int i = 0; i < sum.length; i++) {
      sum[i] += x[i];
    }
  }

  private void level(float[] x, Window window) {
    float gain = (float) strip.gain();
    float[] duck = strip.duckDb() > 0 ? duck(window) : null;
    for (int i = 0; i < x.length; i++) {
      x[i] *= duck == null ? gain : gain * duck[i];
    }
  }

  private float[] duck(Window window) {
    int reach = (int) (strip.duckMs() * RATE / 1000) + RATE;
    return new Ducking(strip.duckDb(), strip.duckMs(), strip.duck().shape())
        .envelope(window.near(pushes, reach), window.length(), RATE);
  }

  /** The block that follows the one before. */
  @SuppressWarnings("ReferenceEquality") // one array is one side
  Sounding next(Window window, Optional<PartCache> cache) {
    float[][] x = plain(window, cache);
    colours[0].run(x[0]);
    boolean mono = x[0] == x[1];
    if (!mono) {
      colours[1].run(x[1]);
    }
    Bus bus = new Bus(window.length(), RATE);
    float[] middle;
    if (mono) {
      if (!moving.isIdle() && widener == null) {
        moving.run(x[0], x[0], window);
      }
      middle = x[0];
      bus.add(middle, 0, 1, strip.pan());
    } else {
      middle = mid(x);
      balance(x, bus);
    }
    if (widener != null) {
      widener.spread(middle, bus);
    }
    if (!moving.isIdle() && (!mono || widener != null)) {
      moving.run(bus.sides()[0], bus.sides()[1], window);
      middle = mid(bus.sides());
    }
    float[] room = send(middle, strip.room(), Target.ROOM, toRoom, window);
    float[] delay = send(middle, strip.delay(), Target.DELAY, toDelay, window);
    Bus own = null;
    if (repeats.isPresent()) {
      Bus in = new Bus(window.length(), RATE);
      in.add(delay, 0, 1, strip.pan());
      own = repeats.get().of(in);
    }
    return new Sounding(bus, room, delay, strip.pan(), own);
  }

  private static float[] mid(float[][] x) {
    float[] out = new float[x[0].length];
    for (int i = 0; i < out.length; i++) {
      out[i] = 0.5f * (x[0][i] + x[1][i]);
    }
    return out;
  }

  private void balance(float[][] x, Bus bus) {
    double angle = (strip.pan() + 1) * Math.PI / 4;
    float l = (float) (Math.cos(angle) * Math.sqrt(2));
    float r = (float) (Math.sin(angle) * Math.sqrt(2));
    for (int i = 0; i < x[0].length; i++) {
      bus.set(i, l * x[0][i], r * x[1][i]);
    }
  }

  /** What goes to the room or the repeats; an empty array where nothing does. */
  private float[] send(
      float[] sound, double share, Target target, LayerScore thrown, Window window) {
    if (share == 0 && thrown.isEmpty() && !moving.moves(target)) {
      return NOTHING;
    }
    float[] out = new float[sound.length];
    if (moving.moves(target)) {
      float[] shares = moving.values(target, share, window);
      for (int i = 0; i < out.length; i++) {
        out[i] = shares[i] * sound[i];
      }
    } else if (share > 0) {
      for (int i = 0; i < out.length; i++) {
        out[i] = (float) share * sound[i];
      }
    }
    if (!thrown.isEmpty()) {
      float[][] x = thrown.render(window);
      float gain = (float) strip.gain();
      for (int i = 0; i < out.length; i++) {
        out[i] += gain * 0.5f * (x[0][i] + x[1][i]);
      }
    }
    return out;
  }

  /**
   * The voices of a part: one for each of the sounds that it has in its sections.
   *
   * @return none where it is not to be heard
   */
  static List<PartVoice> of(Template t, Part part, Sounds sounds, Shots shots) {
    List<Sound> different =
        t.sections().stream()
            .map(s -> sounds.sound(part, s.label()))
            .distinct()
            .filter(s -> !s.strip().muted())
            .toList();
    List<PartVoice> out = new ArrayList<>();
    int layers = 0;
    for (Sound sound : different) {
      boolean[] mine = new boolean[t.sections().size()];
      for (int s = 0; s < mine.length; s++) {
        mine[s] = sounds.sound(part, t.sections().get(s).label()).equals(sound);
      }
      PartVoice voice = new PartVoice(t, part, sound, mine, shots, layers);
      layers += voice.layers();
      out.add(voice);
    }
    return out;
  }

  /** What a part's layers depend on besides the sounds, which never change under a renderer. */
  static List<?> content(Template t, Part part) {
    List<?> own =
        t.sections().stream()
            .map(
                s ->
                    Arrays.asList(
                        s.beats(),
                        s.label(),
                        s.movement(),
                        part.asDrum().map(s::hits).orElse(List.of()),
                        part.asLine().map(s::notes).orElse(List.of())))
            .toList();
    return List.of(t.beats(), t.bpm(), own);
  }
}
