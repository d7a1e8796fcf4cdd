package fret.fingering;

import fret.instrument.Finger;
import fret.instrument.Instrument;
import fret.instrument.InstrumentType;
import fret.player.EffortKind;
import fret.player.HandModel;
import fret.player.Preset;
import fret.player.Region;
import fret.score.LoudnessLine;
import fret.search.EffortTerm;
import fret.search.Weighted;
import java.util.ArrayList;
import java.util.List;
import java.util.function.ToDoubleBiFunction;
import java.util.function.ToDoubleFunction;

/** The effort terms of a fingering, one small rule each. */
final class Terms {
  /** Seconds that an open string may sound before it counts as long (from memory). */
  private static final double OPEN_SHORT_S = 0.75;

  /** Notes shorter than this are a run, where a single harmonic stands out (from memory). */
  private static final double RUN_S = 0.15;

  private static final double IN_A_RUN = 3;

  /**
   * What is heard of a finger that slides, or of a string crossed, under a slow slur counts so many
   * times (from memory).
   */
  private static final double IN_A_SONG = 2;

  /** A pedal that is stopped is worse than a melody note that silences it (from memory). */
  private static final double PEDAL_STOPPED = 2;

  /** What is heard of a finger that slides by step within a scale (from memory). */
  private static final double IN_A_SCALE = 2.5;

  /** The same on the cello, whose hand would open and close for it (from memory). */
  private static final double IN_A_SCALE_OF_THE_CELLO = 3.5;

  /** What a weak trill costs however short, as if it lasted so many seconds (from memory). */
  private static final double TRILL_AT_ONCE = 0.4;

  /** An open string that passes more quickly than this does not stand out (from memory). */
  private static final double OPEN_PASSING_S = 0.2;

  /** A note at least this long carries the colour of its string (from memory). */
  private static final double SUNG_S = 0.35;

  /** What a finger laid across to the next string costs of one that hops (from memory). */
  private static final double LAID = 0.3;

  private static final double FOURTH_SHORT_S = 0.5;
  static final double LONGEST_COUNTED_S = 2;

  /** From so many semitones on a low string is high (from memory). */
  private static final int HIGH_FROM = 7;

  /** High notes on the low strings of the bass speak worse still (from memory). */
  private static final double ON_THE_BASS = 2.5;

  /**
   * In a broken chord of the bass the hand goes up the string sooner than across: the next open
   * string lies five semitones up, and what is higher has a better place there (common practice, no
   * source; the figures from memory).
   */
  private static final int UP_THE_STRING_FROM = 4;

  private static final double UP_THE_STRING = 8;

  /** A single finger is placed out of home more easily than a chord (from memory). */
  private static final double ONE_FINGER = 0.5;

  /** Where the hand of violin and viola stands in third position, in semitones over the nut. */
  private static final int THIRD_POSITION = 5;

  /** Up to third position violin and viola are nearly at home (from memory). */
  private static final double NEAR_HOME = 0.6;

  /** With the first finger in the middle of the string the thumb is over the neck no more. */
  private static final int THUMB_OVER_THE_NECK = 12;

  /** Under notes that last so long a thumb on the neck counts double (from memory). */
  private static final double LOW_THUMB_S = 0.3;

  /** Under notes as short as this it counts once: the block of the hand is worth more. */
  private static final double THUMB_RUN_S = 0.2;

  /** On the bass the hand is at home in half position too, a little less so (from memory). */
  private static final double HALF_ON_THE_BASS = 0.3;

  /**
   * A shift on one finger in a run smears, as a slide of so many semitones a second (from memory).
   */
  private static final double DRAGGED_PER_S = 12;

  /** A finger that slides is heard however slowly; as if no slower than this (from memory). */
  private static final double SLIDE_PER_S = 3;

  /**
   * On the low strings the fourth finger closes the hand with the third behind it: less of a weak
   * one than on violin and viola, but where it is held long (common practice, no source; the share
   * is from memory).
   */
  private static final double BACKED_FOURTH = 0.6;

