package looseecho.desktop.session;

import looseecho.analysis.Analysis;
import looseecho.analysis.Corrections;
import looseecho.echo.Template;
import looseecho.sound.Sounds;

/**
 * All that undo can take back.
 *
 * @param template null where there is no beat to build on
 */
record Moment(Corrections corrections, Analysis analysis, Template template, Sounds sounds) {
  Moment with(Template other) {
    return new Moment(corrections, analysis, other, sounds);
  }

  Moment with(Sounds other) {
    return new Moment(corrections, analysis, template, other);
  }
}
