package looseecho.mix;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import looseecho.Signals;
import looseecho.audio.Audio;
import org.junit.jupiter.api.Test;

class LimiterTest {
  @Test
  void peaksStayBelowTheCeilingAndSoftSoundIsLeftAlone() {
    Bus bus = new Bus(44100, 44100);
    float[] sine = Signals.sine(300, 1, 1, 44100, true).channel(0);
    for (int i = 0; i < sine.length; i++) {
      sine[i] *= i > 20000 && i < 24000 ? 2.5f : 0.3f;
    }
    bus.add(sine, 0, 1, 0);
    new Limiter(bus.rate(), 0.8).limit(bus);
    Audio out = bus.audio(1);
    assertTrue(out.peak() <= 0.8001, "peak " + out.peak());
    assertEquals(0.3 / Math.sqrt(2), Signals.rms(out.channel(0), 2000, 18000), 0.003);
    assertTrue(Signals.rms(out.channel(0), 21000, 23000) > 0.4, "loud stretches stay loud");
  }

  /**
   * BS.1770-4 annex 2: a sine at a quarter of the sampling rate, 45 degrees off, has samples of
   * 0.707 and a true peak of 1 (plus 0.3 dB of the meter's tolerance, EBU Tech 3341).
   */
  @Test
  void peaksBetweenSamplesAreSeenAndLimited() {
    float[] x = new float[4800];
    for (int i = 0; i < x.length; i++) {
      x[i] = (float) Math.sin(Math.PI / 2 * i + Math.PI / 4);
    }
    assertEquals(1, TruePeak.of(java.util.Arrays.copyOfRange(x, 100, 4000)), 0.035);
    Bus bus = new Bus(x.length, 48000);
    bus.add(x, 0, 1, -1);
    new Limiter(bus.rate(), 0.7).limit(bus);
    assertTrue(TruePeak.of(bus.audio(1).channel(0)) < 0.7 * 1.01);
  }

  @Test
  void repeatsGoFromSideToSide() {
    Bus click = new Bus(48000, 48000);
    click.add(new float[] {1, 1, 1, 1}, 0, 1, 0);
    Audio out = new PingPong(click.rate(), 0.25, 0.5).of(click).audio(1);
    double left = Signals.rms(out.channel(0), 12000, 12050);
    double right = Signals.rms(out.channel(1), 24000, 24050);
    assertTrue(left > 0 && right > 0.2 * left && right < left);
    assertEquals(0, Signals.rms(out.channel(1), 12000, 12050), 1e-6);
  }

  @Test
  void theRoomDiesAwayInItsTime() {
    Bus click = new Bus(44100 * 2, 44100);
    click.add(new float[] {1}, 0.01, 1, 0);
    float[] wet = new Room(click.rate(), 0.5).of(click).audio(1).channel(0);
    double early = Signals.rms(wet, 4410, 8820);
    double late = Signals.rms(wet, 4410 + 22050, 8820 + 22050);
    double fallDb = 20 * Math.log10(early / late);
    assertTrue(fallDb > 45, "half a second makes about 60 dB: " + fallDb);
  }
}
