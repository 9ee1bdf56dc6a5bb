package looseecho.desktop.session;

import looseecho.analysis.Analysis;
import looseecho.analysis.Corrections;
import looseecho.echo.Template;

/**
 * All that undo can take back.
 *
 * @param template null where there is no beat to build on
 */
record Moment(Corrections corrections, Analysis analysis, Template template) {
  Moment with(Template other) {
    return new Moment(corrections, analysis, other);
  }
}