  private final Instrument instrument;
  private final boolean upperStrings;
  private final double fourthShare;
  private final boolean goesUpTheString;
  private final double slideInAScale;
  private final ShiftTerms shifts;
  private final StretchTerms stretches;
  private final Creep creep;

  Terms(HandModel hand) {
    this.instrument = hand.instrument();
    this.upperStrings =
        instrument.type() == InstrumentType.VIOLIN || instrument.type() == InstrumentType.VIOLA;
    this.fourthShare = upperStrings ? 1 : BACKED_FOURTH;
    this.goesUpTheString = instrument.type() == InstrumentType.BASS && !hand.goesAcross();
    this.slideInAScale =
        instrument.type() == InstrumentType.CELLO ? IN_A_SCALE_OF_THE_CELLO : IN_A_SCALE;
    this.shifts = new ShiftTerms(instrument);
    this.stretches = new StretchTerms(instrument.type());
    this.creep = new Creep(hand);
  }

  /** All terms with a preset's weights, in the order of {@link EffortKind}. */
  List<Weighted<HandState>> weighted(Preset preset) {
    List<Weighted<HandState>> all = new ArrayList<>();
    for (EffortKind kind : EffortKind.values()) {
      all.add(new Weighted<>(term(kind), preset.weight(kind)));
    }
    return all;
  }

  EffortTerm<HandState> term(EffortKind kind) {
    return switch (kind) {
      case SHIFT -> shift(kind, shifts::shiftBits);
      case RUSH -> shift(kind, shifts::rush);
      case THROWN -> shift(kind, shifts::thrown);
      case FAR_FINGERS -> shift(kind, shifts::farFingers);
      case CREEP -> move(kind, creep::semitones);
      case TRAVEL -> shift(kind, shifts::travelMm);
      case SLUR_SHIFT -> shift(kind, ShiftTerms::slurShift);
      case UNCOVERED -> shift(kind, ShiftPlace::uncovered);
      case OFF_BEAT -> shift(kind, ShiftPlace::offBeat);
      case LANDING -> shift(kind, ShiftPlace::shortLanding);
      case SLIDE_HEARD -> shift(kind, shifts::slideHeard);
      case CROSSING -> move(kind, Terms::crossing);
      case SLUR_CROSSING ->
          move(kind, (f, t) -> t.moment().slice().slurredInto() ? heardCrossing(f, t) : 0);
      case CROSS_BACK -> move(kind, Terms::crossedBack);
      case UNEVEN -> shift(kind, shifts::uneven);
      case ANCHOR -> move(kind, Terms::anchorLost);
      // Told by a whole fingering, see UnlikeFigures.
      case UNLIKE -> move(kind, (from, to) -> 0);
      case BOUNCED -> move(kind, Terms::notBounced);
      case PEDAL -> own(kind, this::offThePedal);
      case COLOUR -> move(kind, Terms::colour);
      case THEME -> move(kind, Terms::theme);
      case BRILLIANCE -> move(kind, this::brilliance);
      case TURN_BACK -> move(kind, this::turnedBack);
      case SKIP -> move(kind, Terms::skipped);
      case SAME_FINGER -> move(kind, Terms::sameFinger);
      case SLIDE -> move(kind, this::slide);
      case WEAK_PAIR -> move(kind, this::weakPair);
      case STRETCH -> both(kind, StretchTerms::own, stretches::into);
      case START -> new Term(kind, true, guardOf(kind), this::start);
      case PAIR -> move(kind, ChordMoves::otherPair);
      case SWAP -> move(kind, Terms::swap);
      case TAKE_OVER -> move(kind, Terms::takeOver);
      case LET_GO -> move(kind, LetGo::lost);
      case CHORD_HOP -> move(kind, ChordMoves::hops);
      case CHORD_LOST -> move(kind, ChordMoves::lost);
      case OPEN_LONG -> own(kind, Terms::openLong);
      case OPEN_STRING -> own(kind, Terms::openString);
      case OPEN_LOUD -> own(kind, Terms::openLoud);
      case VIBRATO -> own(kind, Terms::vibrato);
      case HARMONIC -> own(kind, Terms::harmonics);
      case FOURTH -> own(kind, s -> fourthShare * fourths(s));
      case FOURTH_LONG -> own(kind, s -> fourths(s) * longSeconds(s, FOURTH_SHORT_S));
      case HIGH_ON_LOW -> own(kind, this::highOnLow);
      case HEIGHT -> own(kind, this::height);
      case THUMB -> own(kind, this::thumb);
      case THUMB_CHANGE -> move(kind, Terms::thumbChange);
      case BARRE -> own(kind, s -> s.grip().barres());
      case WEAK_TRILL -> own(kind, Terms::weakTrill);
      case TRILL_EXIT -> move(kind, Terms::trillExit);
      case PRINTED -> own(kind, s -> s.grip().printedBroken());
    };
  }

