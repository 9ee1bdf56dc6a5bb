package looseecho.loose;

import java.util.Optional;
import java.util.SplittableRandom;
import looseecho.echo.Template;

/**
 * One way of loosening a section.
 *
 * @param name as said on screen
 * @param aspect what it changes
 * @param least amount of looseness from which on it may be drawn
 * @param kept what of the style it leaves alone, in words
 * @param work the change itself; the same random numbers give the same change
 */
record Operation(String name, Aspect aspect, int least, String kept, Work work) {
  /** Changes a section; empty where there is nothing to do it to. */
  interface Work {
    Optional<Template> apply(Template t, int section, SplittableRandom random);
  }
}
