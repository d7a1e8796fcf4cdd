package fret.app.viewmodel;

import fret.app.words.Sentences;
import fret.app.work.Computing.Rank;
import fret.base.Said;
import fret.fingering.Fingering;
import fret.fingering.FingeringSolver;
import fret.fingering.NoteFinger;
import fret.fingering.Tally;
import fret.fingering.TempoRange;
import fret.intonation.Tuned;
import fret.mark.FingerLayer;
import fret.mark.Wish;
import fret.passage.Passage;
import fret.player.EffortKind;
import fret.player.Hand;
import fret.player.HandHabit;
import fret.player.Preset;
import fret.score.SoundingNote;
import fret.search.Token;
import fret.search.WeightRange;
import fret.session.BetterAnswer;
import fret.session.Decisions;
import fret.session.Ear;
import fret.session.Session;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.FutureTask;
import java.util.function.Consumer;
import javafx.beans.property.ReadOnlyIntegerProperty;
import javafx.beans.property.ReadOnlyIntegerWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;

/**
 * What the left hand is looked at with: the notes selected, other ways to play one note, other
 * whole fingerings side by side, and the one that is tried on the strip.
 */
public final class LeftHandModel {
  /**
   * One way to play the selected note.
   *
   * @param extraEffort what all costs more once it is pinned so than as it stands, below 0 for less
   * @param whole what then stands
   */
  public record Choice(NoteFinger place, double extraEffort, Fingering whole) {}

  /**
   * A whole fingering to compare.
   *
   * @param keptName name under which the player keeps it; empty for one that is proposed
   * @param unlike notes that differ from what stands on the strip
   */
  public record Option(String keptName, Fingering fingering, Tally tally, int unlike) {}

  private static final int MOST_OTHERS = 3;
  private static final int MOST_WAYS = 14;

  private final Studio studio;
  private final ChordModel chords;
  private final ShiftHabits habits;
  private final ReadOnlyObjectWrapper<List<Choice>> choices =
      new ReadOnlyObjectWrapper<>(List.of());
  private final ReadOnlyObjectWrapper<Optional<List<Option>>> options =
      new ReadOnlyObjectWrapper<>(Optional.empty());
  private final ReadOnlyObjectWrapper<Optional<Fingering>> tried =
      new ReadOnlyObjectWrapper<>(Optional.empty());
  private final ReadOnlyObjectWrapper<Map<EffortKind, WeightRange>> ranges =
      new ReadOnlyObjectWrapper<>(Map.of());
  private final ReadOnlyObjectWrapper<Optional<Integer>> decidedBy =
      new ReadOnlyObjectWrapper<>(Optional.empty());
  private final ReadOnlyObjectWrapper<List<BetterAnswer>> better =
      new ReadOnlyObjectWrapper<>(List.of());
  private final ReadOnlyObjectWrapper<Optional<TempoRange>> tempoRange =
      new ReadOnlyObjectWrapper<>(Optional.empty());
  private final ReadOnlyIntegerWrapper anchor = new ReadOnlyIntegerWrapper(-1);
  private boolean compares;
  private boolean looksAtRange;
  private boolean extending;

  public LeftHandModel(Studio studio) {
    this.studio = studio;
    this.chords = new ChordModel(studio);
    this.habits = new ShiftHabits(studio);
    studio.shownProperty().addListener(o -> follow());
    studio
        .selectedProperty()
        .addListener(
            (o, before, now) -> {
              if (!extending) {
                anchor.set(now.intValue());
                forgetOptions();
              }
              findChoices();
            });
  }

  public ReadOnlyObjectProperty<List<Choice>> choicesProperty() {
    return choices.getReadOnlyProperty();
  }

  /** How the player shifts, and says what hand and arm do. */
  public ShiftHabits habits() {
    return habits;
  }

  /** The chord that the selected note belongs to. */
  public ChordModel chords() {
    return chords;
  }

  /** Fingerings side by side; empty while they are being looked for. */
  public ReadOnlyObjectProperty<Optional<List<Option>>> optionsProperty() {
    return options.getReadOnlyProperty();
  }

  /** The fingering that is tried on the strip in place of what stands there. */
  public ReadOnlyObjectProperty<Optional<Fingering>> triedProperty() {
    return tried.getReadOnlyProperty();
  }

  /** Between which weights the fingering shown stands; only what was asked for last. */
  public ReadOnlyObjectProperty<Map<EffortKind, WeightRange>> rangesProperty() {
    return ranges.getReadOnlyProperty();
  }

