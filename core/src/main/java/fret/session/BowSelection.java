package fret.session;

import fret.base.Said;
import fret.bowing.BowLayers;
import fret.bowing.BowRules;
import fret.bowing.Bowing;
import fret.bowing.ContactWish;
import fret.bowing.HairWish;
import fret.bowing.PhraseMark;
import fret.bowing.SoundWish;
import fret.bowing.Stroke;
import fret.bowing.StrokeKind;
import fret.bowing.Swell;
import fret.mark.BowLayer;
import fret.mark.Marks;
import fret.mark.NoteLayer;
import fret.mark.VibratoLayer;
import fret.mark.VibratoWish;
import fret.passage.Passage;
import fret.score.Signs;
import java.util.List;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.stream.IntStream;

/**
 * What one key decides of the bow on all that is selected: one change, undone at once. A key that
 * goes from one to the next gives all of them the next of the first; one that sets and takes back
 * does to all what it does to the first.
 */
public final class BowSelection {
  /** Places on which a stretch stays, as shares of the hair. */
  private static final List<Double> SPOTS = List.of(0.2, 0.5, 0.8);

  private final Session session;
  private final int from;
  private final int to;
  private final List<Stroke> strokes;

  /**
   * @param from first moment; {@code to} last one, included
   */
  public BowSelection(Session session, int from, int to) {
    this.session = session;
    this.from = from;
    this.to = to;
    Bowing b = session.bowing();
    this.strokes =
        b.strokes().stream().filter(s -> s.toMoment() >= from && s.fromMoment() <= to).toList();
  }

  private boolean isOne() {
    return from == to;
  }

  private List<Integer> bowed() {
    return IntStream.rangeClosed(from, to)
        .filter(m -> session.bowing().strokeAt(m).isPresent())
        .boxed()
        .toList();
  }

  private List<Integer> starts() {
    return strokes.stream().map(Stroke::fromMoment).toList();
  }

  private Marks marks() {
    return session.passage().marks();
  }

  private Optional<Change> changed(Said first, Marks after) {
    int count = strokes.size();
    Said name = count < 2 ? first : Said.of("bow.and-more", first, count - 1);
    Change change = Change.of(name, marks(), after);
    return change.isEmpty() ? Optional.empty() : Optional.of(change);
  }

  /** The same decision at some moments, one after the other, as one change. */
  private Optional<Change> each(
      List<Integer> moments, BiFunction<Session, Integer, Optional<Change>> decision) {
    Session now = session;
    Said name = null;
    for (int m : moments) {
      Optional<Change> change = decision.apply(now, m);
      if (change.isPresent()) {
        Passage passage = change.get().applyTo(now.passage());
        now = now.withPassage(passage);
        name = name == null ? change.get().name() : name;
      }
    }
    return name == null ? Optional.empty() : changed(name, now.passage().marks());
  }

  private <V> Optional<Change> all(NoteLayer<V> layer, List<Integer> moments, Optional<V> value) {
    Marks after = marks();
    for (int m : moments) {
      after = BowDecisions.set(session, after, layer, m, value);
    }
    V told = value.or(() -> BowDecisions.at(session, layer, moments.get(0))).orElse(null);
    return told == null
        ? Optional.empty()
        : changed(
            BowDecisions.name(session, moments.get(0), layer.told(told), value.isPresent()), after);
  }

  /** Sets a value everywhere, or takes it back everywhere, as the first has it or not. */
  private <V> Optional<Change> toggled(NoteLayer<V> layer, List<Integer> moments, V value) {
    if (moments.isEmpty()) {
      return Optional.empty();
    }
    boolean there =
        BowDecisions.at(session, layer, moments.get(0)).filter(value::equals).isPresent();
    Marks after = marks();
    for (int m : moments) {
      boolean has = BowDecisions.at(session, layer, m).filter(value::equals).isPresent();
      if (there && has) {
        after = BowDecisions.set(session, after, layer, m, Optional.empty());
      } else if (!there) {
        after = BowDecisions.set(session, after, layer, m, Optional.of(value));
      }
    }
    Said name = BowDecisions.name(session, moments.get(0), layer.told(value), !there);
    return changed(name, after);
  }

  // ---- directions and joins --------------------------------------------------------------------

