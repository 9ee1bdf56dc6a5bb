package looseecho.demo;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import looseecho.activity.Lane;
import looseecho.audio.Audio;
import looseecho.demo.Tune.DrumHit;
import looseecho.demo.Tune.Tone;
import looseecho.dsp.Biquad;
import looseecho.mix.Bus;
import looseecho.mix.Drive;
import looseecho.mix.Ducking;
import looseecho.mix.EchoRenderer;
import looseecho.mix.Limiter;
import looseecho.mix.Room;
import looseecho.reading.Progress;
import looseecho.synth.DrumSound;
import looseecho.synth.DrumSynth;
import looseecho.synth.Timbre;
import looseecho.synth.ToneSound;
import looseecho.synth.ToneSynth;

/**
 * Renders the tune with sounds of its own, a room, ducking and a soft bend on the drums.
 * Deterministic.
 */
public final class HarbourMix {
  private static final int RATE = EchoRenderer.RATE;
  private static final ToneSound BASS =
      new ToneSound(0.75, 1, 0, 190, 900, 2, 160, 0.45, 30, 1.6, 0, Timbre.PLAIN);
  private static final ToneSound PAD =
      new ToneSound(0.8, 5, 18, 900, 500, 60, 900, 0.7, 160, 0, 0, Timbre.PLAIN);
  private static final ToneSound STAB =
      new ToneSound(0.7, 3, 12, 700, 2600, 2, 130, 0.25, 60, 0.4, 0, Timbre.PLAIN);
  private static final ToneSound PLUCK =
      new ToneSound(0.5, 2, 7, 500, 4200, 1, 150, 0.1, 90, 0.3, 0, Timbre.PLAIN);

  private static final DrumSound KICK = new DrumSound(47, 6.5, 11, 115, 0.16, 1800, 6500, 3, 0, 1);
  private static final DrumSound SNARE = new DrumSound(205, 1.5, 7, 60, 0.7, 700, 9000, 95, 0, 1);
  private static final DrumSound CLAP = new DrumSound(0, 1, 1, 1, 1, 850, 6200, 65, 0, 4);
  private static final DrumSound HAT = new DrumSound(0, 1, 1, 1, 0.8, 7600, 18000, 17, 0.4, 1);
  private static final DrumSound OPEN = new DrumSound(0, 1, 1, 1, 0.8, 7000, 18000, 150, 0.45, 1);
  private static final DrumSound TOM = new DrumSound(112, 1.6, 30, 140, 0.12, 500, 4500, 12, 0, 1);
  private static final DrumSound CRASH = new DrumSound(0, 1, 1, 1, 0.9, 3000, 16000, 480, 0.4, 1);
  private static final DrumSound SHAKER = new DrumSound(0, 1, 1, 1, 1, 5200, 12500, 30, 0, 1);
  private static final DrumSound HAND_HIGH =
      new DrumSound(293.66, 1.12, 7, 80, 0.1, 1500, 6000, 5, 0, 1);
  private static final DrumSound HAND_LOW =
      new DrumSound(220, 1.15, 8, 120, 0.08, 1200, 5000, 6, 0, 1);

  private static final int TAKES = 6;

  private final Map<DrumSound, List<float[]>> takes = new HashMap<>();

  /** Renders the tune. */
  public Audio render(Tune tune, Progress progress) {
    int length = (int) (tune.duration() * RATE);
    Bus drums = new Bus(length, RATE);
    Bus send = new Bus(length, RATE);
    progress.step("Recording the demo", 0);
    for (DrumHit h : tune.hits()) {
      drum(h, drums, send);
    }
    Drive.bend(drums, 0.5, 1, List.of());
    Bus tones = new Bus(length, RATE);
    progress.step("Recording the demo", 0.2);
    lay(tune.bass(), BASS, 0.36, 0, tones);
    progress.step("Recording the demo", 0.4);
    List<Tone> held = tune.chords().stream().filter(t -> t.end() - t.start() > 1).toList();
    List<Tone> stabs = tune.chords().stream().filter(t -> t.end() - t.start() <= 1).toList();
    lay(held, PAD, 0.075, -0.25, tones);
    lay(stabs, STAB, 0.16, 0.3, tones);
    progress.step("Recording the demo", 0.7);
    Bus lead = new Bus(length, RATE);
    lay(tune.riff(), PLUCK, 0.2, 0.35, lead);
    tones.add(lead, 1);
    send.add(lead, 0.8);
    rise(tune, tones);
    int[] kicks =
        tune.hits().stream()
            .filter(h -> h.lane() == Lane.KICK)
            .mapToInt(h -> (int) Math.round(h.time() * RATE))
            .toArray();
    tones.shape(new Ducking(5, 130).envelope(kicks, length, RATE));
    Bus mix = new Bus(length, RATE);
    mix.add(drums, 1);
    mix.add(tones, 1);
    mix.add(new Room(RATE, 0.9).of(send), 0.16);
    silence(mix, tune);
    new Limiter(RATE, 0.89).limit(mix);
    progress.step("Recording the demo", 1);
    return mix.audio(1);
  }

