package looseecho.desktop.ledger;

import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import looseecho.desktop.control.Tips;
import looseecho.desktop.session.Desk;
import looseecho.desktop.theme.Theme;
import looseecho.echo.Part;
import looseecho.echo.Parts;
import looseecho.echo.Template;

/** How a part is called; Enter takes it. */
final class PartName extends HBox {
  PartName(Desk desk, Part part) {
    super(8);
    setAlignment(Pos.CENTER_LEFT);
    TextField field = new TextField(desk.name(part));
    field.setId("part-name");
    HBox.setHgrow(field, Priority.ALWAYS);
    field.setPrefColumnCount(8);
    Tips.on(field, "What you call this part: on stems and MIDI tracks, too (Enter)");
    field.setOnAction(
        e -> {
          Template t = desk.templateProperty().get();
          if (t != null && !field.getText().equals(t.name(part))) {
            desk.edit(Parts.name(t, part, field.getText()));
          }
        });
    Label label = new Label("name");
    label.setMinWidth(USE_PREF_SIZE);
    getChildren().addAll(label, field);
    Template now = desk.templateProperty().get();
    part.asLine()
        .filter(l -> now != null)
        .flatMap(l -> Parts.register(now, l))
        .ifPresent(
            where -> {
              Label register = new Label(where);
              register.setId("part-register");
              register.getStyleClass().add(Theme.SMALL);
              register.setMinWidth(USE_PREF_SIZE);
              getChildren().add(register);
            });
  }
}
