package looseecho.desktop;

import java.io.File;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Alert;
import javafx.scene.control.ButtonType;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import javafx.stage.DirectoryChooser;
import javafx.stage.FileChooser;
import looseecho.desktop.control.Buttons;
import looseecho.desktop.control.SoundFiles;
import looseecho.desktop.session.Desk;
import looseecho.desktop.session.Papers;
import looseecho.desktop.session.Preferences;
import looseecho.desktop.theme.Theme;

/** Opening, saving and exporting, with the questions that go with them. */
final class FileDialogs {
  private static final DateTimeFormatter WHEN =
      DateTimeFormatter.ofPattern("d MMMM, HH:mm", Locale.ENGLISH).withZone(ZoneId.systemDefault());
  private static final String ENDING = ".looseecho";
  private static final int SHOWN = 4;

  private final Desk desk;
  private final Papers papers;
  private final Node owner;
  private final Preferences preferences;

  FileDialogs(Desk desk, Papers papers, Node owner, Preferences preferences) {
    this.desk = desk;
    this.papers = papers;
    this.owner = owner;
    this.preferences = preferences;
  }

  void choose() {
    FileChooser chooser = new FileChooser();
    chooser.setTitle("Open a reference or a project");
    begin(preferences.now().folders().tracks(), chooser::setInitialDirectory);
    chooser
        .getExtensionFilters()
        .addAll(
            SoundFiles.and("Sound files and projects", "*.looseecho"),
            new FileChooser.ExtensionFilter("All files", "*"));
    File file = chooser.showOpenDialog(owner.getScene().getWindow());
    if (file != null) {
      open(file.toPath());
    }
  }

  /** A folder that is gone would keep the dialog from opening. */
  private static void begin(Optional<Path> folder, Consumer<File> in) {
    folder.map(Path::toFile).filter(File::isDirectory).ifPresent(in);
  }

  void open(Path path) {
    if (mayLose()) {
      papers.open(path);
    }
  }

  void openDemo() {
    if (mayLose()) {
      papers.openDemo();
    }
  }

  void save() {
    Path path = papers.keeper().pathProperty().get();
    if (path == null) {
      saveAs();
    } else {
      papers.save(path, false);
    }
  }

  void saveAs() {
    if (desk.templateProperty().get() == null) {
      desk.messageProperty().set("There is nothing to save yet.");
      return;
    }
    FileChooser chooser = new FileChooser();
    chooser.setTitle("Save the project");
    begin(preferences.now().folders().results(), chooser::setInitialDirectory);
    FileChooser.ExtensionFilter plain =
        new FileChooser.ExtensionFilter("Project, the reference stays where it is", "*.looseecho");
    FileChooser.ExtensionFilter packed =
        new FileChooser.ExtensionFilter("Project with the reference in it", "*.looseecho");
    chooser.getExtensionFilters().addAll(plain, packed);
    chooser.setInitialFileName(
        desk.referenceProperty()
                .get()
                .name()
                .replaceFirst("(?<=.)\\.[^.]+$", "")
                .replaceAll("[^\\w. -]", "_")
            + ".looseecho");
    File file = chooser.showSaveDialog(owner.getScene().getWindow());
    if (file != null) {
      boolean whole = file.getName().endsWith(ENDING);
      Path to = Path.of(whole ? file.getPath() : file + ENDING);
      // The chooser has asked about the name as it was typed; with the ending it is another file.
      if (whole || !Files.exists(to) || mayReplace(to)) {
        papers.save(to, chooser.getSelectedExtensionFilter() == packed);
      }
    }
  }

  private boolean mayReplace(Path to) {
    ButtonType replace = new ButtonType("Replace it");
    return ask(to.getFileName() + " is there already.", replace, ButtonType.CANCEL)
        .filter(b -> b == replace)
        .isPresent();
  }

  private Optional<ButtonType> ask(String words, ButtonType... answers) {
    Alert question = new Alert(Alert.AlertType.CONFIRMATION, words, answers);
    question.setTitle("Loose Echo");
    question.setHeaderText(null);
    question.setGraphic(null);
    question.initOwner(owner.getScene().getWindow());
    question.getDialogPane().getStylesheets().setAll(owner.getScene().getStylesheets());
    question.getDialogPane().getStyleClass().addAll(owner.getScene().getRoot().getStyleClass());
    return question.showAndWait();
  }

  void export() {
    Optional<Path> usual = preferences.now().folders().results().filter(Files::isDirectory);
    if (usual.isPresent()) {
      papers.export(usual.get());
      return;
    }
    DirectoryChooser chooser = new DirectoryChooser();
    chooser.setTitle("Export MIDI, mix and stems into a folder");
    File folder = chooser.showDialog(owner.getScene().getWindow());
    if (folder != null) {
      papers.export(folder.toPath());
    }
  }

  /** Asks about unsaved work; false when the person wants to stay. */
  boolean mayLose() {
    if (!papers.keeper().unsavedProperty().get()) {
      return true;
    }
    ButtonType save = new ButtonType("Save it");
    ButtonType leave = new ButtonType("Leave it");
    ButtonType stay = ButtonType.CANCEL;
    Optional<ButtonType> answer = ask("The work on this track is not saved.", save, leave, stay);
    if (answer.filter(b -> b == save).isPresent()) {
      save();
      return false; // it goes on when the person asks again, once it is saved
    }
    return answer.filter(b -> b == leave).isPresent();
  }

  /** Rows for work that a killed window left behind, and for projects worked on lately. */
  List<Node> leftBehind() {
    List<Node> rows = new ArrayList<>();
    for (Path left : papers.keeper().leftBehind()) {
      Label words =
          new Label(
              "Unsaved work from "
                  + WHEN.format(Instant.ofEpochMilli(left.toFile().lastModified())));
      HBox row = new HBox(8, words);
      row.getChildren()
          .addAll(
              Buttons.of("recover", "Take it up", "Opens it as it was", () -> papers.recover(left)),
              Buttons.of(
                  "forget",
                  "Forget it",
                  "Deletes it",
                  () -> {
                    papers.keeper().forget(left);
                    row.setVisible(false);
                  }));
      row.setAlignment(Pos.CENTER);
      rows.add(row);
    }
    List<Path> recent = papers.keeper().recent();
    if (!recent.isEmpty()) {
      Label title = new Label("Worked on lately");
      title.getStyleClass().add(Theme.QUIET);
      VBox box = new VBox(4, title);
      box.setAlignment(Pos.CENTER);
      for (Path p : recent.subList(0, Math.min(SHOWN, recent.size()))) {
        box.getChildren()
            .add(
                Buttons.of(
                    "recent", p.getFileName().toString(), p.toString(), () -> papers.open(p)));
      }
      rows.add(box);
    }
    return rows;
  }
}
