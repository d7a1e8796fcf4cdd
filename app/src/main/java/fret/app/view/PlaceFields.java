package fret.app.view;

import fret.app.viewmodel.BowModel;
import fret.app.viewmodel.Studio;
import fret.app.words.Sentences;
import fret.base.Said;
import fret.bowing.ShortPlaces;
import fret.session.Session;
import java.util.List;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;

/** Where plain short strokes live: three shares of the hair, in percent. */
final class PlaceFields extends FlowPane {
  private static final double PERCENT = 100;
  private static final double WIDTH = 42;
  private static final double WRAP = 190;

  private final Studio studio;
  private final BowModel model;
  private final TextField soft = field("soft");
  private final TextField loud = field("loud");
  private final TextField quick = field("quick");
  private boolean showing;

  PlaceFields(Studio studio, BowModel model) {
    super(8, 4);
    this.studio = studio;
    this.model = model;
    setPrefWrapLength(WRAP);
    for (TextField f : List.of(soft, loud, quick)) {
      Parts.onCommit(f, this::change);
      HBox one =
          Parts.row(4, Parts.line(Sentences.of("bow." + f.getId().replace('-', '.')), "quiet"), f);
      one.setMinWidth(Region.USE_PREF_SIZE);
      getChildren().add(one);
    }
  }

  private static TextField field(String name) {
    TextField field = new TextField();
    field.setPrefWidth(WIDTH);
    field.setMinWidth(WIDTH);
    field.setId("places-" + name);
    field.setAccessibleText(Sentences.of("bow.places." + name + ".long"));
    return field;
  }

  private void change() {
    if (showing || studio.shown() == null) {
      return;
    }
    try {
      ShortPlaces wanted = new ShortPlaces(share(soft), share(loud), share(quick));
      model
          .decisions()
          .change(Said.of("bow.places.set"), b -> b.withHabits(b.habits().withPlaces(wanted)));
    } catch (IllegalArgumentException e) {
      studio.tell(Sentences.of("bow.places.wrong"));
    }
  }

  private static double share(TextField field) {
    return Parts.decimal(field.getText().strip()) / PERCENT;
  }

  void show(Session s) {
    showing = true;
    ShortPlaces places = s.passage().settings().bow().habits().places();
    soft.setText(String.valueOf(Math.round(PERCENT * places.soft())));
    loud.setText(String.valueOf(Math.round(PERCENT * places.loud())));
    quick.setText(String.valueOf(Math.round(PERCENT * places.quick())));
    showing = false;
  }
}