  private static final EffortTerm.Guard<HandState> SHIFTS =
      (f, t) -> t.handsOver() || t.isShiftFrom(f.out());
  private static final EffortTerm.Guard<HandState> CROSSES = (f, t) -> f.plane() != t.plane();
  private static final EffortTerm.Guard<HandState> CHORDS =
      (f, t) -> f.fingersDown() > 1 && t.fingersDown() > 1;
  private static final EffortTerm.Guard<HandState> RETURNS =
      (f, t) -> t.moment().contour().comesBack();
  private static final EffortTerm.Guard<HandState> FINGER_TO_FINGER =
      (f, t) -> isStopped(f.out().lead()) && isStopped(t.lead());
  private static final EffortTerm.Guard<HandState> SOUNDS_ON = (f, t) -> t.handsOver() || t.holds();

  static boolean isStopped(HandState.Touch touch) {
    return touch != null && !touch.isOpen();
  }

  private static final EffortTerm.Guard<HandState> OPEN =
      (f, t) -> t.fingersDown() < t.touches().size();
  private static final EffortTerm.Guard<HandState> FOURTHS =
      (f, t) -> t.handsOver() || t.hasFourth();
  private static final EffortTerm.Guard<HandState> SPECIAL =
      (f, t) -> t.handsOver() || !t.grip().isPlain();

  private static final EffortTerm.Guard<HandState> SPECIAL_OR_FINGERS =
      (f, t) ->
          t.handsOver() || !t.grip().isPlain() || isStopped(t.lead()) || t.shape().isExtended();

  private static EffortTerm.Guard<HandState> guardOf(EffortKind kind) {
    return switch (kind) {
      case SHIFT,
          RUSH,
          THROWN,
          FAR_FINGERS,
          CREEP,
          TRAVEL,
          SLUR_SHIFT,
          UNCOVERED,
          OFF_BEAT,
          LANDING,
          SLIDE_HEARD,
          UNEVEN ->
          SHIFTS;
      case CROSSING, SLUR_CROSSING, CROSS_BACK, COLOUR, THEME, TURN_BACK, SKIP -> CROSSES;
      case CHORD_HOP -> (f, t) -> t.fingersDown() > 1;
      case CHORD_LOST -> CHORDS;
      case ANCHOR -> RETURNS;
      case OPEN_LONG, OPEN_STRING, OPEN_LOUD -> OPEN;
      case FOURTH, FOURTH_LONG -> FOURTHS;
      case STRETCH -> SPECIAL_OR_FINGERS;
      case PAIR -> (f, t) -> t.moment().interval() != 0;
      case START -> (f, t) -> f == null || f.base() == HandState.FREE;
      case HARMONIC, BARRE, WEAK_TRILL, PRINTED -> SPECIAL;
      case TAKE_OVER -> SOUNDS_ON;
      case LET_GO -> (f, t) -> !t.moment().slice().held().isEmpty();
      case SAME_FINGER, SLIDE, WEAK_PAIR, SWAP -> FINGER_TO_FINGER;
      case BOUNCED -> (f, t) -> t.moment().bounced();
      case UNLIKE -> (f, t) -> false;
      default -> EffortTerm.Guard.always();
    };
  }

