package fret.session;

import fret.base.Said;
import fret.bowing.Adopted;
import fret.bowing.BowLayers;
import fret.bowing.BowMoment;
import fret.bowing.BowRules;
import fret.bowing.Bowing;
import fret.bowing.Cure;
import fret.bowing.Drift;
import fret.bowing.Stroke;
import fret.bowing.StrokeKind;
import fret.mark.Anchor;
import fret.mark.BowLayer;
import fret.mark.Marks;
import fret.mark.NoteLayer;
import fret.mark.Place;
import fret.score.NoteKey;
import fret.score.Repeats;
import fret.score.Signs;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;

/**
 * What the player can decide of the bow, as pure functions from a session to the change. What is
 * said in relation to what stands starts from the mark, where there is one: the answer to the
 * decision before may still be under way.
 */
public final class BowDecisions {
  private static final double LEAST_SOUND = 0.25;
  private static final double MOST_SOUND = 1.2;
  private static final double SOUND_STEP = 0.125;
  static final double SAVED = 0.6;
  static final double SPENT = 1.7;

  /** Places that a drag snaps to, from frog to tip. */
  private static final double SNAPS = 20;

  private BowDecisions() {}

  /** The note that carries the marks of a moment: the highest that starts there. */
  static NoteKey key(Session s, int moment) {
    List<Integer> starting = s.resolved().slices().get(moment).starting();
    return s.resolved().notes().get(starting.get(starting.size() - 1)).key();
  }

  static Said name(Session s, int moment, Said what, boolean on) {
    NoteKey key = key(s, moment);
    String bar = s.bowing().moments().get(moment).bar();
    return Said.of(on ? "mark.on" : "mark.off", what, key.pitch(), bar);
  }

  static <V> Marks set(Session s, Marks marks, NoteLayer<V> layer, int moment, Optional<V> value) {
    Map<Place, V> all = new HashMap<>();
    for (int note : s.resolved().slices().get(moment).starting()) {
      all.put(Place.of(s.resolved().notes().get(note).key()), null);
    }
    all.put(Place.of(key(s, moment)), value.orElse(null));
    return marks.with(layer, all);
  }

  static <V> Change decide(Session s, NoteLayer<V> layer, int moment, V value) {
    Marks after = set(s, s.passage().marks(), layer, moment, Optional.of(value));
    return Change.of(name(s, moment, layer.told(value), true), s.passage().marks(), after);
  }

  static <V> Change toggle(Session s, NoteLayer<V> layer, int moment, V value) {
    boolean there = at(s, layer, moment).filter(value::equals).isPresent();
    Optional<V> after = there ? Optional.empty() : Optional.of(value);
    return Change.of(
        name(s, moment, layer.told(value), !there),
        s.passage().marks(),
        set(s, s.passage().marks(), layer, moment, after));
  }

  /** What counts at a moment. */
  public static <V> Optional<V> at(Session s, NoteLayer<V> layer, int moment) {
    return s.passage().marks().at(layer, Place.of(key(s, moment)));
  }

  /**
   * Turns the stroke of a moment round, and the pinned ones that follow it up to the next retake.
   * What stands before it stays: the stroke before is held as it is. Empty where nothing is bowed.
   */
  public static Optional<Change> turn(Session s, int moment) {
    Bowing b = s.bowing();
    int index = b.indexAt(moment);
    if (index < 0) {
      return Optional.empty();
    }
    Stroke stroke = b.strokes().get(index);
    Signs.Bow asked = other(standing(s, stroke));
    Marks before = unhooked(s, held(s, s.passage().marks(), index), stroke.fromMoment());
    NoteKey key = key(s, stroke.fromMoment());
    return Optional.of(
        Change.of(
            Said.of("bow." + asked.name(), key.pitch(), stroke.bar()),
            s.passage().marks(),
            turnedOn(s, before, index, asked)));
  }

  /** How a stroke goes: as it was decided last, else as it is planned. */
  static Signs.Bow standing(Session s, Stroke stroke) {
    return at(s, BowLayer.BOW, stroke.fromMoment())
        .filter(own -> own != Signs.Bow.NONE)
        .orElse(direction(stroke));
  }

  private static Signs.Bow direction(Stroke stroke) {
    return stroke.down() ? Signs.Bow.DOWN : Signs.Bow.UP;
  }

  /** The stroke before one keeps its direction where nothing else holds it. */
  static Marks held(Session s, Marks marks, int index) {
    if (!s.bowing().followsOn(index)) {
      return marks;
    }
    Stroke before = s.bowing().strokes().get(index - 1);
    return isAsked(s, before.fromMoment())
        ? marks
        : set(s, marks, BowLayer.BOW, before.fromMoment(), Optional.of(direction(before)));
  }

