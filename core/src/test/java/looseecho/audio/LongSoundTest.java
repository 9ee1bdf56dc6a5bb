package looseecho.audio;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import org.junit.jupiter.api.Test;

/** Long sounds are kept in files and worked on in blocks, and must come out like short ones. */
class LongSoundTest {
  private static float wave(int i) {
    return (float) (0.5 * Math.sin(i * 0.0371) + 0.2 * Math.sin(i * 0.9));
  }

  @Test
  void samplesPutAsideInFilesReadBackToTheBit() throws IOException {
    SampleSink sink = new SampleSink(10_000, 1000, 16); // eleven mappings
    sink.format(8000);
    int n = 700_001;
    for (int i = 0; i < n; i++) {
      sink.add(new float[] {wave(i), -wave(i)}, 2);
    }
    Audio audio = sink.audio(0, n);
    assertEquals(n, audio.length());
    for (int i = 0; i < n; i += 997) {
      assertEquals(wave(i), audio.left(i));
      assertEquals(-wave(i), audio.right(i));
    }
    assertEquals(wave(n - 1), audio.left(n - 1));
    assertEquals(wave(5000), audio.slice(5000, 6000).left(0));
    assertEquals(wave(5001), audio.slice(5000, 6000).channel(0)[1]);
    float[] across = audio.slice(65_000, 200_000).channel(0); // over two edges of mappings
    for (int i = 0; i < across.length; i++) {
      assertEquals(wave(65_000 + i), across[i]);
    }
  }

  @Test
  void blocksJoinWithoutASeam() throws IOException {
    int rate = 8000;
    float[] x = new float[(2 * MonoBlocks.SECONDS + 7) * rate + 13];
    for (int i = 0; i < x.length; i++) {
      x[i] = wave(i);
    }
    Audio audio = new Audio(x, x.clone(), rate);
    MonoBlocks blocks = new MonoBlocks(audio, 5000);
    float[] whole = new Resampler().resample(x, rate, 5000);
    assertEquals(3, blocks.count());
    assertEquals(whole.length, blocks.length());
    float[] joined = new float[whole.length];
    for (int b = 0; b < blocks.count(); b++) {
      MonoBlocks.Block block = blocks.get(b);
      for (int i = block.from(); i < block.to(); i++) {
        joined[i] = block.samples()[i - block.first()];
      }
    }
    assertArrayEquals(whole, joined, 1e-6f);
    Audio both = new Resampler().resample(audio, 5000);
    assertArrayEquals(whole, both.channel(1), 1e-6f);
    assertTrue(blocks.rms() > 0.3 && blocks.rms() < 0.5);
  }
}