  /** Turns the first stroke; the others alternate from it, and what follows them fits. */
  public Optional<Change> turn() {
    if (strokes.size() < 2) {
      return BowDecisions.turn(session, from);
    }
    int first = session.bowing().indexAt(strokes.get(0).fromMoment());
    Signs.Bow asked = BowDecisions.other(BowDecisions.standing(session, strokes.get(0)));
    Said name =
        Said.of(
            "bow." + asked.name(),
            BowDecisions.key(session, strokes.get(0).fromMoment()).pitch(),
            strokes.get(0).bar());
    Marks after = BowDecisions.held(session, marks(), first);
    for (Stroke s : strokes.subList(0, strokes.size() - 1)) {
      after = BowDecisions.unhooked(session, after, s.fromMoment());
      after = BowDecisions.set(session, after, BowLayer.BOW, s.fromMoment(), Optional.of(asked));
      asked = BowDecisions.other(asked);
    }
    Stroke last = strokes.get(strokes.size() - 1);
    after = BowDecisions.unhooked(session, after, last.fromMoment());
    boolean turns = BowDecisions.standing(session, last) != asked;
    int at = first + strokes.size() - 1;
    after =
        turns
            ? BowDecisions.turnedOn(session, after, at, asked)
            : BowDecisions.set(session, after, BowLayer.BOW, last.fromMoment(), Optional.of(asked));
    return changed(name, after);
  }

  /** In the second pass of a repeat alone; taken back everywhere where the first has it. */
  public Optional<Change> turnSecondTime() {
    if (strokes.size() < 2) {
      return BowDecisions.turnSecondTime(session, from);
    }
    boolean there = BowDecisions.isTurnedSecondTime(session, strokes.get(0).fromMoment());
    List<Integer> unlike =
        starts().stream()
            .filter(m -> BowDecisions.isTurnedSecondTime(session, m) == there)
            .toList();
    return each(unlike, BowDecisions::turnSecondTime);
  }

  /** What happens before each stroke, or for a new stroke before each note. */
  public Optional<Change> joint(BowRules.Joint joint) {
    if (isOne()) {
      return from == 0 ? Optional.empty() : Optional.of(BowDecisions.joint(session, from, joint));
    }
    List<Integer> all = joint == BowRules.Joint.BREAK ? bowed() : starts();
    List<Integer> moments = all.stream().filter(m -> m > 0 && m >= from).toList();
    if (moments.isEmpty()) {
      return Optional.empty();
    }
    boolean there = has(moments.get(0), joint);
    List<Integer> unlike = moments.stream().filter(m -> has(m, joint) == there).toList();
    return each(unlike, (s, m) -> Optional.of(BowDecisions.joint(s, m, joint)));
  }

  private boolean has(int moment, BowRules.Joint joint) {
    return BowDecisions.at(session, BowLayers.JOINT, moment).filter(joint::equals).isPresent();
  }

  // ---- kinds, places, amounts ------------------------------------------------------------------

  /** The next kind after that of the first stroke; strokes that cannot have it stay. */
  public Optional<Change> nextKind() {
    if (strokes.size() < 2) {
      return BowDecisions.nextKind(session, from);
    }
    Stroke first = strokes.get(0);
    List<StrokeKind> kinds = BowDecisions.kinds(first.notes().size() > 1);
    int next =
        BowDecisions.at(session, BowLayers.STROKE, first.fromMoment())
            .map(k -> kinds.indexOf(k) + 1)
            .orElse(0);
    if (next >= kinds.size()) {
      return all(BowLayers.STROKE, starts(), Optional.empty());
    }
    StrokeKind kind = kinds.get(next);
    List<Integer> suited =
        strokes.stream()
            .filter(s -> BowDecisions.kinds(s.notes().size() > 1).contains(kind))
            .map(Stroke::fromMoment)
            .toList();
    return all(BowLayers.STROKE, suited, Optional.of(kind));
  }

  /**
   * One note begins at the frog, in the middle, at the tip, or anywhere again; several stay there
   * on the spot.
   */
  public Optional<Change> nextPlace() {
    if (strokes.size() < 2) {
      return BowDecisions.nextPlace(session, from);
    }
    Optional<Double> now = BowDecisions.at(session, BowLayers.SPOT, starts().get(0));
    int next = now.map(SPOTS::indexOf).orElse(-1) + 1;
    Optional<Double> spot = next < SPOTS.size() ? Optional.of(SPOTS.get(next)) : Optional.empty();
    return all(BowLayers.SPOT, starts(), spot);
  }