  private record Term(
      EffortKind kind,
      boolean dependsOnPrevious,
      EffortTerm.Guard<HandState> guard,
      ToDoubleBiFunction<HandState, HandState> rule)
      implements EffortTerm<HandState> {
    @Override
    public String id() {
      return kind.id();
    }

    @Override
    public String unit() {
      return kind.unit();
    }

    /**
     * A move is the way from the hand that stood last, and the way to another finger on the same
     * note; a hand that changes on its note is as hard as the harder of the two.
     */
    @Override
    public double amount(HandState from, HandState to) {
      if (dependsOnPrevious) {
        double into =
            from == null && kind != EffortKind.START && kind != EffortKind.STRETCH
                ? 0
                : rule.applyAsDouble(from == null ? null : from.out(), to);
        return to.handsOver() ? into + rule.applyAsDouble(to, to.out()) : into;
      }
      double own = rule.applyAsDouble(null, to);
      return to.handsOver() ? Math.max(own, rule.applyAsDouble(null, to.out())) : own;
    }
  }

  private static EffortTerm<HandState> own(EffortKind kind, ToDoubleFunction<HandState> rule) {
    return new Term(kind, false, guardOf(kind), (from, to) -> rule.applyAsDouble(to));
  }

  /** What the hand costs by itself, and the way to it. */
  private static EffortTerm<HandState> both(
      EffortKind kind,
      ToDoubleFunction<HandState> own,
      ToDoubleBiFunction<HandState, HandState> rule) {
    return new Term(
        kind,
        true,
        guardOf(kind),
        (from, to) -> own.applyAsDouble(to) + rule.applyAsDouble(from, to));
  }

  private static EffortTerm<HandState> move(
      EffortKind kind, ToDoubleBiFunction<HandState, HandState> rule) {
    return new Term(kind, true, guardOf(kind), rule);
  }

  /** What a movement of the whole hand costs; a hand that creeps makes none. */
  private EffortTerm<HandState> shift(
      EffortKind kind, ToDoubleBiFunction<HandState, HandState> rule) {
    return move(kind, (f, t) -> creep.is(f, t) ? 0 : rule.applyAsDouble(f, t));
  }

  private static double colour(HandState from, HandState to) {
    return isSung(from, to) ? crossing(from, to) : 0;
  }

  private static boolean isSung(HandState from, HandState to) {
    return from.moment().seconds() >= SUNG_S
        && to.moment().seconds() >= SUNG_S
        && from.moment().slice().restAfter().signum() == 0;
  }

  /** Two notes of a thrown chord on one string. */
  private static double notBounced(HandState from, HandState to) {
    HandState.Touch a = from.lead();
    HandState.Touch b = to.lead();
    boolean one = a != null && b != null && a.string() == b.string();
    return to.moment().bounced() && one ? 1 : 0;
  }

  /** A melody note on the open string of its pedal, or the pedal stopped although it is one. */
  private double offThePedal(HandState s) {
    Pedal pedal = s.moment().pedal();
    HandState.Touch t = s.lead();
    if (pedal.midi() == 0 || t == null) {
      return 0;
    }
    for (int string = 1; string <= instrument.stringCount(); string++) {
      if (instrument.open(string).midi() == pedal.midi()) {
        boolean same = t.string() == string;
        return pedal.melody() != same ? 0 : same ? 1 : PEDAL_STOPPED;
      }
    }
    return 0;
  }

  /** Strings changed in a fast theme, whose colour is heard as a whole. */
  private static double theme(HandState from, HandState to) {
    boolean inOne =
        from.moment().inTheme()
            && to.moment().inTheme()
            && from.moment().slice().restAfter().signum() == 0;
    return inOne && !isSung(from, to) ? crossing(from, to) : 0;
  }

