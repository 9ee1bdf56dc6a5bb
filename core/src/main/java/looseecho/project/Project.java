package looseecho.project;

import java.util.ArrayList;
import java.util.List;
import looseecho.analysis.Corrections;
import looseecho.echo.LogLine;
import looseecho.echo.Template;
import looseecho.mix.Sounds;
import looseecho.reading.Limits;

/**
 * All work on one reference, as it is kept in a file.
 *
 * @param reference the sound file it was made from
 * @param corrections decisions about what was heard
 * @param exact the exact template of what was heard, to read originality against
 * @param template the template at work
 * @param sounds its sounds
 * @param near the sounds that come near the reference, to read originality against
 * @param log what was done
 * @param notebook what the person thinks of it
 */
public record Project(
    Link reference,
    Corrections corrections,
    Template exact,
    Template template,
    Sounds sounds,
    Sounds near,
    List<LogLine> log,
    Notebook notebook) {
  /**
   * Where the reference is.
   *
   * @param name as shown
   * @param path where it was
   * @param fingerprint SHA-256 of its bytes, in hex
   * @param packed true when the sound itself is in the project file
   */
  public record Link(String name, String path, String fingerprint, boolean packed) {
    public Link {
      Limits.text("name", name);
      Limits.text("path", path);
      Limits.text("fingerprint", fingerprint);
    }
  }

  public Project {
    near = near == null ? Sounds.plain() : near;
    log = List.copyOf(log);
    notebook = notebook == null ? Notebook.EMPTY : notebook;
  }

  /** One about which nobody has noted anything. */
  public Project(
      Link reference,
      Corrections corrections,
      Template exact,
      Template template,
      Sounds sounds,
      Sounds near,
      List<LogLine> log) {
    this(reference, corrections, exact, template, sounds, near, log, Notebook.EMPTY);
  }

  /** One whose sounds were not brought near the reference. */
  public Project(
      Link reference,
      Corrections corrections,
      Template exact,
      Template template,
      Sounds sounds,
      List<LogLine> log) {
    this(reference, corrections, exact, template, sounds, Sounds.plain(), log);
  }

  /** The same with other sounds that come near the reference. */
  public Project near(Sounds other) {
    return new Project(reference, corrections, exact, template, sounds, other, log, notebook);
  }

  /** The same with other sounds. */
  public Project with(Sounds other) {
    return new Project(reference, corrections, exact, template, other, near, log, notebook);
  }

  /** The same with another template at work. */
  public Project with(Template other) {
    return new Project(reference, corrections, exact, other, sounds, near, log, notebook);
  }

  /** The same with one more line in its log. */
  public Project noting(String words) {
    List<LogLine> more = new ArrayList<>(log);
    more.add(LogLine.of(words));
    return new Project(reference, corrections, exact, template, sounds, near, more, notebook);
  }
}