  /** The other end of the selection; the same as the selected note when only one is selected. */
  public ReadOnlyIntegerProperty anchorProperty() {
    return anchor.getReadOnlyProperty();
  }

  public int firstSelected() {
    return Math.min(anchor.get(), studio.selectedProperty().get());
  }

  public int lastSelected() {
    return Math.max(anchor.get(), studio.selectedProperty().get());
  }

  public boolean hasRange() {
    return anchor.get() >= 0 && anchor.get() != studio.selectedProperty().get();
  }

  /**
   * A stretch of moments.
   *
   * @param to the last one
   * @param isChosen whether it is a selection rather than all that comes
   */
  public record Stretch(int from, int to, boolean isChosen) {}

  /** The selected notes, else from the selected one, or the first, to the end. */
  public Stretch stretch(Session s) {
    List<SoundingNote> notes = s.resolved().notes();
    return hasRange()
        ? new Stretch(notes.get(firstSelected()).slice(), notes.get(lastSelected()).slice(), true)
        : new Stretch(
            notes.get(Math.max(0, studio.selectedProperty().get())).slice(),
            s.resolved().slices().size() - 1,
            false);
  }

  /** What is shown: the fingering that is tried, else the one that stands. */
  public Fingering shown() {
    return tried.get().orElseGet(() -> studio.shown().fingering());
  }

  private void follow() {
    tried.set(Optional.empty());
    ranges.set(Map.of());
    if (studio.shown() != null && anchor.get() >= studio.shown().resolved().notes().size()) {
      anchor.set(studio.selectedProperty().get());
    }
    options.set(Optional.empty());
    tempoRange.set(Optional.empty());
    findBetter();
    findChoices();
    findOptions();
    findTempoRange();
  }

  private void forgetOptions() {
    options.set(Optional.empty());
    findOptions();
  }

  /** Moves one end of the selection; the other stays. */
  public void extend(int by) {
    extending = true;
    studio.select(studio.selectedProperty().get() + by);
    extending = false;
    forgetOptions();
  }

  /** The selection grows or shrinks to a note. */
  public void extendTo(int note) {
    extend(note - studio.selectedProperty().get());
  }

  /** Selects the first note of the passage. */
  public void selectFirst() {
    studio.select(0);
  }

  /** Selects the last one. */
  public void selectLast() {
    studio.select(lastNote());
  }

  /** The selection grows to the last note. */
  public void extendToLast() {
    extendTo(lastNote());
  }

  private int lastNote() {
    return studio.shown() == null ? 0 : studio.shown().resolved().notes().size() - 1;
  }

  /** The selection grows by a bar: to the end of it, or to its first note. */
  public void extendBar(int direction) {
    studio.barBeside(direction).ifPresent(bar -> extendTo(direction > 0 ? bar.to() : bar.from()));
  }

  /** All notes are selected. */
  public void selectAll() {
    Session now = studio.shown();
    if (now != null && !now.resolved().notes().isEmpty()) {
      studio.select(0);
      extendTo(now.resolved().notes().size() - 1);
    }
  }

  /** Other fingerings are looked for only while they are looked at. */
  public void setComparing(boolean wanted) {
    boolean starts = wanted && !compares;
    compares = wanted;
    if (starts) {
      findBetter();
      findChoices();
      findOptions();
    }
  }

  /** The later note that decided how the selected one is played; empty when it decides alone. */
  public ReadOnlyObjectProperty<Optional<Integer>> decidedByProperty() {
    return decidedBy.getReadOnlyProperty();
  }

  /** Which later note decided; only of what the program chose, for a pin decides by itself. */
  private void findDecider(Session now, int note) {
    if (now.at(FingerLayer.PINNED, note).isPresent() || now.isAdopted()) {
      return;
    }
    studio.compute(
        "decider",
        Rank.BEHIND,
        token -> {
          FingeringSolver solver = now.solverFreeAt(note, token);
          Optional<NoteFinger> free = solver.best().notes().get(note);
          Optional<NoteFinger> stands = now.fingering().notes().get(note);
          boolean same =
              free.isPresent() && stands.isPresent() && free.get().samePlace(stands.get());
          return same ? solver.decidedBy(note) : Optional.<Integer>empty();
        },
        () -> studio.selectedProperty().get() == note,
        decidedBy::set);
  }