  /** Each note sounds longer (1) or shorter (-1) than it does. */
  public Optional<Change> longer(int direction) {
    return each(bowed(), (s, m) -> BowDecisions.longer(s, m, direction));
  }

  public Optional<Change> amount(boolean spent) {
    return toggled(BowLayers.AMOUNT, bowed(), spent ? BowDecisions.SPENT : BowDecisions.SAVED);
  }

  // ---- the line --------------------------------------------------------------------------------

  /**
   * A level louder (1) or softer (-1): from one note on, or as far as the selection goes, after
   * which it is as loud as it was.
   */
  public Optional<Change> louder(int direction) {
    if (isOne()) {
      return Optional.of(LineDecisions.louder(session, from, direction));
    }
    Marks after = marks();
    double before = Double.NaN;
    for (int m = from; m <= to; m++) {
      double level = LineDecisions.bounded(LineDecisions.standing(session, m) + direction);
      boolean own = BowDecisions.at(session, BowLayers.LEVEL, m).isPresent();
      if (own || level != before) {
        after = BowDecisions.set(session, after, BowLayers.LEVEL, m, Optional.of(level));
      }
      before = level;
    }
    int next = to + 1;
    boolean ends = next < session.bowing().moments().size();
    if (ends && BowDecisions.at(session, BowLayers.LEVEL, next).isEmpty()) {
      double level = LineDecisions.bounded(LineDecisions.standing(session, next));
      after = BowDecisions.set(session, after, BowLayers.LEVEL, next, Optional.of(level));
    }
    double told = LineDecisions.bounded(LineDecisions.standing(session, from) + direction);
    return changed(BowDecisions.name(session, from, BowLayers.LEVEL.told(told), true), after);
  }

  /** The player's own hairpin over what is selected; again takes it back. */
  public Optional<Change> swell(Swell swell) {
    return toggled(BowLayers.SWELL, IntStream.rangeClosed(from, to).boxed().toList(), swell);
  }

  /** The next place between bridge and fingerboard after that of the first note. */
  public Optional<Change> nextContact() {
    return next(BowLayers.CONTACT, bowed(), ContactWish.values());
  }

  /** The next way the hair lies after that of the first stroke. */
  public Optional<Change> nextHair() {
    return next(BowLayers.HAIR, starts(), HairWish.values());
  }

  /** Who moves the bow, the next after that of the first stroke. */
  public Optional<Change> nextMover() {
    return next(BowLayers.MOVER, starts(), StrokeKind.Mover.values());
  }

  /** What the sound is made of, the next after that of the first note. */
  public Optional<Change> nextSound() {
    return next(BowLayers.SOUND, bowed(), SoundWish.values());
  }

  private <E extends Enum<E>> Optional<Change> next(
      NoteLayer<E> layer, List<Integer> moments, E[] ways) {
    if (moments.isEmpty()) {
      return Optional.empty();
    }
    int next = BowDecisions.at(session, layer, moments.get(0)).map(w -> w.ordinal() + 1).orElse(0);
    return all(layer, moments, next < ways.length ? Optional.of(ways[next]) : Optional.empty());
  }

  /** The next way of vibrato after that of the first note. */
  public Optional<Change> nextVibrato() {
    if (isOne()) {
      return Optional.of(LineDecisions.nextVibrato(session, from));
    }
    return next(
        VibratoLayer.VIBRATO,
        IntStream.rangeClosed(from, to).boxed().toList(),
        VibratoWish.values());
  }

  /** A phrase: its top on its highest note, the first of equal ones, or its end on its last. */
  public Optional<Change> phrase(PhraseMark mark) {
    int at = mark == PhraseMark.TOP ? highest() : to;
    return Optional.of(LineDecisions.phrase(session, at, mark));
  }

  private int highest() {
    return IntStream.rangeClosed(from, to)
        .boxed()
        .reduce((a, b) -> midi(b) > midi(a) ? b : a)
        .orElse(from);
  }

  private int midi(int moment) {
    return BowDecisions.key(session, moment).pitch().midi();
  }
}
