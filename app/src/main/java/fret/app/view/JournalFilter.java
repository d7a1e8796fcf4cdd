package fret.app.view;

import fret.app.viewmodel.JournalModel;
import fret.app.viewmodel.Studio;
import fret.app.words.Sentences;
import fret.journal.Breakage;
import fret.journal.JournalEntry;
import fret.journal.Verdict;
import fret.passage.Passage;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Stream;
import javafx.scene.control.ComboBox;
import javafx.scene.layout.FlowPane;

/** Which tries of the journal are shown. */
final class JournalFilter {
  private static final List<Integer> DAYS = List.of(0, 7, 30, 90);

  private final Studio studio;
  private final JournalModel model;
  private final Runnable changed;
  private final ComboBox<Optional<Passage>> passage;
  private final ComboBox<Optional<String>> chunk;
  private final ComboBox<Optional<Verdict>> verdict;
  private final ComboBox<Optional<Breakage>> broke;
  private final ComboBox<Integer> days = new ComboBox<>();
  private final FlowPane node = Parts.flow(8);
  private boolean filling;

  JournalFilter(Studio studio, JournalModel model, Runnable changed) {
    this.studio = studio;
    this.model = model;
    this.changed = changed;
    filling = true;
    passage = choice("filter-passage", "journal.every-passage", p -> p.settings().title());
    chunk = choice("filter-chunk", "journal.every-chunk", this::chunkName);
    verdict = choice("filter-verdict", "journal.every-verdict", v -> Sentences.of("verdict." + v));
    broke = choice("filter-broke", "journal.every-break", b -> Sentences.of("broke." + b));
    fill(verdict, Stream.of(Verdict.values()));
    fill(broke, Stream.of(Breakage.values()).filter(b -> b != Breakage.NONE));
    days.getItems().setAll(DAYS);
    days.setValue(0);
    days.setId("filter-days");
    days.setAccessibleText(Sentences.of("journal.days"));
    days.setConverter(
        Parts.named(
            d ->
                d == 0 ? Sentences.of("journal.every-day") : Sentences.of("journal.last-days", d)));
    days.setOnAction(e -> changed());
    node.getChildren().addAll(passage, chunk, verdict, broke, days);
    show();
  }

  private <T> ComboBox<Optional<T>> choice(String id, String all, Function<T, String> name) {
    ComboBox<Optional<T>> box = new ComboBox<>();
    box.setId(id);
    box.setPrefWidth(138);
    box.setAccessibleText(Sentences.of(all));
    box.setConverter(Parts.named(v -> v.map(name).orElse(Sentences.of(all))));
    box.getItems().add(Optional.empty());
    box.setValue(Optional.empty());
    box.setOnAction(e -> changed());
    return box;
  }

  private static <T> List<Optional<T>> withAll(Stream<T> values) {
    List<Optional<T>> all = new ArrayList<>();
    all.add(Optional.empty());
    values.forEach(v -> all.add(Optional.of(v)));
    return all;
  }

  private String chunkName(String id) {
    return studio.journal().stream()
        .filter(e -> e.chunkId().equals(id) && isOfPassage(e))
        .findFirst()
        .map(model::chunkName)
        .orElse(id);
  }

  private boolean isOfPassage(JournalEntry e) {
    return passage.getValue().map(p -> p.id() == e.passageId()).orElse(false);
  }

  private void changed() {
    if (!filling) {
      show();
      changed.run();
    }
  }

  /** The passages of the shelf, and the chunks of the one that is chosen. */
  void show() {
    filling = true;
    fill(passage, studio.passages().stream());
    fill(
        chunk,
        studio.journal().stream().filter(this::isOfPassage).map(JournalEntry::chunkId).distinct());
    chunk.setDisable(passage.getValue().isEmpty());
    filling = false;
  }

  private static <T> void fill(ComboBox<Optional<T>> box, Stream<T> values) {
    List<Optional<T>> all = withAll(values);
    Optional<T> before = box.getValue();
    if (!all.equals(box.getItems())) {
      box.getItems().setAll(all);
      // Other items take the value away.
      box.setValue(before != null && all.contains(before) ? before : Optional.empty());
    }
  }

  /** The passage and the chunk that are chosen; empty where all are. */
  Optional<Passage> passage() {
    return passage.getValue();
  }

  Optional<String> chunk() {
    return chunk.getValue();
  }

  JournalModel.Filter filter() {
    return new JournalModel.Filter(
        passage.getValue().map(Passage::id),
        chunk.getValue(),
        verdict.getValue(),
        broke.getValue(),
        days.getValue());
  }

  FlowPane node() {
    return node;
  }
}
