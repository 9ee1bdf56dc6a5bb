package looseecho.audio;

import java.io.IOException;

/** A sound that can't be used, with a sentence for the person; the reader adds the file's name. */
final class UnreadableException extends IOException {
  private static final long serialVersionUID = 1;

  UnreadableException(String sentence) {
    super(sentence);
  }

  UnreadableException(String sentence, Throwable cause) {
    super(sentence, cause);
  }
}
