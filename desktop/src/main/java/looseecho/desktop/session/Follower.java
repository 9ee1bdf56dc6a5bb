package looseecho.desktop.session;

import looseecho.analysis.Analysis;
import looseecho.echo.Template;
import looseecho.mix.Sounds;
import looseecho.project.Document;

/** Is told what the desk shows. */
interface Follower {
  /** Another track, which can be played but is still to be heard. */
  void opened(Reference r);

  void heard(Analysis a);

  void sounds(Sounds s);

  /** The template that the views show by now. */
  void written(Template t);

  /** Work that is to be kept. */
  void changed(Document d);
}
