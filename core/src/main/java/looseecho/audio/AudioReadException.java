package looseecho.audio;

import java.nio.file.Path;

/** A sound file that can't be used; the message is a sentence for the person. */
public final class AudioReadException extends java.io.IOException {
  private final transient Path path;

  public AudioReadException(Path path, String sentence, Throwable cause) {
    super(path.getFileName() + ": " + sentence, cause);
    this.path = path;
  }

  public Path path() {
    return path;
  }
}