  /** Whether the direction of the stroke that begins at a moment is asked for. */
  private static boolean isAsked(Session s, int moment) {
    return s.bowing().moments().get(moment).printed() != Signs.Bow.NONE;
  }

  /** A stroke that is turned is no hook to the one before any more. */
  static Marks unhooked(Session s, Marks marks, int moment) {
    boolean own = at(s, BowLayers.JOINT, moment).filter(j -> j == BowRules.Joint.HOOK).isPresent();
    Marks after = own ? set(s, marks, BowLayers.JOINT, moment, Optional.empty()) : marks;
    return at(s, BowLayers.ADOPTED, moment)
        .filter(a -> a.joint().filter(j -> j == BowRules.Joint.HOOK).isPresent())
        .map(a -> new Adopted(a.bow(), Optional.empty()))
        .map(a -> set(s, after, BowLayers.ADOPTED, moment, Optional.of(a)))
        .orElse(after);
  }

  /** A stroke goes so, and the pinned ones that follow it are turned up to the next retake. */
  static Marks turnedOn(Session s, Marks marks, int index, Signs.Bow asked) {
    List<Stroke> all = s.bowing().strokes();
    Marks after = set(s, marks, BowLayer.BOW, all.get(index).fromMoment(), Optional.of(asked));
    for (int i = index + 1; i < all.size() && all.get(i).retake().isEmpty(); i++) {
      int at = all.get(i).fromMoment();
      after = turned(s, after, BowLayer.BOW, at, BowDecisions::other);
      after = turned(s, after, BowLayers.ADOPTED, at, Adopted::turned);
    }
    return after;
  }

  private static <V> Marks turned(
      Session s, Marks marks, NoteLayer<V> layer, int moment, UnaryOperator<V> turn) {
    Optional<V> own = at(s, layer, moment);
    return own.isPresent() ? set(s, marks, layer, moment, own.map(turn)) : marks;
  }

  static Signs.Bow other(Signs.Bow bow) {
    return bow == Signs.Bow.DOWN ? Signs.Bow.UP : bow == Signs.Bow.UP ? Signs.Bow.DOWN : bow;
  }

  /**
   * Turns the stroke of a moment round in the second pass of its repeat alone; again takes it back.
   * Empty where the moment is not repeated.
   */
  public static Optional<Change> turnSecondTime(Session s, int moment) {
    Optional<Stroke> stroke = s.bowing().strokeAt(moment);
    if (stroke.isEmpty() || !Repeats.comesAgain(s.score(), key(s, moment).barIndex())) {
      return Optional.empty();
    }
    int first = stroke.get().fromMoment();
    Place place = secondTime(s, first);
    Marks marks = s.passage().marks();
    boolean there = isTurnedSecondTime(s, first);
    boolean down =
        s.arm().passes().stream()
            .filter(p -> p.pass() == 2)
            .map(p -> p.down().get(first))
            .filter(d -> d != null)
            .findFirst()
            .orElse(stroke.get().down());
    Signs.Bow asked = down ? Signs.Bow.UP : Signs.Bow.DOWN;
    Marks after = marks.with(BowLayer.BOW, place, there ? Optional.empty() : Optional.of(asked));
    String bar = stroke.get().bar();
    Said name = there ? Said.of("bow.second.off", bar) : Said.of("bow.second." + asked, bar);
    return Optional.of(Change.of(name, marks, after));
  }

  private static Place secondTime(Session s, int moment) {
    return new Place(new Anchor.Note(key(s, moment)), 2, "");
  }

  static boolean isTurnedSecondTime(Session s, int moment) {
    return s.passage().marks().at(BowLayer.BOW, secondTime(s, moment)).isPresent();
  }

  /**
   * What happens between a moment and the one before it; again takes it back. A hook goes on in the
   * direction of the stroke before: where another one was asked, it is turned with what follows.
   */
  public static Change joint(Session s, int moment, BowRules.Joint joint) {
    Change change = toggle(s, BowLayers.JOINT, moment, joint);
    boolean set = at(s, BowLayers.JOINT, moment).filter(joint::equals).isEmpty();
    int index = s.bowing().indexAt(moment);
    if (joint != BowRules.Joint.HOOK || !set || index < 1) {
      return change;
    }
    Stroke stroke = s.bowing().strokes().get(index);
    Stroke before = s.bowing().strokes().get(index - 1);
    boolean against = stroke.fromMoment() == moment && stroke.down() != before.down();
    return against && isAsked(s, moment)
        ? Change.of(
            change.name(),
            s.passage().marks(),
            turnedOn(s, change.applyTo(s.passage().marks()), index, direction(before)))
        : change;
  }