  private void drum(DrumHit h, Bus drums, Bus send) {
    DrumSound sound =
        switch (h.lane().base()) {
          case KICK -> KICK;
          case SNARE -> SNARE;
          case CLAP -> CLAP;
          case HAT_CLOSED -> HAT;
          case HAT_OPEN -> OPEN;
          case TOM -> TOM;
          case CYMBAL -> CRASH;
          default -> h.colour() == 1 ? SHAKER : h.colour() == 2 ? HAND_HIGH : HAND_LOW;
        };
    double level =
        switch (h.lane().base()) {
          case KICK -> 0.85;
          case SNARE -> 0.55;
          case CLAP -> 0.4;
          case HAT_CLOSED, HAT_OPEN -> 0.2;
          case TOM -> 0.55;
          case CYMBAL -> 0.28;
          default -> h.colour() == 1 ? 0.15 : 0.32;
        };
    double pan =
        switch (h.lane().base()) {
          case HAT_CLOSED, HAT_OPEN -> 0.3;
          case TOM -> -0.2;
          case PERCUSSION -> h.colour() == 1 ? -0.45 : 0.4 - 0.3 * (h.colour() - 2);
          default -> 0;
        };
    float[] x = take(sound, h);
    double gain = level * Math.pow(h.velocity() / 127.0, 1.5);
    drums.add(x, h.time(), gain, pan);
    if (h.lane() != Lane.KICK) {
      send.add(x, h.time(), gain, pan);
    }
  }

  /** One of six takes of a sound, as no two strokes of a hand are alike. */
  private float[] take(DrumSound sound, DrumHit h) {
    int seed = Math.floorMod(Double.hashCode(h.time()), TAKES);
    List<float[]> list = takes.computeIfAbsent(sound, s -> new ArrayList<>());
    while (list.size() <= seed) {
      list.add(new DrumSynth().render(sound, RATE, list.size()));
    }
    return list.get(seed);
  }

  private static void lay(List<Tone> tones, ToneSound sound, double level, double pan, Bus bus) {
    ToneSynth synth = new ToneSynth();
    for (Tone t : tones) {
      double side = t.pitch() % 2 == 0 ? pan : -pan / 2;
      bus.add(
          synth.render(sound, t.pitch(), t.end() - t.start(), t.velocity(), RATE),
          t.start(),
          level,
          side);
    }
  }

  /** Noise through a filter that opens towards the hook. */
  private static void rise(Tune tune, Bus bus) {
    int n = (int) ((tune.riseEnd() - tune.riseStart()) * RATE);
    float[] x = new float[n];
    SplittableRandom random = new SplittableRandom(7);
    Biquad band = Biquad.bandPass(RATE, 400, 1.5);
    for (int i = 0; i < n; i++) {
      double at = (double) i / n;
      if (i % 256 == 0) {
        band = Biquad.bandPass(RATE, 400 * Math.pow(16, at), 1.5).continuing(band);
      }
      x[i] = (float) (band.next(2 * random.nextDouble() - 1) * at * at);
    }
    bus.add(x, tune.riseStart(), 0.22, 0);
  }

  /** The stop is a real one: even the room falls silent, with a fade of a few milliseconds. */
  private static void silence(Bus mix, Tune tune) {
    float[] gain = new float[mix.length()];
    int from = (int) (tune.stopStart() * RATE);
    int to = (int) ((tune.stopEnd() - 0.015) * RATE);
    int fade = RATE / 50;
    for (int i = 0; i < gain.length; i++) {
      boolean inside = i >= from && i < to;
      gain[i] = inside ? Math.max(0, 1 - (float) (i - from) / fade) : 1;
    }
    mix.shape(gain);
  }
}