  private void findChoices() {
    Session now = studio.shown();
    int note = studio.selectedProperty().get();
    choices.set(List.of());
    decidedBy.set(Optional.empty());
    chords.clear();
    if (now == null || !compares || note < 0 || note >= now.resolved().notes().size()) {
      return;
    }
    chords.find(now, note);
    studio.compute(
        "choices",
        Rank.BESIDE,
        token -> {
          List<Choice> found = new ArrayList<>();
          for (Fingering f : now.waysAt(note, MOST_WAYS, token)) {
            double extra = f.effort() - now.fingering().effort();
            found.add(new Choice(f.notes().get(note).orElseThrow(), extra, f));
          }
          return found;
        },
        () -> studio.selectedProperty().get() == note,
        choices::set);
    findDecider(now, note);
  }

  /** Looks for fingerings of the selection, or of everything when one note is selected. */
  private void findOptions() {
    Session now = studio.shown();
    if (now == null || !compares || options.get().isPresent()) {
      return;
    }
    boolean part = hasRange();
    int from = firstSelected();
    int to = lastSelected();
    studio.compute(
        "alternatives",
        Rank.BEHIND,
        token ->
            options(now, part ? now.freeSolver(from, to, token) : now.freeSolver(token), token),
        () -> part == hasRange() && (!part || from == firstSelected() && to == lastSelected()),
        found -> options.set(Optional.of(found)));
  }

  /** Stretches of what was adopted for which there is a better first answer now. */
  public ReadOnlyObjectProperty<List<BetterAnswer>> betterProperty() {
    return better.getReadOnlyProperty();
  }

  private void findBetter() {
    Session now = studio.shown();
    better.set(List.of());
    if (now != null && compares && now.isAdopted()) {
      studio.compute("better-answers", Rank.BEHIND, now::betterAnswers, () -> true, better::set);
    }
  }

  /** Between which tempos the fingering that stands stays the cheapest; empty until it is found. */
  public ReadOnlyObjectProperty<Optional<TempoRange>> tempoRangeProperty() {
    return tempoRange.getReadOnlyProperty();
  }

  /** The range is looked for only while it is looked at, for it takes many searches. */
  public void setRanging(boolean wanted) {
    looksAtRange = wanted;
    findTempoRange();
  }

  private void findTempoRange() {
    Session now = studio.shown();
    if (now == null || !looksAtRange || !compares || tempoRange.get().isPresent()) {
      return;
    }
    studio.compute(
        "tempo-range",
        Rank.BEHIND,
        now::tempoRange,
        () -> true,
        found -> tempoRange.set(Optional.of(found)));
  }

  private static List<Option> options(Session now, FingeringSolver solver, Token token) {
    List<Option> found = new ArrayList<>();
    found.add(option("", now.fingering(), now));
    for (Fingering f : solver.alternativesTo(now.fingering(), MOST_OTHERS)) {
      found.add(option("", now.adopted(f, token), now));
    }
    for (String name : now.passage().marks().versions(FingerLayer.ADOPTED)) {
      found.add(option(name, now.adopted(now.kept(name, token), token), now));
    }
    return found;
  }

  private static Option option(String name, Fingering f, Session now) {
    return new Option(name, f, Tally.of(f), f.notesUnlike(now.fingering()));
  }

  // ---- deciding ----------------------------------------------------------------------------

  /** Shows a fingering on the strip; nothing is decided yet. */
  public void tryOut(Fingering fingering) {
    boolean same = fingering.notesUnlike(studio.shown().fingering()) == 0;
    tried.set(same ? Optional.empty() : Optional.of(fingering));
  }

  /** Goes back to what stands. */
  public void stopTrying() {
    tried.set(Optional.empty());
  }

  /** Plays the selected note as a choice says. */
  public void take(Choice choice) {
    studio.decide(s -> Decisions.pin(s, choice.place()));
  }

  /**
   * Puts another finger on the selected note while it sounds, the cheapest first; asked again, the
   * next, and after the last one none.
   */
  public void exchange() {
    Optional<NoteFinger> place = studio.selectedPlace();
    if (place.isEmpty()) {
      return;
    }
    NoteFinger now = place.get();
    List<Choice> ways =
        choices.get().stream()
            .filter(c -> c.place().replaced().isPresent())
            .filter(c -> c.place().last().string() == now.string())
            .toList();
    int at = 0;
    while (at < ways.size() && !ways.get(at).place().samePlace(now)) {
      at++;
    }
    if (ways.isEmpty()) {
      studio.tell(Sentences.of("hand.no-other"));
    } else if (now.replaced().isEmpty()) {
      take(ways.get(0));
    } else if (at + 1 < ways.size()) {
      take(ways.get(at + 1));
    } else {
      studio.decisions().pinFinger(now.finger());
    }
  }

