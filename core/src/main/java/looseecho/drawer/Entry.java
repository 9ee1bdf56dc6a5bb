package looseecho.drawer;

import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import looseecho.palette.Descriptors;
import looseecho.palette.Picture;
import looseecho.palette.SoundClass;

/**
 * A sample in the drawer.
 *
 * @param file where it lies
 * @param size in bytes, and
 * @param modified in milliseconds, by which a change is seen
 * @param what kind of sound it is
 * @param confidence of that, 0..1
 * @param like what it is like
 * @param picture its levels over time and frequency
 */
public record Entry(
    Path file,
    long size,
    long modified,
    SoundClass what,
    double confidence,
    Descriptors like,
    Picture picture) {
  /** True when all of some words fit its file, its kind or what it is like; in small letters. */
  public boolean fits(String words) {
    String all =
        (file + " " + what.words() + " " + String.join(" ", like.words())).toLowerCase(Locale.ROOT);
    return List.of(words.strip().split("\\s+", -1)).stream().allMatch(all::contains);
  }
}
