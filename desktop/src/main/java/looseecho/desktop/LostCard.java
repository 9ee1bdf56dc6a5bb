package looseecho.desktop;

import java.nio.file.Path;
import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import looseecho.desktop.control.Buttons;
import looseecho.desktop.control.Cards;
import looseecho.desktop.session.Keeper;
import looseecho.desktop.session.Papers;
import looseecho.desktop.theme.Theme;

/** What is kept of a project that is missing or broken, to be taken up. */
final class LostCard {
  private static final String ID = "lost";
  private static final int SHOWN = 6;
  private static final double WIDTH = 480;
  private static final DateTimeFormatter WHEN =
      DateTimeFormatter.ofPattern("d MMMM, HH:mm", Locale.ENGLISH).withZone(ZoneId.systemDefault());

  private LostCard() {}

  /** Shows the card over a bench, or takes it away when nothing is lost. */
  static void show(StackPane over, Papers papers) {
    Cards.close(over, ID);
    Keeper.LostException lost = papers.lostProperty().get();
    if (lost == null) {
      return;
    }
    Label title = new Label("Kept of " + lost.project().getFileName());
    title.getStyleClass().add(Theme.HEADING);
    Label why = new Label(lost.getMessage());
    why.setWrapText(true);
    why.getStyleClass().add(Theme.SMALL);
    VBox card = Cards.show(over, ID, KeyCode.ESCAPE, title, why);
    for (Path kept : lost.kept().subList(0, Math.min(SHOWN, lost.kept().size()))) {
      card.getChildren().add(row(papers, lost.project(), kept));
    }
    card.getChildren()
        .add(Buttons.of("lost-close", "Close", "Leaves all as it is", () -> Cards.close(over, ID)));
    card.setPrefWidth(WIDTH);
  }

  private static HBox row(Papers papers, Path project, Path kept) {
    boolean saved = kept.getFileName().toString().matches("\\d{6}\\..*");
    Instant time = Instant.ofEpochMilli(kept.toFile().lastModified());
    Label when = new Label((saved ? "Saved " : "Not saved, ") + WHEN.format(time));
    Region gap = new Region();
    HBox.setHgrow(gap, Priority.ALWAYS);
    HBox row =
        new HBox(
            8,
            when,
            gap,
            Buttons.of(
                "take-up",
                "Take it up",
                "Opens it; saving puts it in the project's place",
                () -> papers.openKept(kept, project)));
    row.setAlignment(Pos.CENTER_LEFT);
    return row;
  }
}