  /** Strings by which a rising line falls back, counted from forte on. */
  private double brilliance(HandState from, HandState to) {
    HandState.Touch a = from.lead();
    HandState.Touch b = to.lead();
    if (a == null || b == null || to.moment().loudness() < LoudnessLine.FORTE) {
      return 0;
    }
    boolean rises = midi(b) > midi(a);
    return rises ? Math.max(0, b.string() - a.string()) : 0;
  }

  /** Strings by which a rising line falls back or a falling one goes up; not in a pattern. */
  private double turnedBack(HandState from, HandState to) {
    HandState.Touch a = from.lead();
    HandState.Touch b = to.lead();
    boolean line =
        a != null
            && b != null
            && to.moment().crossingShare() == 1
            && from.moment().slice().restAfter().signum() == 0
            && from.touches().size() == 1
            && to.touches().size() == 1;
    double run = to.sinceStartSeconds(from) < RUN_S ? IN_A_RUN : 1;
    return line
        ? run * Math.max(0, (b.string() - a.string()) * Integer.signum(midi(b) - midi(a)))
        : 0;
  }

  private int midi(HandState.Touch t) {
    return instrument.open(t.string()).midi() + t.semitone();
  }

  /** Strings crossed back after one note for which the bow crossed the other way. */
  private static double crossedBack(HandState from, HandState to) {
    boolean back = (from.plane() - to.plane()) * from.moment().contour().turn() < 0;
    return back && from.past().crossed() ? crossing(from, to) : 0;
  }

  /** The note comes straight back, and its finger cannot stay down in the meantime. */
  private static double anchorLost(HandState from, HandState to) {
    HandState.Touch a = from.lead();
    HandState.Touch b = to.lead();
    boolean comesBack = to.moment().contour().comesBack() && !to.takesOver();
    if (!comesBack || !isStopped(a) || b == null) {
      return 0;
    }
    boolean used = b.finger() == a.finger() && b.semitone() != a.semitone();
    return used || to.isShiftFrom(from) ? 1 : 0;
  }

  /** Sounding notes that another finger takes over. */
  private static double takeOver(HandState from, HandState to) {
    if (to.takesOver()) {
      return 1;
    }
    if (!to.holds()) {
      return 0;
    }
    int count = 0;
    for (HandState.Touch a : from.touches()) {
      for (HandState.Touch b : to.touches()) {
        count += b.held() && b.note() == a.note() && b.finger() != a.finger() ? 1 : 0;
      }
    }
    return count;
  }

  private static double swap(HandState from, HandState to) {
    HandState.Touch a = from.lead();
    HandState.Touch b = to.lead();
    boolean samePlace =
        a != null && b != null && a.string() == b.string() && a.semitone() == b.semitone();
    boolean again = samePlace && a.finger() != b.finger() && !a.isOpen() && !b.held();
    return again && !to.takesOver() ? 1 : 0;
  }

  private static double openString(HandState s) {
    return s.isStopped() ? 0 : s.moment().seconds() < OPEN_PASSING_S ? 0.25 : 1;
  }

  private static double openLoud(HandState s) {
    double sum = 0;
    for (HandState.Touch t : s.touches()) {
      boolean top = t.isOpen() && t.string() == 1 && !t.held();
      sum += top ? 1 : 0;
    }
    boolean quiet = s.moment().loudness() <= LoudnessLine.PIANO;
    return quiet ? sum * (s.moment().seconds() < OPEN_PASSING_S ? 0.3 : 1) : 0;
  }

  private static double vibrato(HandState s) {
    if (!s.moment().vibrato()) {
      return 0;
    }
    double sum = 0;
    for (HandState.Touch t : s.touches()) {
      sum += t.isOpen() || t.harmonic() ? 2 : t.finger() == Finger.FOURTH ? 0.5 : 0;
    }
    return sum;
  }

