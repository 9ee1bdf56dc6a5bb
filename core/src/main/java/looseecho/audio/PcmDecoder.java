package looseecho.audio;

import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import javax.sound.sampled.UnsupportedAudioFileException;
import looseecho.reading.Progress;

/**
 * WAV (8 to 32 bit, 32 and 64 bit float, extensible) and AIFF through the JDK's readers, converted
 * to float here.
 */
final class PcmDecoder implements AudioReader.Decoder {
  @Override
  public long decode(InputStream in, SampleSink sink, Progress progress) throws IOException {
    try (AudioInputStream pcm = AudioSystem.getAudioInputStream(in)) {
      AudioFormat format = pcm.getFormat();
      SampleReader reader = readerFor(format);
      sink.format(Math.round(format.getSampleRate()));
      int width = format.getFrameSize();
      int channels = format.getChannels();
      byte[] bytes = new byte[width * 16384];
      ByteBuffer buffer = ByteBuffer.wrap(bytes);
      buffer.order(format.isBigEndian() ? ByteOrder.BIG_ENDIAN : ByteOrder.LITTLE_ENDIAN);
      float[] one = new float[channels];
      double total = Math.max(1, pcm.getFrameLength());
      int got;
      while ((got = pcm.readNBytes(bytes, 0, bytes.length)) >= width) {
        for (int f = 0; f + width <= got; f += width) {
          for (int c = 0; c < channels; c++) {
            one[c] = reader.read(buffer, f + c * (width / channels));
          }
          sink.add(one, channels);
        }
        progress.step("Reading", Math.min(1, sink.length() / total));
      }
      return pcm.getFrameLength();
    } catch (UnsupportedAudioFileException e) {
      throw new IOException("unsupported WAV or AIFF", e);
    }
  }

  private interface SampleReader {
    float read(ByteBuffer b, int at);
  }

  private static SampleReader readerFor(AudioFormat f) throws IOException {
    boolean big = f.isBigEndian();
    int bits = f.getSampleSizeInBits();
    if (f.getEncoding().equals(AudioFormat.Encoding.PCM_FLOAT)) {
      return bits == 64 ? (b, at) -> (float) b.getDouble(at) : ByteBuffer::getFloat;
    }
    boolean signed = f.getEncoding().equals(AudioFormat.Encoding.PCM_SIGNED);
    if (!signed && !f.getEncoding().equals(AudioFormat.Encoding.PCM_UNSIGNED)) {
      throw new IOException("unsupported sample encoding " + f.getEncoding());
    }
    return switch (bits) {
      case 8 -> signed ? (b, at) -> b.get(at) / 128f : (b, at) -> ((b.get(at) & 0xFF) - 128) / 128f;
      case 16 -> (b, at) -> b.getShort(at) / 32768f;
      case 24 ->
          (b, at) -> {
            int low = b.get(at + (big ? 2 : 0)) & 0xFF;
            int mid = b.get(at + 1) & 0xFF;
            int high = b.get(at + (big ? 0 : 2));
            return (high << 16 | mid << 8 | low) / 8388608f;
          };
      case 32 -> (b, at) -> b.getInt(at) / 2147483648f;
      default -> throw new IOException("unsupported sample size " + bits);
    };
  }
}
