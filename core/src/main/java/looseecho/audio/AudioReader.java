package looseecho.audio;

import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import looseecho.reading.Progress;

/**
 * Reads WAV, AIFF, FLAC, MP3 and Ogg Vorbis. The decoder is chosen by the first bytes, never by the
 * name.
 */
public final class AudioReader {
  /** Longest sound taken, in seconds: a little over two hours. */
  public static final int MAX_SECONDS = 7800;

  private static final double MIN_SECONDS = 1.0;

  /** A sound and what the person should know about it, such as a cut-off end. */
  public record Recording(Audio audio, List<String> notes) {
    public Recording {
      notes = List.copyOf(notes);
    }
  }

  /** Decodes all of the stream into the sink; returns how many samples the file promised, or -1. */
  interface Decoder {
    long decode(InputStream in, SampleSink sink, Progress progress) throws IOException;
  }

  /**
   * Reads a whole file.
   *
   * @throws AudioReadException with a sentence for the person
   */
  public Recording read(Path path, Progress progress) throws AudioReadException {
    SampleSink sink = new SampleSink(MAX_SECONDS);
    byte[] head = head(path);
    Decoder decoder = decoderFor(path, head);
    long promised = -1;
    try (InputStream in = new BufferedInputStream(Files.newInputStream(path), 1 << 16)) {
      promised = decoder.decode(in, sink, progress);
    } catch (Progress.CancelledException e) {
      throw e;
    } catch (SampleSink.TooLongException e) {
      throw new AudioReadException(
          path, "This is longer than two hours. Cut out the track you want and open that.", e);
    } catch (IOException | RuntimeException e) {
      if (sink.length() == 0 || sink.sampleRate() == 0) {
        throw new AudioReadException(
            path, "The file is damaged: no sound could be read from it.", e);
      }
      promised = Long.MAX_VALUE;
    }
    return finish(path, sink, promised);
  }

  private Recording finish(Path path, SampleSink sink, long promised) throws AudioReadException {
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
              java.util.Locale.ROOT,
              "The file ends early: only the first %.1f s could be read.",
              audio.duration()));
    }
    if (sink.sampleRate() < 32000) {
      notes.add(
          "Low sampling rate ("
              + sink.sampleRate()
              + " Hz): hats and cymbals can't be heard well.");
    }
    return new Recording(audio, notes);
  }

  private static byte[] head(Path path) throws AudioReadException {
    try (InputStream in = Files.newInputStream(path)) {
      return in.readNBytes(4096);
    } catch (NoSuchFileException e) {
      throw new AudioReadException(path, "There is no such file.", e);
    } catch (IOException e) {
      throw new AudioReadException(
          path,
          Files.isDirectory(path)
              ? "This is a folder, not a sound file."
              : "The file can't be opened.",
          e);
    }
  }

  private static Decoder decoderFor(Path path, byte[] head) throws AudioReadException {
    String four = head.length < 12 ? "" : new String(head, 0, 4, StandardCharsets.ISO_8859_1);
    String kind = head.length < 12 ? "" : new String(head, 8, 4, StandardCharsets.ISO_8859_1);
    if (head.length == 0) {
      throw new AudioReadException(path, "The file is empty.", null);
    }
    if (four.equals("RIFF") || four.equals("FORM") && kind.startsWith("AIF")) {
      return new PcmDecoder();
    }
    if (four.equals("fLaC")) {
      return new FlacDecoder();
    }
    if (four.equals("OggS")) {
      if (new String(head, StandardCharsets.ISO_8859_1).contains("vorbis")) {
        return new VorbisDecoder();
      }
      throw new AudioReadException(
          path,
          "This Ogg file holds something other than Vorbis. Save it as WAV or FLAC and try again.",
          null);
    }
    if (four.startsWith("ID3")
        || head.length > 1 && (head[0] & 0xFF) == 0xFF && (head[1] & 0xE6) == 0xE2) {
      return new Mp3Decoder();
    }
    if (head.length >= 12 && new String(head, 4, 4, StandardCharsets.ISO_8859_1).equals("ftyp")) {
      throw new AudioReadException(
          path,
          "M4A and MP4 can't be read. Save it as WAV, FLAC, MP3 or Ogg Vorbis and try again.",
          null);
    }
    throw new AudioReadException(
        path,
        "This is not a sound file that can be read. WAV, AIFF, FLAC, MP3 and Ogg Vorbis can.",
        null);
  }
}
