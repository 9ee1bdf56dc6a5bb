package looseecho.audio;

import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import looseecho.reading.Progress;
import net.sourceforge.jaad.aac.Decoder;
import net.sourceforge.jaad.mp4.MP4Container;
import net.sourceforge.jaad.mp4.api.AudioTrack;
import net.sourceforge.jaad.mp4.api.Frame;
import net.sourceforge.jaad.mp4.api.Track;

/**
 * AAC in MPEG-4 files (M4A, MP4) through jaad. What the encoder puts in front of the sound is cut
 * away where the file's edit list says so (ISO/IEC 14496-12, 8.6.6), so that it lines up with the
 * WAV it was made from.
 */
final class AacDecoder implements AudioReader.Decoder {
  private static final float FULL_SCALE = 32_768;
  private static final int MOST_BAD = 50; // frames that may be damaged
  private static final int BOX = 8; // bytes of a box's head
  private static final int MOOV = 0x6D6F6F76;
  private static final int MOST_BYTES = 64 << 20;
  private static final int MOST_DELAY = 10_000; // samples

  private int left; // samples in front that are still to be left out

  AacDecoder() {
    this(0);
  }

  private AacDecoder(int delay) {
    left = delay;
  }

  @Override
  public long decode(Path path, long skip, SampleSink sink, Progress progress) throws IOException {
    try (RandomAccessFile file = new RandomAccessFile(path.toFile(), "r")) {
      MP4Container container = new MP4Container(new BoundedMp4(file));
      if (container.getMovie() == null) {
        throw new UnreadableException("This MP4 file has no sound that could be read.");
      }
      List<Track> tracks = container.getMovie().getTracks(AudioTrack.AudioCodec.AAC);
      if (tracks.isEmpty()) {
        throw new UnreadableException(
            "This MP4 file holds no AAC. Save its sound as WAV or FLAC and try again.");
      }
      int delay = delay(file);
      return new AacDecoder(delay).frames(tracks.get(0), container, sink, progress);
    }
  }

  /** Samples in front of the sound; 0 where the file says nothing. */
  private static int delay(RandomAccessFile file) throws IOException {
    long at = 0;
    while (at + BOX <= file.length()) {
      file.seek(at);
      long size = file.readInt() & 0xFFFFFFFFL;
      int type = file.readInt();
      size = size == 1 ? file.readLong() : size == 0 ? file.length() - at : size;
      if (type == MOOV && size < MOST_BYTES) {
        byte[] moov = new byte[(int) Math.min(size, file.length() - at)];
        file.seek(at);
        file.readFully(moov);
        int list = new String(moov, StandardCharsets.ISO_8859_1).indexOf("elst");
        // After its name: version and flags, how many entries; of each a length and where it
        // begins.
        boolean plain = list > 0 && list + 20 <= moov.length && moov[list + 4] == 0;
        int begins = plain ? ByteBuffer.wrap(moov, list + 16, 4).getInt() : 0;
        return begins > 0 && begins < MOST_DELAY ? begins : 0;
      }
      at += Math.max(BOX, size);
    }
    return 0;
  }

  private long frames(Track track, MP4Container container, SampleSink sink, Progress progress)
      throws IOException {
    double seconds = container.getMovie().getDuration();
    Decoder decoder = Decoder.create(track.getDecoderSpecificInfo().getData());
    int bad = 0;
    IOException[] refused = new IOException[1];
    while (track.hasMoreFrames()) { // each moves on in the track's table
      Frame frame = track.readNextFrame();
      try {
        decoder.decodeFrame(
            frame.getData(),
            (channels, length, rate) -> {
              try {
                sink.format(rate);
                add(channels, length, sink);
              } catch (IOException e) {
                refused[0] = e;
              }
            });
      } catch (SampleSink.TooLongException | SampleSink.NoRoomException e) {
        throw e;
      } catch (RuntimeException e) { // jaad has no kinder word for a damaged frame
        sink.damaged();
        if (++bad > MOST_BAD) {
          throw new IOException("damaged AAC", e);
        }
      }
      if (refused[0] != null) {
        throw refused[0];
      }
      progress.step("Reading", seconds > 0 ? Math.min(1, frame.getTime() / seconds) : 0);
    }
    return -1;
  }

  private void add(List<float[]> channels, int length, SampleSink sink) {
    float[] one = new float[channels.size()];
    int from = Math.min(left, length);
    left -= from;
    for (int i = from; i < length; i++) {
      for (int c = 0; c < one.length; c++) {
        one[c] = channels.get(c)[i] / FULL_SCALE;
      }
      sink.add(one, one.length);
    }
  }
}