  /** One stroke over some moments, or a stroke each where they are in one already. */
  public static Optional<Change> slur(Session s, int from, int to) {
    if (to <= from) {
      return Optional.empty();
    }
    BowRules.Joint joint = isOneStroke(s, from, to) ? BowRules.Joint.BREAK : BowRules.Joint.SLUR;
    Marks after = s.passage().marks();
    for (int m = from + 1; m <= to; m++) {
      after = set(s, after, BowLayers.JOINT, m, Optional.of(joint));
    }
    return Optional.of(
        Change.of(name(s, from, BowLayers.JOINT.told(joint), true), s.passage().marks(), after));
  }

  private static boolean isOneStroke(Session s, int from, int to) {
    Optional<BowRules.Joint> own = at(s, BowLayers.JOINT, from + 1);
    return own.isPresent()
        ? own.get() == BowRules.Joint.SLUR
        : s.bowing().strokeAt(from).filter(stroke -> stroke.has(to)).isPresent();
  }

  /** The next kind of stroke that suits how many notes there are; the last leads back to none. */
  public static Optional<Change> nextKind(Session s, int moment) {
    Optional<Stroke> stroke = s.bowing().strokeAt(moment);
    if (stroke.isEmpty()) {
      return Optional.empty();
    }
    int first = stroke.get().fromMoment();
    List<StrokeKind> kinds = kinds(stroke.get().notes().size() > 1);
    int next = at(s, BowLayers.STROKE, first).map(k -> kinds.indexOf(k) + 1).orElse(0);
    if (next < kinds.size()) {
      return Optional.of(decide(s, BowLayers.STROKE, first, kinds.get(next)));
    }
    return Optional.of(
        toggle(s, BowLayers.STROKE, first, at(s, BowLayers.STROKE, first).orElseThrow()));
  }

  static List<StrokeKind> kinds(boolean slurred) {
    return slurred
        ? List.of(
            StrokeKind.LEGATO,
            StrokeKind.ARTICULATED,
            StrokeKind.PORTATO,
            StrokeKind.FLYING_STACCATO,
            StrokeKind.RICOCHET,
            StrokeKind.ARPEGGIO,
            StrokeKind.FLAUTANDO)
        : List.of(
            StrokeKind.DETACHE,
            StrokeKind.MARTELE,
            StrokeKind.ARTICULATED,
            StrokeKind.BRUSHED,
            StrokeKind.SPICCATO,
            StrokeKind.CLOSE_SPICCATO,
            StrokeKind.SAUTILLE,
            StrokeKind.DOUBLE_UP,
            StrokeKind.TREMOLO,
            StrokeKind.FLAUTANDO);
  }

  /** A note sounds longer (1) or shorter (-1) than it does. */
  public static Optional<Change> longer(Session s, int moment, int direction) {
    return s.bowing()
        .strokeAt(moment)
        .map(
            stroke -> {
              double stands = stroke.at(moment).sounds();
              double now = at(s, BowLayers.SOUNDS, moment).orElse(stands) + direction * SOUND_STEP;
              double kept = Math.max(LEAST_SOUND, Math.min(MOST_SOUND, now));
              return decide(s, BowLayers.SOUNDS, moment, kept);
            });
  }

  /** Saves or spends bow on a note; again takes it back. */
  public static Change amount(Session s, int moment, boolean spent) {
    return toggle(s, BowLayers.AMOUNT, moment, spent ? SPENT : SAVED);
  }

  /** The stroke of a moment begins at a place, a share of the hair. */
  public static Optional<Change> place(Session s, int moment, double share) {
    return s.bowing()
        .strokeAt(moment)
        .map(
            stroke ->
                decide(
                    s,
                    BowLayers.PLACE,
                    stroke.fromMoment(),
                    Math.max(0, Math.min(1, Math.round(share * 100) / 100.0))));
  }