  /** The finger that trilled is wanted at another place straight after. */
  private static double trillExit(HandState from, HandState to) {
    Finger trilled = from.grip().trillFinger();
    if (trilled == Finger.OPEN || from.moment().slice().restAfter().signum() > 0) {
      return 0;
    }
    for (HandState.Touch t : to.touches()) {
      boolean elsewhere = from.lead() != null && t.string() != from.lead().string();
      if (t.finger() == trilled && (elsewhere || to.isShiftFrom(from))) {
        return 1;
      }
    }
    return 0;
  }

  /** Strings crossed; a pattern that goes on costs almost nothing. */
  static double crossing(HandState from, HandState to) {
    double strings = Math.abs(from.plane() - to.plane());
    return to.moment().crossingShare() * strings;
  }

  private static double skipped(HandState from, HandState to) {
    int down = to.highestString() - from.lowestString() - 1;
    int up = from.highestString() - to.lowestString() - 1;
    return to.moment().crossingShare() * Math.max(0, Math.max(down, up));
  }

  private static double sameFinger(HandState from, HandState to) {
    HandState.Touch a = from.lead();
    HandState.Touch b = to.lead();
    if (a == null || b == null || a.isOpen() || a.finger() != b.finger()) {
      return 0;
    }
    boolean otherString = a.string() != b.string();
    if (!otherString || to.isShiftFrom(from)) {
      return 0;
    }
    boolean laid = a.semitone() == b.semitone() && Math.abs(a.string() - b.string()) == 1;
    double share = !laid ? 1 : a.finger() == Finger.THUMB ? 0 : LAID;
    return share / to.sinceStartSeconds(from);
  }

  private double slide(HandState from, HandState to) {
    HandState.Touch a = from.lead();
    HandState.Touch b = to.lead();
    if (a == null || b == null || a.isOpen() || a.finger() != b.finger()) {
      return 0;
    }
    boolean slides = a.string() == b.string() && a.semitone() != b.semitone();
    int semitones = Math.abs(a.semitone() - b.semitone());
    boolean run = to.sinceStartSeconds(from) < RUN_S;
    if (!slides || to.isShiftFrom(from)) {
      return slides && run ? DRAGGED_PER_S : 0;
    }
    boolean sung = to.moment().slice().slurredInto() && from.moment().seconds() >= SUNG_S;
    boolean scale = from.moment().contour().isScale() || to.moment().contour().isScale();
    double quick = run ? IN_A_RUN : sung ? IN_A_SONG : scale ? slideInAScale : 1;
    return quick * semitones * Math.max(SLIDE_PER_S, 1 / to.sinceStartSeconds(from));
  }

  /** A crossing within a slur is heard the better the longer the notes on both sides are. */
  private static double heardCrossing(HandState from, HandState to) {
    double seconds = Math.min(from.moment().seconds(), to.moment().seconds());
    return crossing(from, to) * (seconds >= SUNG_S ? IN_A_SONG : 1);
  }

  private double weakPair(HandState from, HandState to) {
    HandState.Touch a = from.lead();
    HandState.Touch b = to.lead();
    if (a == null || b == null || a.isOpen() || b.isOpen() || to.isShiftFrom(from)) {
      return 0;
    }
    int high = Math.max(a.finger().rank(), b.finger().rank());
    int low = Math.min(a.finger().rank(), b.finger().rank());
    if (high != 4 || low < 2 || low == high) {
      return 0;
    }
    double seconds = to.sinceStartSeconds(from);
    boolean bass = instrument.type() == InstrumentType.BASS;
    // On the bass 4-2 is what 4-3 is elsewhere; where it is quick it is no stronger.
    double weight = low == 3 || bass && seconds < RUN_S ? 1 : bass ? 0.4 : 0.25;
    return weight / seconds;
  }

  private static double openLong(HandState s) {
    double open = 0;
    for (HandState.Touch t : s.touches()) {
      open += t.isOpen() && !t.held() ? longSeconds(s, OPEN_SHORT_S) : 0;
    }
    return open / Math.max(1, s.touches().size());
  }

