package looseecho.project;

import com.fasterxml.jackson.annotation.JsonIgnore;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import looseecho.echo.Template;
import looseecho.reading.Limits;

/**
 * What the person thinks of the echo, apart from what is measured.
 *
 * @param verdicts by part, as it is called; those without one are open
 * @param notes what shall not be forgotten, in the order in which it was written
 * @param enough score from which a part is near enough, 1 to 100
 */
public record Notebook(Map<String, Verdict> verdicts, List<Note> notes, double enough) {
  /** About one difference that a listener just notices. */
  public static final double ENOUGH = 80;

  public static final Notebook EMPTY = new Notebook(Map.of(), List.of(), ENOUGH);
  private static final int MOST = 10_000;
  private static final double NEAR = 0.01; // seconds; a beat that is just reached counts

  /** What becomes of an element. */
  public enum Verdict {
    OPEN("open"),
    CLOSE("close enough"),
    LATER("later, in the mix"),
    /** It shall differ: the distance is shown, but is no fault. */
    WANTED("wanted so");

    private final String words;

    Verdict(String words) {
      this.words = words;
    }

    public String words() {
      return words;
    }
  }

  /**
   * A note.
   *
   * @param at seconds in the echo; less than 0 where it is about no place
   * @param about a part, a section or nothing
   * @param words what there is to say
   * @param question true while it asks for an answer
   */
  public record Note(double at, String about, String words, boolean question) {
    public Note {
      Limits.text("about", about);
      Limits.text("words", words);
    }

    /** The words with their place: "kick, bar 5: too dry". */
    public String told(Template t) {
      String where = about;
      if (at >= 0) {
        long before = t.beats().stream().filter(b -> b.time() <= at + NEAR).count() - 1;
        long bar = 1 + Math.max(0, before) / t.beatsPerBar();
        where += (where.isEmpty() ? "" : ", ") + "bar " + bar;
      }
      return where.isEmpty() ? words : where + ": " + words;
    }
  }

  public Notebook {
    verdicts = verdicts == null ? Map.of() : Map.copyOf(verdicts);
    notes = notes == null ? List.of() : List.copyOf(notes);
    if (verdicts.size() > MOST || notes.size() > MOST) {
      throw new IllegalArgumentException("too many notes");
    }
    if (!(enough >= 1 && enough <= 100)) {
      throw new IllegalArgumentException("not a score: " + enough);
    }
    verdicts.keySet().forEach(k -> Limits.text("part", k));
  }

  /** The verdict about a part. */
  public Verdict of(String part) {
    return verdicts.getOrDefault(part, Verdict.OPEN);
  }

  /** The same with another verdict. */
  public Notebook with(String part, Verdict verdict) {
    Map<String, Verdict> out = new TreeMap<>(verdicts);
    out.put(part, verdict);
    return new Notebook(out, notes, enough);
  }

  /** The same with one more note. */
  public Notebook with(Note note) {
    List<Note> out = new ArrayList<>(notes);
    out.add(note);
    return new Notebook(verdicts, out, enough);
  }

  /** The same without a note. */
  public Notebook without(Note note) {
    List<Note> out = new ArrayList<>(notes);
    out.remove(note);
    return new Notebook(verdicts, out, enough);
  }

  /** True when a score, as it is shown, is near enough. */
  public boolean near(double score) {
    return Math.round(score) >= enough;
  }

  /** The same with another score from which a part is near enough. */
  public Notebook enough(double score) {
    return new Notebook(verdicts, notes, score);
  }

  /** Parts that shall differ from the track. */
  @JsonIgnore
  public Set<String> wanted() {
    return verdicts.entrySet().stream()
        .filter(e -> e.getValue() == Verdict.WANTED)
        .map(Map.Entry::getKey)
        .collect(Collectors.toSet());
  }
}