  /**
   * The stroke of a moment ends at a place, a share of the hair: the next one begins there; after
   * the last stroke there is nothing to begin, and it begins so far from there as it is long.
   */
  public static Optional<Change> end(Session s, int moment, double share) {
    int index = s.bowing().indexAt(moment);
    if (index < 0) {
      return Optional.empty();
    }
    List<Stroke> all = s.bowing().strokes();
    double snapped = Math.round(share * SNAPS) / SNAPS;
    if (index + 1 < all.size() && all.get(index + 1).retake().isEmpty()) {
      return place(s, all.get(index + 1).fromMoment(), snapped);
    }
    Stroke stroke = all.get(index);
    double length = stroke.bowCm() / s.bowTask().bow().hairCm();
    return place(s, moment, stroke.down() ? snapped - length : snapped + length);
  }

  /** The stroke of a moment begins at the frog, in the middle, at the tip, or anywhere again. */
  public static Optional<Change> nextPlace(Session s, int moment) {
    Optional<Stroke> stroke = s.bowing().strokeAt(moment);
    if (stroke.isEmpty()) {
      return Optional.empty();
    }
    int first = stroke.get().fromMoment();
    Optional<Double> now = at(s, BowLayers.PLACE, first);
    double next = now.map(p -> p < 0.25 ? 0.5 : p < 0.75 ? 1 : -1).orElse(0.0);
    return next < 0
        ? Optional.of(toggle(s, BowLayers.PLACE, first, now.orElseThrow()))
        : place(s, first, next);
  }

  /** Everything that was decided of the bow from one moment to another is taken off. */
  public static Optional<Change> clear(Session s, int from, int to) {
    Marks after = s.passage().marks();
    for (int m = from; m <= to; m++) {
      for (NoteLayer<?> layer : BowLayers.ALL) {
        after = set(s, after, layer, m, Optional.empty());
      }
    }
    BowMoment first = s.bowing().moments().get(from);
    Change change = Change.of(Said.of("bow.cleared", first.bar()), s.passage().marks(), after);
    return change.isEmpty() ? Optional.empty() : Optional.of(change);
  }

  /**
   * What was decided of the bow from one moment to another is decided at every place where the same
   * steps come in the same rhythm on the same kind of beat; empty where there is no other.
   */
  public static Optional<Change> alike(Session s, int from, int to) {
    Marks after = s.passage().marks();
    int places = 0;
    int count = s.bowing().moments().size();
    for (int at = 0; at + to - from < count; at++) {
      boolean apart = at > to || at + to - from < from;
      if (apart && isAlike(s, from, at, to - from)) {
        for (int i = 0; i <= to - from; i++) {
          after = copied(s, after, from + i, at + i);
        }
        places++;
      }
    }
    String bar = s.bowing().moments().get(from).bar();
    Change change = Change.of(Said.of("bow.alike", bar, places), s.passage().marks(), after);
    return change.isEmpty() ? Optional.empty() : Optional.of(change);
  }

  private static boolean isAlike(Session s, int one, int other, int length) {
    List<BowMoment> all = s.bowing().moments();
    if (all.get(one).beat() != all.get(other).beat()) {
      return false;
    }
    for (int i = 0; i <= length; i++) {
      BowMoment a = all.get(one + i);
      BowMoment b = all.get(other + i);
      boolean sameTime = Math.abs(a.wholes() - b.wholes()) < 1e-9 && a.isGrace() == b.isGrace();
      boolean sameStep = midi(s, one + i) - midi(s, one) == midi(s, other + i) - midi(s, other);
      if (!sameTime || !sameStep) {
        return false;
      }
    }
    return true;
  }

  private static int midi(Session s, int moment) {
    int note = s.resolved().slices().get(moment).starting().get(0);
    return s.resolved().notes().get(note).pitch().midi();
  }

  private static Marks copied(Session s, Marks marks, int from, int to) {
    Marks after = marks;
    for (NoteLayer<?> layer : BowLayers.ALL) {
      after = copied(s, after, layer, from, to);
    }
    return after;
  }

  private static <V> Marks copied(Session s, Marks marks, NoteLayer<V> layer, int from, int to) {
    Optional<V> value = at(s, layer, from);
    return value.isPresent() ? set(s, marks, layer, to, value) : marks;
  }

