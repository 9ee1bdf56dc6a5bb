package looseecho.desktop.ledger;

import java.io.File;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.IntStream;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.Slider;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;
import looseecho.desktop.control.Buttons;
import looseecho.desktop.control.Dials;
import looseecho.desktop.control.SoundFiles;
import looseecho.desktop.control.Tips;
import looseecho.desktop.session.Desk;
import looseecho.desktop.session.Lanes;
import looseecho.desktop.session.Selection;
import looseecho.desktop.theme.Theme;
import looseecho.echo.DrumPart;
import looseecho.echo.Edits;
import looseecho.echo.Elsewhere;
import looseecho.echo.GrooveLift;
import looseecho.echo.Part;
import looseecho.echo.Template;

/**
 * The groove of another section, project or MIDI file, put on the whole kit or on one drum of the
 * section at work, by strength; or the section's own pulled to the grid.
 */
public final class GroovePanel extends VBox {
  private static final String KIT = "whole kit";
  private static final double WIDTH = 150;

  private final Desk desk;
  private final Selection selection;
  private final Lanes lanes;
  private final ComboBox<String> from = new ComboBox<>();
  private final ComboBox<String> lane = new ComboBox<>();
  private final ComboBox<String> onto = new ComboBox<>();
  private final Slider strength = new Slider(0, 100, 100);
  private List<GrooveSource> file = List.of();

  GroovePanel(Desk desk, Selection selection, Lanes lanes) {
    super(4);
    this.desk = desk;
    this.selection = selection;
    this.lanes = lanes;
    setId("groove");
    from.setId("groove-from");
    from.setPromptText("groove of …");
    lane.setId("groove-lane");
    onto.setId("groove-onto");
    strength.setId("groove-strength");
    strength.setPrefWidth(140);
    Tips.on(from, "Whose timing and loudness: another section's, or of a file that was read");
    Tips.on(lane, "Which of its drums");
    Tips.on(onto, "Which drum of the section at work gets it");
    Tips.on(strength, "Groove: how much of it is put on");
    lane.setPrefWidth(WIDTH);
    onto.setPrefWidth(WIDTH);
    strength.setBlockIncrement(5);
    Label number = new Label();
    number.getStyleClass().add(Theme.SMALL);
    number.setMinWidth(44);
    Dials.join(strength, number);
    number.textProperty().bind(strength.valueProperty().asString("%.0f %%"));
    lane.getSelectionModel().selectedIndexProperty().addListener((o, a, b) -> lanes());
    from.getSelectionModel().selectedIndexProperty().addListener((o, a, b) -> show());
    desk.templateProperty().addListener((o, a, b) -> show());
    selection.sectionProperty().addListener((o, a, b) -> lanes());
    getChildren()
        .addAll(
            ReadingRow.heading("Groove from elsewhere"),
            new FlowPane(
                6,
                4,
                from,
                Buttons.of(
                    "groove-file",
                    "File…",
                    "The groove of a MIDI file, a project or another track",
                    this::choose)),
            new FlowPane(6, 4, new Label("of"), lane),
            new FlowPane(6, 4, new Label("on"), onto),
            new FlowPane(6, 4, strength, number),
            new FlowPane(
                6,
                4,
                Buttons.of("groove-put", "Put on", "Timing and loudness, by strength", this::put),
                Buttons.of(
                    "groove-take",
                    "Take it over",
                    "Its hits and notes instead of what plays here, the picked part or the whole",
                    this::takeOver),
                Buttons.of(
                    "groove-tight",
                    "Tighten",
                    "Pull the same drums to the grid, by strength",
                    this::tighten)));
    show();
  }

  /** Takes the groove of a file; it can be put on from then on. */
  public void take(Path of) {
    lanes
        .reading()
        .start(
            p -> GrooveSource.read(of, p),
            g -> {
              file = g;
              show();
              from.getSelectionModel().select(g.get(0).name());
            },
            e -> desk.messageProperty().set(e.getMessage()));
  }

  private void choose() {
    FileChooser chooser = new FileChooser();
    chooser.setTitle("Groove and parts of a MIDI file, a project or another track");
    chooser
        .getExtensionFilters()
        .add(SoundFiles.and("MIDI, projects and tracks", "*.mid", "*.midi", "*.looseecho"));
    File chosen = chooser.showOpenDialog(getScene().getWindow());
    if (chosen != null) {
      take(chosen.toPath());
    }
  }

