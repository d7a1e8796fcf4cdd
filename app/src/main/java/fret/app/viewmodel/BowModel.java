package fret.app.viewmodel;

import fret.app.words.Sentences;
import fret.app.work.Computing.Rank;
import fret.bowing.BowEffort;
import fret.bowing.BowSolver;
import fret.bowing.BowTask;
import fret.bowing.Bowing;
import fret.bowing.Stroke;
import fret.joint.TogetherSolver;
import fret.joint.TogetherSolver.Together;
import fret.search.Token;
import fret.search.WeightRange;
import fret.session.Arm;
import fret.session.BowDecisions;
import fret.session.BowVersions;
import fret.session.Session;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;

/** What the bow arm is looked at with: one stroke, whole bowings side by side, what runs out. */
public final class BowModel {
  /**
   * A whole bowing to compare.
   *
   * @param kind where it comes from
   * @param name under which the player keeps it; empty for the others
   */
  public record Option(Kind kind, String name, Arm arm) {
    public Bowing bowing() {
      return arm.bowing();
    }
  }

  /** Where a bowing comes from. */
  public enum Kind {
    STANDING,
    PROPOSED,
    PRINTED,
    KEPT
  }

  /**
   * What stands once the selected stroke is turned round.
   *
   * @param extraEffort what it costs more than what stands now, below 0 for less
   */
  public record Turned(Arm arm, double extraEffort) {}

  private static final int MOST_OTHERS = 3;
  private static final int MOST_LOOKED_AT = 16;

  private final Studio studio;
  private final StrokeDecisions decisions;
  private final ReadOnlyObjectWrapper<Optional<Arm>> tried =
      new ReadOnlyObjectWrapper<>(Optional.empty());
  private final ReadOnlyObjectWrapper<Optional<List<Option>>> options =
      new ReadOnlyObjectWrapper<>(Optional.empty());
  private final ReadOnlyObjectWrapper<Optional<Turned>> turned =
      new ReadOnlyObjectWrapper<>(Optional.empty());
  private final ReadOnlyObjectWrapper<Map<BowEffort, WeightRange>> ranges =
      new ReadOnlyObjectWrapper<>(Map.of());
  private final ReadOnlyObjectWrapper<Optional<Together>> together =
      new ReadOnlyObjectWrapper<>(Optional.empty());
  private boolean compares;

  public BowModel(Studio studio) {
    this.studio = studio;
    this.decisions = new StrokeDecisions(studio);
    studio.shownProperty().addListener(o -> follow());
    studio.selectedProperty().addListener(o -> askTurned());
  }

  /** What one key decides. */
  public StrokeDecisions decisions() {
    return decisions;
  }

  /** The bowing that is tried on the strip in place of what stands there. */
  public ReadOnlyObjectProperty<Optional<Arm>> triedProperty() {
    return tried.getReadOnlyProperty();
  }

  /** Bowings side by side; empty while they are being looked for. */
  public ReadOnlyObjectProperty<Optional<List<Option>>> optionsProperty() {
    return options.getReadOnlyProperty();
  }

  /** The selected stroke the other way; empty while it is being looked for. */
  public ReadOnlyObjectProperty<Optional<Turned>> turnedProperty() {
    return turned.getReadOnlyProperty();
  }

  /** Between which weights of each kind the bowing stays as it is, as asked last. */
  public ReadOnlyObjectProperty<Map<BowEffort, WeightRange>> rangesProperty() {
    return ranges.getReadOnlyProperty();
  }

  /** Both hands weighed together, as asked last; empty while none was. */
  public ReadOnlyObjectProperty<Optional<Together>> togetherProperty() {
    return together.getReadOnlyProperty();
  }

  /** What is shown: the bowing that is tried, else the one that stands. */
  public Arm shown() {
    return tried.get().orElseGet(() -> studio.shown().arm());
  }

  /** The moment of the selected note; -1 for none. */
  public int moment() {
    return decisions.moment();
  }

  /** The stroke of the selected note. */
  public Optional<Stroke> stroke() {
    int moment = moment();
    return moment < 0 ? Optional.empty() : shown().bowing().strokeAt(moment);
  }

  public void setComparing(boolean on) {
    compares = on;
    askOptions();
    askTurned();
  }

  private void follow() {
    tried.set(Optional.empty());
    options.set(Optional.empty());
    ranges.set(Map.of());
    together.set(Optional.empty());
    askOptions();
    askTurned();
  }

  // ---- asking ----------------------------------------------------------------------------------

  private void askTurned() {
    turned.set(Optional.empty());
    Session now = studio.shown();
    int moment = moment();
    if (now == null || !compares || now.bowing().strokeAt(moment).isEmpty()) {
      return;
    }
    studio.compute(
        "stroke-turned",
        Rank.BEHIND,
        token -> turned(now, moment, token),
        () -> moment() == moment,
        found -> turned.set(Optional.of(found)));
  }