  /** Makes the fingering shown the player's own. */
  public void adopt() {
    if (studio.shown() != null) {
      Fingering chosen = shown();
      studio.decide(s -> Decisions.adopt(s, chosen));
    }
  }

  /** Lets the program propose again; pins and wishes stay. */
  public void release() {
    studio.decide(Decisions::release);
  }

  /** Keeps the fingering shown under a name. */
  public void keep(String name) {
    Fingering chosen = shown();
    if (!name.isBlank()) {
      studio.decide(s -> Decisions.keep(s, name.strip(), chosen));
    }
  }

  public void forget(String name) {
    studio.decide(s -> Decisions.forget(s, name));
  }

  /** Asks something of the selected notes, or takes it back. */
  public void wish(Wish.Kind kind) {
    Optional<NoteFinger> place = studio.selectedPlace();
    if (place.isEmpty() || anchor.get() < 0) {
      return;
    }
    int value =
        switch (kind) {
          case ON_STRING -> place.get().string();
          case POSITION -> place.get().base();
          case NOT_FINGER -> place.get().finger().ordinal() + 1;
          case NOT_STRING -> place.get().string();
          default -> 0;
        };
    int from = firstSelected();
    int to = lastSelected();
    studio.decide(s -> Decisions.wish(s, new Wish.Ask(kind, value), from, to));
  }

  public void withdraw(Wish wish) {
    studio.decide(s -> Decisions.withdraw(s, wish));
  }

  // ---- what the player cares about -----------------------------------------------------------

  /** Where a note of what is shown stands in the passage's tuning, told once it is known. */
  public void place(int note, Consumer<Tuned.Place> then) {
    Session now = studio.shown();
    Fingering hand = shown();
    studio.compute(
        "shift-place",
        Rank.BESIDE,
        token -> Ear.tuned(now, hand, Ear.harmony(now, List.of())).notes().get(note),
        () -> studio.shown() != null && studio.shown().computed().equals(now.computed()),
        found -> found.ifPresent(then));
  }

  /** Leans to one end of a habit, or back to the middle. */
  public void lean(HandHabit habit, int steps) {
    studio.keepChanging(
        Said.of("lean", Said.of("hand-habit." + habit + (steps < 0 ? ".first" : ".second"))),
        s -> s.withSetup(s.setup().withHabits(s.setup().habits().with(habit, steps))));
  }

  /** Gives one kind of effort another weight; the habits stand over it. */
  public void weigh(EffortKind kind, double weight) {
    studio.keepChanging(
        Said.of("weigh", Said.of("effort." + kind.id())),
        s -> {
          Map<EffortKind, Double> all = new EnumMap<>(EffortKind.class);
          all.putAll(s.setup().weights());
          all.put(kind, weight / HandHabit.factor(kind, s.setup().habits()));
          return s.withSetup(s.setup().withWeights(all));
        });
  }

  public void usePreset(Preset preset) {
    studio.changeSettings(
        Said.of("preset", Said.of("preset." + preset.id())),
        s -> s.withSetup(s.setup().withPreset(preset.id())));
  }

  public void changeHand(Said what, java.util.function.UnaryOperator<Hand> edit) {
    studio.changeSettings(
        what,
        (Passage.Settings s) ->
            s.withSetup(s.setup().withHand(edit.apply(s.setup().hand()), s.setup().school())));
  }

  /**
   * Finds out how far each weight may move before the fingering that stands would change; one kind
   * after the other, so that anything else that is asked for meanwhile comes first.
   */
  public void findRanges() {
    Session now = studio.shown();
    if (now == null) {
      return;
    }
    ranges.set(Map.of());
    FutureTask<FingeringSolver> solver = new FutureTask<>(() -> new FingeringSolver(now.task()));
    for (EffortKind kind : EffortKind.values()) {
      studio.compute(
          "range of " + kind,
          Rank.BEHIND,
          token -> {
            solver.run();
            return solver.get().weightRange(now.fingering(), kind);
          },
          () -> true,
          range -> {
            Map<EffortKind, WeightRange> all = new EnumMap<>(EffortKind.class);
            all.putAll(ranges.get());
            all.put(kind, range);
            ranges.set(all);
          });
    }
  }
}
