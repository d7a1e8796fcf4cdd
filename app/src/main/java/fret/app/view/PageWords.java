package fret.app.view;

import fret.app.viewmodel.Studio;
import fret.app.words.Sentences;
import fret.score.Bar;
import fret.score.Direction;
import fret.score.Glossary;
import fret.session.Session;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** The words that stand on the page in a bar or count there still, each with what it asks for. */
final class PageWords extends VBox {
  private static final Set<Direction.Kind> WORDS =
      EnumSet.of(
          Direction.Kind.WORDS, Direction.Kind.TEMPO, Direction.Kind.PLUCKED, Direction.Kind.BOWED);

  private final Studio studio;

  PageWords(Studio studio) {
    super(6);
    this.studio = studio;
    setId("page-words");
  }

  void show(Session s, int bar) {
    getChildren().clear();
    Glossary glossary = studio.preferences().glossary();
    List<String> all = words(s, bar);
    List<String> known = new ArrayList<>();
    for (String words : all) {
      List<Glossary.Term> terms = glossary.in(words);
      for (Glossary.Term t : terms) {
        if (!known.contains(t.word())) {
          known.add(t.word());
          getChildren().add(row(t.word(), t.meaning()));
        }
      }
      if (terms.isEmpty()) {
        getChildren().add(row(words, ""));
      }
    }
    if (getChildren().isEmpty()) {
      getChildren().add(Parts.label(Sentences.of("bar.words.none"), "quiet"));
    }
  }

  /** Words of the bar; where it has none of its own, the last ones before it. */
  private static List<String> words(Session s, int bar) {
    List<String> last = List.of();
    for (Bar b : s.score().bars()) {
      List<String> here = b.index() <= bar ? words(b) : List.of();
      last = here.isEmpty() ? last : here;
    }
    return last;
  }

  private static List<String> words(Bar bar) {
    return bar.directions().stream()
        .filter(
            // "quarter=108" is a number, not a word.
            d -> WORDS.contains(d.kind()) && !d.text().isBlank() && !d.text().contains("="))
        .map(Direction::text)
        .distinct()
        .toList();
  }

  private HBox row(String word, String meaning) {
    TextField field = new TextField(meaning);
    field.setPromptText(Sentences.of("bar.words.prompt"));
    field.setAccessibleText(Sentences.of("bar.words.long", word));
    Parts.onCommit(
        field,
        () -> {
          if (!field.getText().strip().equals(meaning)) {
            studio.setMeaning(word, field.getText());
          }
        });
    HBox.setHgrow(field, Priority.ALWAYS);
    return Parts.row(8, Parts.line(word, "strong"), field);
  }
}
