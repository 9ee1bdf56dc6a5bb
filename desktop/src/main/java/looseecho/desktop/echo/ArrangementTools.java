package looseecho.desktop.echo;

import java.util.List;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import looseecho.desktop.control.Buttons;
import looseecho.desktop.control.HereMenu;
import looseecho.desktop.control.Menus;
import looseecho.desktop.session.Desk;
import looseecho.desktop.session.EchoMaker;
import looseecho.desktop.session.Playback;
import looseecho.desktop.session.Selection;
import looseecho.desktop.theme.Theme;
import looseecho.echo.Arrangement;
import looseecho.echo.DrumPart;
import looseecho.echo.Edits;
import looseecho.echo.LinePart;
import looseecho.echo.Part;
import looseecho.echo.Template;
import looseecho.echo.TemplateSection;

/** What can be done to the section and the part at work, by button and by key. */
final class ArrangementTools extends FlowPane {
  private final Desk desk;
  private final Selection selection;
  private final Playback playback;
  private final EchoMaker maker;
  private final ArrangementChart chart;
  private final PartTools parts;

  ArrangementTools(
      Desk desk,
      Selection selection,
      Playback playback,
      EchoMaker maker,
      ArrangementChart chart,
      PartTools parts) {
    super(6, 4);
    this.desk = desk;
    this.selection = selection;
    this.playback = playback;
    this.maker = maker;
    this.chart = chart;
    this.parts = parts;
    HereMenu.on(
        chart,
        "This part in or out",
        "I",
        "Off",
        "M",
        "Alone",
        "A",
        "Repeat the section",
        "R",
        "Take the section out",
        "X",
        "An empty section",
        "E",
        "A beat more",
        "Plus",
        "A beat less",
        "Minus",
        "One more part of this kind",
        "D");
    var alone =
        Buttons.of(
            "part-alone", "Alone", "The part alone, heard and echo, or all again (A)", this::alone);
    alone.getStyleClass().add(Theme.CHIP);
    getChildren()
        .addAll(
            ofSection().button(), parts.ending(ofPart()).button(), parts.making().button(), alone);
    chart.addEventHandler(KeyEvent.KEY_PRESSED, this::key);
    selection.partProperty().addListener((o, a, b) -> followAlone(b));
  }

  private Menus ofSection() {
    return Menus.of("section-menu", "Section", "What is done with the section at work")
        .add("repeat", "Once more behind itself  (R)", this::repeat)
        .add("insert", "Four empty bars behind it  (E)", this::insert)
        .add("take-out", "Take it out  (X)", () -> edit(Arrangement::remove))
        .line()
        .add("sooner", "Sooner  (Alt+←)", () -> move(-1))
        .add("later", "Later  (Alt+→)", () -> move(1))
        .line()
        .add("shorter", "A beat shorter  (−)", () -> resize(-1))
        .add("longer", "A beat longer  (+)", () -> resize(1))
        .add("section-stop", "Stop on its last beat", this::stop);
  }

  private Menus ofPart() {
    return Menus.of("part-menu", "Part", "What is done with the picked part")
        .add("part-on", "In or out of this section  (I)", this::toggle)
        .add(
            "part-alike",
            "The same in every section with this letter",
            () -> edit((t, s) -> Arrangement.copyToAlike(t, part(), s)))
        .add("part-mute", "Left out of the sound, or in again  (M)", this::mute);
  }

  private interface Change {
    Edits.Edited of(Template t, int section);
  }

  private void edit(Change change) {
    Template t = desk.templateProperty().get();
    if (t != null) {
      desk.edit(change.of(t, selection.sectionProperty().get()));
    }
  }

  private Part part() {
    return selection.partProperty().get();
  }

  private void repeat() {
    edit(Arrangement::repeat);
  }

  private void insert() {
    edit((t, s) -> Arrangement.insert(t, s, 4 * t.beatsPerBar()));
  }

  private void move(int by) {
    Template t = desk.templateProperty().get();
    int section = selection.sectionProperty().get();
    int to = section + by;
    if (t != null && to >= 0 && to < t.sections().size()) {
      desk.edit(Arrangement.move(t, section, to));
      selection.sectionProperty().set(to);
    }
  }

  private void resize(int beats) {
    edit((t, s) -> Arrangement.resize(t, s, t.sections().get(s).beats() + beats));
  }

  private void stop() {
    edit(
        (t, s) -> {
          int per = t.meter().ticksPerBeat();
          return Arrangement.stop(t, s, (t.sections().get(s).beats() - 1) * per, per);
        });
  }

  /** Out when it plays; else as it is heard here, or as in the nearest section that has it. */
  private void toggle() {
    edit(
        (t, s) -> {
          Part part = part();
          if (part.size(t.sections().get(s)) > 0) {
            return Arrangement.silence(t, part, s);
          }
          TemplateSection heard = chart.heardLike(s);
          if (heard != null
              && part.size(heard) > 0
              && heard.beats() == t.sections().get(s).beats()) {
            String words = "As heard: " + t.name(part);
            return part instanceof DrumPart drum
                ? Edits.part(t, s, drum, heard.hits(drum), words)
                : Edits.line(t, s, (LinePart) part, heard.notes((LinePart) part), words);
          }
          return nearest(t, part, s).stream()
              .findFirst()
              .map(from -> Arrangement.copyPart(t, part, from, s))
              .orElse(new Edits.Edited(t, "Nobody plays " + t.name(part) + " anywhere yet"));
        });
  }

  private static List<Integer> nearest(Template t, Part part, int section) {
    return java.util.stream.IntStream.range(0, t.sections().size())
        .filter(i -> part.size(t.sections().get(i)) > 0)
        .boxed()
        .sorted(java.util.Comparator.comparingInt(i -> Math.abs(i - section)))
        .toList();
  }

  private void mute() {
    var sounds = maker.soundsProperty().get();
    boolean off = !sounds.strip(part()).muted();
    desk.sound(
        sounds.with(part(), sounds.strip(part()).muted(off)),
        desk.name(part()) + (off ? " is off" : " is on"));
  }

  private void alone() {
    var solo = playback.soloProperty();
    solo.set(solo.get() == null ? part() : null);
    desk.messageProperty()
        .set(solo.get() == null ? "All parts again" : desk.name(solo.get()) + " alone");
  }

  /** While a part is heard alone, the one at work is. */
  private void followAlone(Part now) {
    if (getScene() != null && playback.soloProperty().get() != null) {
      playback.soloProperty().set(now);
    }
  }

  private void key(KeyEvent e) {
    if (e.isShortcutDown()) {
      return;
    }
    if (e.isAltDown()) {
      if (e.getCode() == KeyCode.LEFT || e.getCode() == KeyCode.RIGHT) {
        move(e.getCode() == KeyCode.LEFT ? -1 : 1);
        e.consume();
      }
      return;
    }
    switch (e.getCode()) {
      case E -> insert();
      case R -> repeat();
      case X -> edit(Arrangement::remove);
      case I, ENTER -> toggle();
      case M -> mute();
      case A -> alone();
      case D -> parts.add();
      case DELETE, BACK_SPACE -> edit((t, s) -> Arrangement.silence(t, part(), s));
      case PLUS, EQUALS, ADD -> resize(1);
      case MINUS, SUBTRACT -> resize(-1);
      default -> {
        return;
      }
    }
    e.consume();
  }
}