  private static Turned turned(Session now, int moment, Token token) {
    Arm arm = now.bowedAfter(BowDecisions.turn(now, moment).orElseThrow(), token);
    return new Turned(arm, arm.bowing().effort() - now.bowing().effort());
  }

  private void askOptions() {
    Session now = studio.shown();
    if (now == null || !compares || options.get().isPresent()) {
      return;
    }
    studio.compute(
        "bowings",
        Rank.BEHIND,
        token -> options(now, token),
        () -> true,
        found -> options.set(Optional.of(found)));
  }

  private static List<Option> options(Session now, Token token) {
    List<Option> all = new ArrayList<>();
    all.add(new Option(Kind.STANDING, "", now.arm()));
    for (Bowing b : new BowSolver(now.bowTaskFree(m -> true), token).bestOf(MOST_LOOKED_AT)) {
      boolean known = all.stream().anyMatch(o -> isAlike(now, b, o.bowing()));
      if (!known && all.size() <= MOST_OTHERS) {
        Arm adopted = now.bowedAfter(BowVersions.adopt(now, b), token);
        if (all.stream().noneMatch(o -> isAlike(now, adopted.bowing(), o.bowing()))) {
          all.add(new Option(Kind.PROPOSED, "", adopted));
        }
      }
    }
    all.add(new Option(Kind.PRINTED, "", now.bowedAfter(BowVersions.use(now, ""), token)));
    for (String name : BowVersions.versions(now)) {
      Arm used = now.bowedAfter(BowVersions.use(now, name), token);
      all.add(new Option(Kind.KEPT, name, used));
    }
    return all;
  }

  /** The same, or another way with the same bars: such ones tell nothing new. */
  private static boolean isAlike(Session now, Bowing a, Bowing b) {
    return a.hasStrokesOf(b) || !b.hasStrokesOf(now.bowing()) && bars(now, a).equals(bars(now, b));
  }

  private static Set<String> bars(Session now, Bowing b) {
    return b.differsFrom(now.bowing()).stream()
        .map(m -> b.moments().get(m).bar())
        .collect(Collectors.toSet());
  }

  /** Finds out how far each weight may move, one kind after the other. */
  public void findRanges() {
    Session now = studio.shown();
    if (now == null) {
      return;
    }
    ranges.set(Map.of());
    for (BowEffort kind : BowEffort.values()) {
      studio.compute(
          "range of " + kind.id(),
          Rank.BEHIND,
          token -> new BowSolver(now.bowTask(), token).weightRange(now.bowing(), kind, token),
          () -> true,
          range -> {
            Map<BowEffort, WeightRange> all = new EnumMap<>(BowEffort.class);
            all.putAll(ranges.get());
            all.put(kind, range);
            ranges.set(all);
          });
    }
  }

  /** Weighs both hands together for some notes; what is not selected stays. */
  public void askTogether(int firstNote, int lastNote) {
    Session now = studio.shown();
    if (now == null || firstNote < 0) {
      return;
    }
    if (lastNote - firstNote >= TogetherSolver.MOST_NOTES) {
      studio.tell(Sentences.of("together.many", TogetherSolver.MOST_NOTES));
      return;
    }
    int first = now.resolved().notes().get(firstNote).slice();
    int last = now.resolved().notes().get(lastNote).slice();
    BowTask free = now.bowTaskFree(m -> m >= first && m <= last);
    studio.compute(
        "together",
        Rank.BEHIND,
        token ->
            new TogetherSolver(now.task(), free, firstNote, lastNote, token)
                .solve(now.fingering(), now.bowing()),
        () -> true,
        found -> together.set(Optional.of(found)));
  }

  // ---- trying and adopting ---------------------------------------------------------------------

  /** Shows a bowing on the strip with all that is told of it; nothing is decided yet. */
  public void tryOut(Arm arm) {
    tried.set(Optional.of(arm));
  }

  /** The same where what is told of it is still to be found. */
  public void tryOut(Bowing bowing) {
    Session now = studio.shown();
    studio.compute(
        "bow-try",
        Rank.BESIDE,
        token -> now.arm(bowing),
        () -> true,
        a -> tried.set(Optional.of(a)));
  }

  public void stopTrying() {
    tried.set(Optional.empty());
  }

  /** Makes the bowing shown the player's own. */
  public void adopt() {
    if (studio.shown() != null) {
      decisions.adopt(shown().bowing());
    }
  }

  /** Makes both hands that were found together the player's own. */
  public void adoptTogether() {
    together
        .get()
        .ifPresent(t -> studio.decide(s -> BowVersions.adoptBoth(s, t.fingering(), t.bowing())));
  }
}
