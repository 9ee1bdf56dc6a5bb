package looseecho.compare;

import looseecho.echo.Template;
import looseecho.echo.TemplateSection;

/** Which section of the reference a section of the echo is held against. */
final class Sections {
  private Sections() {}

  /**
   * For each section of the echo: the one in its place where that has its letter, else the first of
   * its letter; -1 for those that the reference has none of.
   */
  static int[] match(Template reference, Template echo) {
    int[] out = new int[echo.sections().size()];
    for (int k = 0; k < out.length; k++) {
      TemplateSection own = echo.sections().get(k);
      boolean here = k < reference.sections().size() && like(reference.sections().get(k), own);
      out[k] = here ? k : first(reference, own);
    }
    return out;
  }

  private static int first(Template reference, TemplateSection own) {
    for (int k = 0; k < reference.sections().size(); k++) {
      if (like(reference.sections().get(k), own)) {
        return k;
      }
    }
    return -1;
  }

  private static boolean like(TemplateSection a, TemplateSection b) {
    return a.label().equals(b.label());
  }
}