  /** How far off home a passage begins, in doublings: a semitone 1, three semitones 2. */
  private double start(HandState from, HandState to) {
    boolean first = from == null ? to.moment().slice().index() == 0 : from.base() == HandState.FREE;
    if (!first || !to.isStopped()) {
      return 0;
    }
    double half = instrument.type() == InstrumentType.BASS ? HALF_ON_THE_BASS : 1;
    // As with a shift, twice as far is not twice as hard.
    double far = to.base() < 2 ? half : Math.log(1 + to.base() - 2) / Math.log(2);
    return to.touches().size() > 1 ? far : ONE_FINGER * far;
  }

  private static double longSeconds(HandState s, double shortSeconds) {
    double seconds = Math.min(LONGEST_COUNTED_S, s.moment().durationMs() / 1000);
    return Math.max(0, seconds - shortSeconds);
  }

  /** Notes that start under the fourth finger. */
  private static double fourths(HandState s) {
    int count = 0;
    for (HandState.Touch t : s.touches()) {
      count += t.finger() == Finger.FOURTH && !t.held() ? 1 : 0;
    }
    return count;
  }

  /**
   * Semitones over the seventh; in the bass's broken chords over the fourth, and dearer. Beside a
   * pedal the string is meant.
   */
  private double highOnLow(HandState s) {
    if (s.moment().pedal().melody()) {
      return 0;
    }
    boolean upTheString = goesUpTheString && s.moment().contour().isBrokenChord();
    int from = upTheString ? UP_THE_STRING_FROM : HIGH_FROM;
    double sum = 0;
    for (HandState.Touch t : s.touches()) {
      sum += t.held() ? 0 : Math.max(0, t.semitone() - from) * Math.min(2, t.string() - 1);
    }
    boolean bass = instrument.type() == InstrumentType.BASS;
    return sum * (upTheString ? UP_THE_STRING : bass ? ON_THE_BASS : 1);
  }

  private double height(HandState s) {
    if (!s.isStopped()) {
      return 0;
    }
    int home = 2;
    int below = instrument.type() == InstrumentType.BASS ? 0 : Math.max(0, home - s.base());
    int above = Math.max(0, s.base() - home);
    int near = upperStrings ? Math.min(above, THIRD_POSITION - home) : 0;
    return above - near + NEAR_HOME * near + below;
  }

  /** Free harmonics; in the midst of a run they stick out more than anything that is pressed. */
  private static double harmonics(HandState s) {
    boolean run = s.moment().seconds() < RUN_S && s.moment().slice().restAfter().signum() == 0;
    return s.grip().freeHarmonics() * (run ? IN_A_RUN : 1);
  }

  /** A weak trill tires, and an open string is heard as such, the longer it lasts. */
  private static double weakTrill(HandState s) {
    double weakness = s.grip().trillWeakness();
    return weakness >= 100
        ? weakness
        : weakness * (TRILL_AT_ONCE + s.moment().seconds())
            + s.grip().turnWeakness() * TRILL_AT_ONCE;
  }

  /** In a line of the cello the thumb is kept for what lies over the neck. */
  private double thumb(HandState s) {
    boolean up = s.isStopped() && s.region() == Region.THUMB;
    boolean line = s.moment().slice().starting().size() == 1 && !s.holds();
    boolean low = instrument.type() == InstrumentType.CELLO && s.base() < THUMB_OVER_THE_NECK;
    double sung = Math.min(1, (s.moment().seconds() - THUMB_RUN_S) / (LOW_THUMB_S - THUMB_RUN_S));
    double extra = line && low ? Math.max(0, sung) : 0;
    return up ? 1 + extra : 0;
  }

  private static double thumbChange(HandState from, HandState to) {
    boolean changes = (from.region() == Region.THUMB) != (to.region() == Region.THUMB);
    return to.isStopped() && from.base() != HandState.FREE && changes ? 1 : 0;
  }
}
