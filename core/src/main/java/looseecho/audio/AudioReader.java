package looseecho.audio;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.SeekableByteChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.AccessDeniedException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import looseecho.reading.Progress;

/**
 * Reads WAV, AIFF, FLAC, MP3, M4A (AAC), Ogg Vorbis and Opus. The decoder is chosen by the first
 * bytes, never by the name.
 */
public final class AudioReader {
  /** Longest sound taken, in seconds: a little over two hours. */
  public static final int MAX_SECONDS = 7800;

  /** How the names of files end that can usually be read; the first bytes decide. */
  public static final List<String> ENDINGS =
      List.of("wav", "aif", "aiff", "flac", "mp3", "ogg", "opus", "m4a", "mp4");

  /** Longest part of a one-shot that is taken, in seconds. */
  static final int MAX_ONE_SHOT_SECONDS = 60;

  private static final double MIN_SECONDS = 1.0;
  private static final int HEAD = 4096;
  private static final int ID3_HEAD = 10;
  private static final int MOST_TAGS = 8;

  /** A sound and what the person should know about it, such as a cut-off end. */
  public record Recording(Audio audio, List<String> notes) {
    public Recording {
      notes = List.copyOf(notes);
    }
  }

  /** Decodes a whole file into the sink. */
  interface Decoder {
    /**
     * Decodes.
     *
     * @param skip bytes in front of the sound
     * @return how many samples the file promised, or -1
     */
    long decode(Path path, long skip, SampleSink sink, Progress progress) throws IOException;
  }

  /**
   * Reads a whole reference.
   *
   * @throws AudioReadException with a sentence for the person
   */
  public Recording read(Path path, Progress progress) throws AudioReadException {
    SampleSink sink = new SampleSink(MAX_SECONDS);
    long promised;
    try {
      promised = decode(path, sink, progress);
    } catch (SampleSink.TooLongException e) {
      sink.discard();
      throw new AudioReadException(
          path, "This is longer than two hours. Cut out the track you want and open that.", e);
    }
    return finish(path, sink, promised);
  }

  /**
   * Reads a one-shot of any length, of a long one its beginning.
   *
   * @throws AudioReadException with a sentence for the person
   */
  public Audio oneShot(Path path, Progress progress) throws AudioReadException {
    SampleSink sink = new SampleSink(MAX_ONE_SHOT_SECONDS);
    try {
      decode(path, sink, progress);
    } catch (SampleSink.TooLongException e) {
      return sink.audio(0, MAX_ONE_SHOT_SECONDS * sink.sampleRate());
    }
    if (sink.length() == 0) {
      throw new AudioReadException(path, "There is no sound in this file.", null);
    }
    return sink.audio(0, sink.length());
  }

  /** Samples that the file promised, -1 when it does not say, the most when it is damaged. */
  private static long decode(Path path, SampleSink sink, Progress progress)
      throws AudioReadException {
    Start start = start(path);
    try {
      return start.decoder().decode(path, start.skip(), sink, progress);
    } catch (SampleSink.TooLongException e) {
      throw e;
    } catch (Progress.CancelledException e) {
      sink.discard();
      throw e;
    } catch (UnreadableException e) {
      sink.discard();
      throw new AudioReadException(path, e.getMessage(), e);
    } catch (SampleSink.NoRoomException e) {
      sink.discard();
      throw new AudioReadException(path, e.getMessage(), e);
    } catch (IOException | RuntimeException e) {
      if (sink.length() == 0 || sink.sampleRate() == 0) {
        throw new AudioReadException(
            path, "The file is damaged: no sound could be read from it.", e);
      }
      return Long.MAX_VALUE;
    }
  }

  private static Recording finish(Path path, SampleSink sink, long promised)
      throws AudioReadException {
    if (sink.length() == 0 || sink.sampleRate() == 0) {
      throw new AudioReadException(path, "There is no sound in this file.", null);
    }
    Audio audio = sink.audio(0, sink.length());
    if (audio.duration() < MIN_SECONDS) {
      throw new AudioReadException(
          path, "This is shorter than a second: too short to hear a beat in it.", null);
    }
    List<String> notes = new ArrayList<>();
    if (promised > sink.length() + sink.sampleRate() / 2) {
      notes.add(
          String.format(
              Locale.ROOT,
              "The file ends early: only the first %.1f s could be read.",
              audio.duration()));
    }
    if (sink.isDamaged()) {
      notes.add("The file is damaged: some of it is silent or missing.");
    }
    if (sink.sampleRate() < 32000) {
      notes.add(
          "Low sampling rate ("
              + sink.sampleRate()
              + " Hz): hats and cymbals can't be heard well.");
    }
    if (audio.sidesCancel()) {
      notes.add(
          "The two sides are of opposite polarity and cancel each other in mono:"
              + " the right one was turned round.");
      audio = audio.rightTurned();
    }
    return new Recording(audio, notes);
  }