  private void show() {
    Template t = desk.templateProperty().get();
    if (t == null) {
      return;
    }
    List<String> names = new ArrayList<>();
    IntStream.range(0, t.sections().size())
        .mapToObj(i -> GrooveSource.of(t, i, "").name())
        .forEach(names::add);
    file.forEach(s -> names.add(s.name()));
    keep(from, names);
    List<String> sources = new ArrayList<>(List.of(KIT));
    source().ifPresent(g -> g.parts().parts().forEach(p -> sources.add(g.parts().name(p))));
    keep(lane, sources);
    lanes();
  }

  /** The drums of the section at work, to put one drum's groove on. */
  private void lanes() {
    Template t = desk.templateProperty().get();
    boolean kit = KIT.equals(lane.getValue());
    onto.setDisable(kit);
    int section = selection.sectionProperty().get();
    if (t != null && section >= 0 && section < t.sections().size()) {
      List<String> drums = new ArrayList<>();
      t.sections().get(section).drums().keySet().forEach(d -> drums.add(t.name(d)));
      keep(onto, drums);
    }
  }

  /** Other items; what was picked stays picked where it is still there. */
  private static void keep(ComboBox<String> box, List<String> items) {
    if (!box.getItems().equals(items)) {
      String picked = box.getValue();
      box.getItems().setAll(items);
      box.setValue(items.contains(picked) || items.isEmpty() ? picked : items.get(0));
    }
  }

  private Optional<GrooveSource> source() {
    Template t = desk.templateProperty().get();
    int i = from.getSelectionModel().getSelectedIndex();
    if (t == null || i < 0) {
      return Optional.empty();
    }
    int own = t.sections().size();
    return i < own
        ? Optional.of(GrooveSource.of(t, i, ""))
        : file.stream().skip(i - own).findFirst();
  }

  /** The drum of that name among some parts. */
  private static Optional<DrumPart> drum(
      Collection<? extends Part> parts, Function<Part, String> name, String wanted) {
    return parts.stream()
        .filter(p -> name.apply(p).equals(wanted))
        .findFirst()
        .flatMap(Part::asDrum);
  }

  /** The drum that the groove is put on. */
  private Optional<DrumPart> target(Template t) {
    int section = selection.sectionProperty().get();
    return drum(t.sections().get(section).drums().keySet(), t::name, onto.getValue());
  }

  private void put() {
    Template t = desk.templateProperty().get();
    Optional<GrooveLift> groove = source().map(GrooveSource::groove);
    if (t == null || groove.isEmpty()) {
      desk.messageProperty().set("Pick the section or file whose groove it shall be.");
      return;
    }
    int section = selection.sectionProperty().get();
    double share = strength.getValue() / 100;
    Elsewhere parts = source().orElseThrow().parts();
    Optional<DrumPart> of = drum(parts.parts(), parts::name, lane.getValue());
    Optional<DrumPart> on = target(t);
    desk.edit(
        of.isPresent() && on.isPresent()
            ? groove.get().onto(t, section, of.get(), on.get(), share)
            : groove.get().ontoAll(t, section, share));
  }

  private void takeOver() {
    Template t = desk.templateProperty().get();
    Optional<Elsewhere> parts = source().map(GrooveSource::parts);
    if (t == null || parts.isEmpty()) {
      desk.messageProperty().set("Pick the section or file whose parts it shall be.");
      return;
    }
    int section = selection.sectionProperty().get();
    List<Part> wanted =
        parts.get().parts().stream()
            .filter(
                part ->
                    KIT.equals(lane.getValue()) || parts.get().name(part).equals(lane.getValue()))
            .toList();
    Template now = t;
    String words = "";
    for (Part part : wanted) {
      Edits.Edited e = parts.get().into(now, section, part, part);
      now = e.template();
      words = e.words();
    }
    if (!wanted.isEmpty()) {
      desk.edit(
          new Edits.Edited(now, wanted.size() == 1 ? words : wanted.size() + " parts taken over"));
    }
  }

  private void tighten() {
    Template t = desk.templateProperty().get();
    if (t == null) {
      return;
    }
    int section = selection.sectionProperty().get();
    double share = strength.getValue() / 100;
    desk.edit(
        onto.isDisabled() || target(t).isEmpty()
            ? Edits.quantise(t, section, share)
            : Edits.quantise(t, section, target(t).get(), share));
  }
}
