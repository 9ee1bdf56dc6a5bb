package looseecho.desktop.handover;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import looseecho.desktop.control.Buttons;
import looseecho.desktop.control.SoundFiles;
import looseecho.desktop.control.Tips;
import looseecho.desktop.session.Desk;
import looseecho.desktop.session.Packing;
import looseecho.desktop.session.Playback;
import looseecho.desktop.session.Preferences;
import looseecho.desktop.theme.Theme;
import looseecho.echo.Part;
import looseecho.echo.Template;
import looseecho.echo.TemplateSection;
import looseecho.exchange.StemNames;
import looseecho.handover.Exporters;

/** What goes into the pack, and the logbook beside it. */
public final class HandoverBench extends HBox {
  private final Desk desk;
  private final Packing packing;
  private final Preferences preferences;
  private final Map<Exporters, CheckBox> kinds = new EnumMap<>(Exporters.class);
  private final Map<Part, ToggleButton> parts = new LinkedHashMap<>();
  private final FlowPane partChips = new FlowPane(6, 6);
  private final List<ToggleButton> sections = new ArrayList<>();
  private final FlowPane sectionChips = new FlowPane(6, 6);
  private final TextField stems = new TextField(StemNames.USUAL);
  private final TextField name = new TextField();
  private final CheckBox zip = new CheckBox("as one zip");
  private Set<Part> shown = Set.of();
  private List<String> order = List.of();

  public HandoverBench(Desk desk, Packing packing, Playback playback, Preferences preferences) {
    super(20);
    this.desk = desk;
    this.packing = packing;
    this.preferences = preferences;
    setId("handover");
    getStyleClass().add("bench");
    VBox left = new VBox(8);
    left.setMinWidth(420);
    left.setPrefWidth(460);
    Label head = new Label("The pack");
    head.getStyleClass().add(Theme.HEADING);
    left.getChildren().add(head);
    for (Exporters kind : Exporters.values()) {
      CheckBox box = new CheckBox(kind.about());
      box.setId("pack-" + kind.name().toLowerCase(java.util.Locale.ROOT));
      box.setSelected(kind != Exporters.SECTIONS);
      box.setWrapText(true);
      Tips.on(box, "In the pack or not: " + kind.about());
      kinds.put(kind, box);
      left.getChildren().add(box);
    }
    Label which = new Label("Parts");
    which.getStyleClass().add(Theme.HEADING);
    Label when = new Label("Sections");
    when.getStyleClass().add(Theme.HEADING);
    stems.setId("pack-stem-names");
    stems.setPrefColumnCount(22);
    Tips.on(stems, "How the files are called: {name}, {section}, {part}, {tempo} and {key}");
    HBox called = new HBox(8, new Label("Stems"), stems);
    called.setAlignment(Pos.CENTER_LEFT);
    name.setId("pack-name");
    name.setPrefColumnCount(18);
    Tips.on(name, "What the folder or zip is called");
    zip.setId("pack-zip");
    Tips.on(zip, "One file in place of a folder");
    HBox named = new HBox(8, new Label("Name"), name, zip);
    named.setAlignment(Pos.CENTER_LEFT);
    Button write =
        Buttons.of(
            "pack-write",
            "Write the pack…",
            "Goes to the folder of your results (F4), or asks for one; nothing that is there is written"
                + " over",
            this::write);
    write.getStyleClass().add(Theme.PRIMARY);
    left.getChildren().addAll(which, partChips, when, sectionChips, named, called, write);
    LogList log = new LogList(desk, playback);
    HBox.setHgrow(log, Priority.ALWAYS);
    getChildren().addAll(left, log);
    desk.templateProperty().addListener((o, a, b) -> show());
    show();
  }

  private void show() {
    Template t = desk.templateProperty().get();
    Set<Part> now = t == null ? Set.of() : new LinkedHashSet<>(Part.of(t));
    if (!now.equals(shown)) {
      shown = now;
      parts.clear();
      for (Part p : now) {
        parts.put(p, chip("pack-part-", t.name(p)));
      }
      partChips.getChildren().setAll(parts.values());
      name.setText(packing.name());
    }
    List<String> labels =
        t == null ? List.of() : t.sections().stream().map(TemplateSection::label).toList();
    if (!labels.equals(order)) {
      order = labels;
      sections.clear();
      for (int k = 0; k < labels.size(); k++) {
        sections.add(chip("pack-section-" + k, (k + 1) + " " + labels.get(k)));
      }
      sectionChips.getChildren().setAll(sections);
    }
  }

  private static ToggleButton chip(String id, String words) {
    ToggleButton chip = new ToggleButton(words);
    chip.setId(id.endsWith("-") ? id + words.replace(' ', '-') : id);
    chip.getStyleClass().add(Theme.CHIP);
    chip.setSelected(true);
    Tips.on(chip, "In the pack or not");
    return chip;
  }

  private void write() {
    preferences
        .now()
        .folders()
        .results()
        .filter(Files::isDirectory)
        .or(() -> SoundFiles.folder("Where the pack goes"))
        .ifPresent(this::write);
  }

  /** Writes the pack into a folder. */
  public void write(Path folder) {
    Set<Exporters> wanted = EnumSet.noneOf(Exporters.class);
    kinds.forEach(
        (kind, box) -> {
          if (box.isSelected()) {
            wanted.add(kind);
          }
        });
    Set<Part> chosen = new LinkedHashSet<>();
    parts.forEach(
        (part, chip) -> {
          if (chip.isSelected()) {
            chosen.add(part);
          }
        });
    Set<Integer> when = new LinkedHashSet<>();
    for (int k = 0; k < sections.size(); k++) {
      if (sections.get(k).isSelected()) {
        when.add(k);
      }
    }
    if (wanted.isEmpty() || chosen.isEmpty() || when.isEmpty()) {
      desk.say("Pick what goes into the pack, and at least one part and section.");
      return;
    }
    packing.write(
        new Packing.Wish(wanted, chosen, when, name.getText(), stems.getText(), zip.isSelected()),
        folder);
  }
}