  /** What a cure proposes is decided; empty where it would change nothing. */
  public static Optional<Change> cure(Session s, Cure cure) {
    int m = cure.moment();
    Stroke stroke = s.bowing().strokeAt(m).orElseThrow();
    return switch (cure.kind()) {
      case BREAK -> Optional.of(eachTime(s, cure, BowLayers.JOINT, BowRules.Joint.BREAK));
      case HIDDEN_BREAK -> Optional.of(decide(s, BowLayers.JOINT, m, BowRules.Joint.RETAKE));
      case LIFT_BACK -> Optional.of(eachTime(s, cure, BowLayers.JOINT, BowRules.Joint.RETAKE));
      case LIFT_AND_TRAVEL -> {
        double start = stroke.startCm() + (stroke.down() ? -cure.cm() : cure.cm());
        Marks lifted =
            set(s, s.passage().marks(), BowLayers.JOINT, m, Optional.of(BowRules.Joint.RETAKE));
        double share = start / s.bowTask().bow().hairCm();
        yield Optional.of(
            Change.of(
                name(s, m, BowLayers.JOINT.told(BowRules.Joint.RETAKE), true),
                s.passage().marks(),
                set(s, lifted, BowLayers.PLACE, m, Optional.of(share))));
      }
      case START_NEARER -> {
        double start = stroke.startCm() + (stroke.down() ? -cure.cm() : cure.cm());
        yield place(s, m, start / s.bowTask().bow().hairCm());
      }
      case START_ELSEWHERE -> place(s, m, cure.cm() / s.bowTask().bow().hairCm());
      case SOFTER -> Optional.of(LineDecisions.louder(s, m, -1));
      case SAVE_EARLIER -> Optional.of(saved(s, stroke));
      case ODD_FASTER ->
          Optional.of(eachTime(s, cure, BowLayers.AMOUNT, cure.cm() / stroke.naturalCm()));
      case TURN_ROUND -> turn(s, m);
      case SHORTEN_BEFORE -> {
        double whole = s.bowing().moments().get(m).timeMs();
        yield Optional.of(decide(s, BowLayers.SOUNDS, m, Math.max(LEAST_SOUND, cure.ms() / whole)));
      }
      case OTHER_STROKE -> Optional.of(decide(s, BowLayers.STROKE, m, StrokeKind.DETACHE));
      case NO_START -> Optional.of(decide(s, BowLayers.AMOUNT, m, 1.0));
      case EVEN_OUT -> evenedOut(s, m);
    };
  }

  /** What mends a drift is decided in each time of the pattern, all else where it is. */
  private static <V> Change eachTime(Session s, Cure cure, NoteLayer<V> layer, V value) {
    Optional<Drift> drift =
        s.arm().report().drifts().stream().filter(d -> d.cures().contains(cure)).findFirst();
    if (drift.isEmpty()) {
      return decide(s, layer, cure.moment(), value);
    }
    int stroke = s.bowing().indexAt(cure.moment());
    int into = cure.moment() - s.bowing().strokes().get(stroke).fromMoment();
    Marks after = s.passage().marks();
    for (int time = 0; time < drift.get().times(); time++) {
      Stroke there = s.bowing().strokes().get(stroke + time * drift.get().strokes());
      after = set(s, after, layer, there.fromMoment() + into, Optional.of(value));
    }
    return Change.of(name(s, cure.moment(), layer.told(value), true), s.passage().marks(), after);
  }

  /** Every stroke of a drifting pattern takes what makes the pattern end where it began. */
  private static Optional<Change> evenedOut(Session s, int moment) {
    Optional<Drift> drift =
        s.arm().report().drifts().stream().filter(d -> d.fromMoment() == moment).findFirst();
    if (drift.flatMap(Drift::steady).isEmpty()) {
      return Optional.empty();
    }
    List<Integer> cm = drift.get().steady().get().cm();
    int first = s.bowing().indexAt(moment);
    Marks after = s.passage().marks();
    for (int i = 0; i < cm.size() * drift.get().times(); i++) {
      Stroke stroke = s.bowing().strokes().get(first + i);
      double factor = cm.get(i % cm.size()) / stroke.naturalCm();
      for (int m = stroke.fromMoment(); m <= stroke.toMoment(); m++) {
        // What the drift was found with, not what was decided since.
        double own = s.bowTask().rules().amounts().getOrDefault(m, 1.0);
        after = set(s, after, BowLayers.AMOUNT, m, Optional.of(own * factor));
      }
    }
    Said name = Said.of("bow.evened", drift.get().fromBar(), drift.get().toBar());
    return Optional.of(Change.of(name, s.passage().marks(), after));
  }

  /** All notes of a stroke but the last are saved on. */
  private static Change saved(Session s, Stroke stroke) {
    Marks after = s.passage().marks();
    for (int m = stroke.fromMoment(); m < stroke.toMoment(); m++) {
      after = set(s, after, BowLayers.AMOUNT, m, Optional.of(SAVED));
    }
    return Change.of(
        name(s, stroke.fromMoment(), BowLayers.AMOUNT.told(SAVED), true),
        s.passage().marks(),
        after);
  }
}
