package looseecho.desktop.echo;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import looseecho.desktop.control.Menus;
import looseecho.desktop.control.SoundFiles;
import looseecho.desktop.session.Desk;
import looseecho.desktop.session.OwnAudio;
import looseecho.desktop.session.Reference;
import looseecho.desktop.session.Selection;
import looseecho.echo.Cell;
import looseecho.echo.DrumPart;
import looseecho.echo.Edits;
import looseecho.echo.Part;
import looseecho.echo.Parts;
import looseecho.echo.Split;
import looseecho.echo.Template;

/** Which parts there are: new ones, split off, copied, in turn, joined, taken away. */
final class PartTools {
  private final Desk desk;
  private final Selection selection;
  private final StrokeTools.Place place;
  private final OwnAudio own;

  PartTools(Desk desk, Selection selection, StrokeTools.Place place, OwnAudio own) {
    this.desk = desk;
    this.selection = selection;
    this.place = place;
    this.own = own;
  }

  Menus making() {
    return Menus.of("new-part", "New part", "Another part of the picked one's kind")
        .add("part-add", "Empty, to be written  (D)", this::add)
        .add("part-copy", "A copy of it", () -> made((t, p, n) -> Parts.copy(t, p, n)))
        .line()
        .add("split-soft", "Its soft ones", () -> split(t -> Split.soft(t, part())))
        .add("split-high", "Its higher ones", () -> split(t -> Split.high(t, part())))
        .add("split-right", "Those heard further right", this::splitRight)
        .add("split-off", "Those between the beats", () -> split(t -> Split.offBeats()))
        .add("split-place", "Those on this place of the bar", this::splitPlace)
        .add("split-section", "What it plays in this section", () -> split(this::section))
        .line()
        .add("alternate", "In turn with it, by letter", () -> made(Parts::alternate))
        .line()
        .add("own-audio", "A recording of yours…", this::choose)
        .add("record", "Record from the input (again: stop)", own::record)
        .add("cut", "The looped bars of the reference", own::cutOfReference);
  }

  private void choose() {
    SoundFiles.choose("A loop or a phrase of yours").ifPresent(own::take);
  }

  /** Adds what takes parts away to a list. */
  Menus ending(Menus menu) {
    return menu.line()
        .choices("part-join", "Join it to", this::others)
        .add("part-drop", "Take it away everywhere", this::drop);
  }

  private Part part() {
    return selection.partProperty().get();
  }

  private Split section(Template t) {
    return Split.section(selection.sectionProperty().get());
  }

  private interface Making {
    Edits.Edited of(Template t, Part part, Part made);
  }

  void add() {
    made((t, p, n) -> Parts.add(t, n));
  }

  private void split(Function<Template, Split> how) {
    made((t, p, n) -> Parts.split(t, p, n, how.apply(t)));
  }

  /** By the side on which each hit is heard in the reference: only while it is laid as heard. */
  private void splitRight() {
    Template t = desk.templateProperty().get();
    Template heard = desk.exact();
    Reference r = desk.referenceProperty().get();
    Optional<DrumPart> drum = part().asDrum();
    if (t == null || heard == null || r == null || drum.isEmpty()) {
      desk.say("Pick a drum first: its hits are told apart by their side.");
    } else if (!t.beats().equals(heard.beats())) {
      desk.say("Sides are heard in the track: undo the other order or tempo first.");
    } else {
      own.aside(
          () -> Split.right(t, drum.get(), r.audio()),
          split ->
              split.ifPresentOrElse(
                  s -> split(x -> s),
                  () -> desk.say("All of " + desk.name(part()) + " stands in one place.")));
    }
  }

  private void splitPlace() {
    Template t = desk.templateProperty().get();
    Optional<Cell> cell = t == null ? Optional.empty() : place.cell(t);
    cell.ifPresent(c -> split(x -> Split.place(t.grid(c.section()).inBar(c.tick()), c.grid())));
  }

  /** Makes a new part of the picked one's kind, and picks it. */
  private void made(Making how) {
    Template t = desk.templateProperty().get();
    if (t == null) {
      return;
    }
    Optional<Part> next = Parts.next(t, part());
    if (next.isEmpty()) {
      desk.say("There are " + Part.MOST + " parts of this kind, and no more fit.");
      return;
    }
    Edits.Edited e = how.of(t, part(), next.get());
    if (e.template().equals(t)) {
      desk.say(e.words());
      return;
    }
    desk.edit(e);
    selection.partProperty().set(next.get());
  }

  /** The parts that the picked one can be joined to. */
  private Map<String, Runnable> others() {
    Template t = desk.templateProperty().get();
    Map<String, Runnable> out = new LinkedHashMap<>();
    for (Part other : t == null ? java.util.List.<Part>of() : Part.of(t)) {
      if (!other.equals(part()) && other.asDrum().isPresent() == part().asDrum().isPresent()) {
        out.put(t.name(other), () -> join(other));
      }
    }
    return out;
  }

  private void join(Part other) {
    desk.edit(Parts.merge(desk.templateProperty().get(), part(), other));
    selection.partProperty().set(other);
  }

  private void drop() {
    Template t = desk.templateProperty().get();
    if (t != null) {
      desk.edit(Parts.drop(t, part()));
    }
  }
}