  /** How a file is decoded, and from which byte on. */
  private record Start(Decoder decoder, long skip) {}

  /** The decoder by the first bytes behind ID3 tags, which may stand before any sound. */
  private static Start start(Path path) throws AudioReadException {
    try {
      if (Files.isDirectory(path)) {
        throw new AudioReadException(path, "This is a folder, not a sound file.", null);
      }
      if (Files.exists(path) && !Files.isRegularFile(path)) {
        throw new AudioReadException(path, "This is a pipe or a device, not a sound file.", null);
      }
      byte[] head = head(path, 0);
      boolean tagged = false;
      long skip = 0;
      for (int i = 0; i < MOST_TAGS && isTag(head); i++) {
        tagged = true;
        skip += tagLength(head);
        head = head(path, skip);
      }
      return new Start(decoderFor(path, head, tagged), skip);
    } catch (NoSuchFileException e) {
      throw new AudioReadException(path, "There is no such file.", e);
    } catch (AccessDeniedException e) {
      throw new AudioReadException(
          path, "There is no permission to read this file. Change that, or copy it.", e);
    } catch (AudioReadException e) {
      throw e;
    } catch (IOException e) {
      throw new AudioReadException(path, "The file can't be opened.", e);
    }
  }

  private static byte[] head(Path path, long from) throws IOException {
    try (SeekableByteChannel file = Files.newByteChannel(path)) {
      ByteBuffer head = ByteBuffer.allocate(HEAD);
      file.position(from);
      int read = 1;
      while (head.hasRemaining() && read > 0) {
        read = file.read(head);
      }
      return Arrays.copyOf(head.array(), head.position());
    }
  }

  private static boolean isTag(byte[] head) {
    return head.length >= ID3_HEAD && head[0] == 'I' && head[1] == 'D' && head[2] == '3';
  }

  /** ID3v2.4, 3.1: seven bits of each of four bytes, without the head and a foot of ten bytes. */
  private static long tagLength(byte[] head) {
    long length = 0;
    for (int i = 6; i < ID3_HEAD; i++) {
      length = length << 7 | head[i] & 0x7F;
    }
    boolean foot = (head[5] & 0x10) != 0;
    return ID3_HEAD + length + (foot ? ID3_HEAD : 0);
  }

  private static Decoder decoderFor(Path path, byte[] head, boolean tagged)
      throws AudioReadException {
    String four = head.length < 12 ? "" : new String(head, 0, 4, StandardCharsets.ISO_8859_1);
    String kind = head.length < 12 ? "" : new String(head, 8, 4, StandardCharsets.ISO_8859_1);
    if (head.length == 0 && !tagged) {
      throw new AudioReadException(path, "The file is empty.", null);
    }
    if (four.matches("RIFF|RF64|BW64") && kind.equals("WAVE")
        || four.equals("FORM") && kind.startsWith("AIF")) {
      return new PcmDecoder();
    }
    if (four.equals("fLaC")) {
      return new FlacDecoder();
    }
    if (four.equals("OggS")) {
      if (new String(head, StandardCharsets.ISO_8859_1).contains("vorbis")) {
        return new VorbisDecoder();
      }
      if (new String(head, StandardCharsets.ISO_8859_1).contains("OpusHead")) {
        return new OpusReader();
      }
      throw new AudioReadException(
          path,
          "This Ogg file holds neither Vorbis nor Opus. Save it as WAV or FLAC and try again.",
          null);
    }
    if (tagged || head.length > 1 && (head[0] & 0xFF) == 0xFF && (head[1] & 0xE6) == 0xE2) {
      return new Mp3Decoder();
    }
    if (head.length >= 12 && new String(head, 4, 4, StandardCharsets.ISO_8859_1).equals("ftyp")) {
      return new AacDecoder();
    }
    throw new AudioReadException(
        path,
        "This is not a sound file that can be read. WAV, AIFF, FLAC, MP3, M4A and Ogg can.",
        null);
  }
}
