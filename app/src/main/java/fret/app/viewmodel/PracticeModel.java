package fret.app.viewmodel;

import fret.app.words.Sentences;
import fret.drill.Chunk;
import fret.drill.DrillKind;
import fret.drill.Drills;
import fret.engraving.FingerText;
import fret.fingering.SparseDigits;
import fret.journal.Breakage;
import fret.journal.JournalEntry;
import fret.journal.Verdict;
import fret.mark.FingerLayer;
import fret.plan.Gate;
import fret.plan.Planner;
import fret.plan.PracticePlan;
import fret.score.ResolvedPassage;
import fret.score.Resolver;
import fret.score.Score;
import fret.session.BounceSwitch;
import fret.session.BowSpots;
import fret.session.Session;
import fret.shelf.Planning;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import javafx.beans.property.ReadOnlyIntegerProperty;
import javafx.beans.property.ReadOnlyIntegerWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;

/** Today's practice: which item is on the stand, at which tempo, and what each verdict leads to. */
public final class PracticeModel {
  private final Studio studio;
  private final Supplier<Instant> now;
  private final ReadOnlyIntegerWrapper index = new ReadOnlyIntegerWrapper(0);
  private final ReadOnlyObjectWrapper<Gate> gate = new ReadOnlyObjectWrapper<>();
  private final ReadOnlyObjectWrapper<ResolvedPassage> notation = new ReadOnlyObjectWrapper<>();
  private final Map<String, Extra> extras = new HashMap<>();
  private List<PracticePlan.Item> items = List.of();
  private Instant tryStarted;

  /**
   * @param now the time, for measuring how long a try took
   */
  public PracticeModel(Studio studio, Supplier<Instant> now) {
    this.studio = studio;
    this.now = now;
    this.tryStarted = now.get();
    studio.plans().plannedProperty().addListener(o -> refresh());
  }

  public ReadOnlyIntegerProperty indexProperty() {
    return index.getReadOnlyProperty();
  }

  public ReadOnlyObjectProperty<Gate> gateProperty() {
    return gate.getReadOnlyProperty();
  }

  public ReadOnlyObjectProperty<ResolvedPassage> notationProperty() {
    return notation.getReadOnlyProperty();
  }

  public List<PracticePlan.Item> items() {
    return items;
  }

  public Optional<PracticePlan.Item> item() {
    return index.get() >= 0 && index.get() < items.size()
        ? Optional.of(items.get(index.get()))
        : Optional.empty();
  }

  /**
   * A new plan keeps the item on the stand where the player is in the middle of it; changed habits
   * count at once.
   */
  private void refresh() {
    // A finished or painful item stays until the player chooses the next one.
    boolean underway = gate.get() != null && item().isPresent() && samePassage();
    if (underway) {
      gate.set(gate.get().with(studio.plans().habits().gate()));
      return;
    }
    restart();
  }

  private long shownPassage = -1;

  private boolean samePassage() {
    return studio.shown() != null && studio.shown().passage().id() == shownPassage;
  }

  /** A drill that the player put on the stand, beside what is due. */
  private record Extra(String title, Score drill) {}

  /**
   * Puts the drill of a shift on the stand, at the lowest level of the ladder; what is due stays
   * behind it.
   *
   * @param slice moment that the shift reaches
   */
  public void putOnStand(int slice, String title, Score drill) {
    Planning planned = studio.plans().plannedProperty().get();
    if (planned == null) {
      return;
    }
    if (!samePassage()) {
      restart();
    }
    String id = "shift-" + slice;
    extras.put(id, new Extra(title, drill));
    List<PracticePlan.Item> all = new ArrayList<>(items);
    all.removeIf(i -> i.chunk().equals(id));
    all.add(
        0,
        new PracticePlan.Item(
            id, DrillKind.SHIFT, planned.ladder().start(), 1, Sentences.of("practise.put-on")));
    items = List.copyOf(all);
    index.set(-1); // So that whoever shows the list hears of the new one.
    show(0);
  }

  /** Takes today's items from the plan anew. */
  public void restart() {
    Planning planned = studio.plans().plannedProperty().get();
    extras.clear();
    shownPassage = studio.shown() == null ? -1 : studio.shown().passage().id();
    items =
        planned == null
            ? List.of()
            : planned.plan().days().stream()
                .filter(d -> d.date().equals(studio.today()))
                .findFirst()
                .map(PracticePlan.Day::items)
                .orElse(List.of());
    show(0);
  }

  /** Puts another item on the stand. */
  public void show(int which) {
    index.set(Math.max(0, Math.min(which, Math.max(0, items.size() - 1))));
    Planning planned = studio.plans().plannedProperty().get();
    Optional<PracticePlan.Item> item = item();
    if (item.isEmpty() || planned == null) {
      gate.set(null);
      notation.set(null);
      return;
    }
    gate.set(Gate.at(planned.ladder(), studio.plans().habits().gate(), item.get().perMinute()));
    notation.set(Resolver.resolve(score(item.get(), planned)));
    tryStarted = now.get();
  }

  /** Strokes of the item that cannot bounce yet at a tempo: on the string until then. */
  public List<BounceSwitch> notYetBouncing(PracticePlan.Item item, int perMinute) {
    Session session = studio.shown();
    Planning planned = studio.plans().plannedProperty().get();
    if (session == null || planned == null || extras.containsKey(item.chunk())) {
      return List.of();
    }
    List<BounceSwitch> all =
        planned.chunks().stream()
            .filter(c -> c.id().equals(item.chunk()))
            .findFirst()
            .map(c -> BounceSwitch.of(session, c.fromOnset(), c.toOnset()))
            .orElseGet(() -> BounceSwitch.of(session));
    return all.stream().filter(b -> b.perMinute() > perMinute).toList();
  }

  private Score score(PracticePlan.Item item, Planning planned) {
    if (extras.containsKey(item.chunk())) {
      return extras.get(item.chunk()).drill();
    }
    Session session = studio.shown();
    Set<Integer> sparse =
        SparseDigits.of(
            session.resolved(),
            session.task().hand().instrument(),
            session.fingering(),
            i -> session.at(FingerLayer.PINNED, i).isPresent());
    planned.chunks().stream()
        .filter(c -> c.id().equals(item.chunk()))
        .forEach(c -> addFirst(session, c, sparse));
    Score fingered = session.fingered(sparse::contains);
    Optional<Chunk> chunk =
        planned.chunks().stream().filter(c -> c.id().equals(item.chunk())).findFirst();
    return chunk.map(c -> drill(session, fingered, c, item.drill())).orElse(fingered);
  }

  /** A drill of the bow that the bowing no longer asks for gives way to the notes as written. */
  private static Score drill(Session session, Score fingered, Chunk chunk, DrillKind kind) {
    if (kind != DrillKind.BOW) {
      return Drills.notation(fingered, chunk, kind);
    }
    return BowSpots.of(session, chunk).stream()
        .findFirst()
        .map(BowSpots.Spot::notation)
        .orElseGet(() -> Drills.notation(fingered, chunk, DrillKind.STRAIGHT));
  }

  /** A drill's first note always tells its finger. */
  private static void addFirst(Session session, Chunk chunk, Set<Integer> digits) {
    for (int i = 0; i < session.resolved().notes().size(); i++) {
      var note = session.resolved().notes().get(i);
      if (note.onset().equals(chunk.fromOnset()) && !note.isGrace()) {
        digits.add(i);
      }
    }
  }

  /** Name of the item's chunk as the player knows it. */
  public String label(PracticePlan.Item item) {
    Planning planned = studio.plans().plannedProperty().get();
    if (extras.containsKey(item.chunk())) {
      return extras.get(item.chunk()).title();
    }
    if (item.chunk().equals(Planner.WHOLE) || planned == null) {
      return Sentences.of("practise.the-whole");
    }
    return planned.chunks().stream()
        .filter(c -> c.id().equals(item.chunk()))
        .findFirst()
        .map(c -> (c.isSpot() ? "Shift, " : "") + c.label())
        .orElse(item.chunk());
  }

  /** The fingering printed on the drill: that of the target tempo. */
  public List<FingerText> digits() {
    List<FingerText> texts = new ArrayList<>();
    ResolvedPassage drill = notation.get();
    for (int i = 0; drill != null && i < drill.notes().size(); i++) {
      String digit = drill.notes().get(i).printedFinger();
      if (!digit.isEmpty()) {
        texts.add(new FingerText(i, digit, "", false));
      }
    }
    return texts;
  }

  /** The click starts: from here the try is timed. */
  public void startTry() {
    tryStarted = now.get();
  }

  /** Judges the try that was just played and writes it to the journal. */
  public void judge(Verdict verdict, Breakage breakage) {
    Optional<PracticePlan.Item> item = item();
    if (item.isEmpty() || gate.get() == null || gate.get().stopped()) {
      return;
    }
    int seconds =
        (int) Math.min(1800, Math.max(0, Duration.between(tryStarted, now.get()).toSeconds()));
    int tempo = gate.get().perMinute();
    gate.set(gate.get().after(verdict));
    tryStarted = now.get();
    DrillKind drill = item.get().drill();
    studio.record(
        new JournalEntry(
            0,
            studio.shown().passage().id(),
            studio.today(),
            item.get().chunk(),
            drill,
            tempo,
            seconds,
            verdict,
            breakage,
            ""));
  }
}
