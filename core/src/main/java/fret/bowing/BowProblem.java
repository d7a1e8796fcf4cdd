package fret.bowing;

import fret.score.Signs;
import fret.search.RulerProblem;
import fret.search.RulerSearch.Join;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * The bowing of a passage as a search along the hair: a boundary between any two bowed notes, a
 * span for every stroke that the slurs allow. Grace notes belong to the stroke of the note they
 * lead to; plucked notes have no stroke.
 */
final class BowProblem implements RulerProblem<BowSpan> {
  /** Most notes that are slurred where they may be slurred or not. */
  static final int MOST_OPEN = 16;

  /** A rhythm is dotted or lilting where the note before is so much longer. */
  private static final double DOTTED_LEAST = 1.9;

  private static final double DOTTED_MOST = 4.1;

  private enum Tie {
    MUST,
    MAY,
    BREAK
  }

  /** A note with the grace notes before it. */
  private record Unit(int from, int to) {}

  private final BowTask task;
  private final BowTerms terms;
  private final List<BowMoment> moments;
  private final AlikeBows alike;

  /** Turn of the arm into each moment, in degrees. */
  private final double[] turns;

  /** What each moment takes in cm while it sounds, before its kind of stroke shortens it. */
  private final double[] whole;

  private final List<Unit> units = new ArrayList<>();
  private final List<Tie> ties = new ArrayList<>();
  private final List<BowJoins> joins = new ArrayList<>();
  private final List<List<BowSpan>> spans = new ArrayList<>();

  /** Moments into which a hook was asked that no way of the bow allows. */
  private final List<Integer> unhooked = new ArrayList<>();

  BowProblem(BowTask task) {
    this.task = task;
    this.terms = new BowTerms(task.bow(), task.instrument().type(), task.preset(), task.habits());
    this.moments = BowMoments.of(task);
    this.alike = new AlikeBows(task, moments);
    this.turns = new double[moments.size()];
    this.whole = moments.stream().mapToDouble(this::wholeCm).toArray();
    for (int m = 1; m < turns.length; m++) {
      turns[m] = terms.degrees(moments.get(m - 1), moments.get(m));
    }
    group();
    for (int u = 0; u < units.size(); u++) {
      ties.add(u == 0 ? Tie.BREAK : tie(u));
      joins.add(u == 0 ? null : joins(u));
    }
    for (int u = 0; u < units.size(); u++) {
      spans.add(spansFrom(u));
    }
    settle();
  }

  /**
   * A hook asks for one direction and one place on both sides of it. Where what else is asked there
   * does not allow that, the hook is set aside, the later one of two that contradict each other; so
   * there is always a way.
   */
  private void settle() {
    if (IntStream.range(0, units.size()).noneMatch(this::isHook)) {
      return;
    }
    BowReach reach = new BowReach(units.size(), length());
    for (int u = 0; u < units.size(); u++) {
      if (isHook(u) && reach.isReached(u) && !reach.goesOn(u, spans.get(u))) {
        joins.set(u, joins.get(u).without(BowRules.Joint.HOOK));
        if (rule(units.get(u)) == BowRules.Joint.HOOK) {
          unhooked.add(units.get(u).from());
        }
      }
      reach.on(u, spans.get(u), isHook(u));
    }
  }

  private boolean isHook(int u) {
    return u > 0 && joins.get(u).rule().filter(r -> r == BowRules.Joint.HOOK).isPresent();
  }

  /** Moments into which a hook was asked that no way of the bow allows, in order. */
  List<Integer> unhooked() {
    return List.copyOf(unhooked);
  }

  AlikeBows alike() {
    return alike;
  }

  List<BowMoment> moments() {
    return moments;
  }

  BowTerms terms() {
    return terms;
  }

  BowJoins join(int layer) {
    return joins.get(layer);
  }

  boolean isEmpty() {
    return units.isEmpty();
  }

  private void group() {
    int from = -1;
    for (int i = 0; i < moments.size(); i++) {
      BowMoment m = moments.get(i);
      if (!m.isBowed()) {
        from = -1;
        continue;
      }
      from = from < 0 ? i : from;
      boolean leads = m.isGrace() && i + 1 < moments.size() && moments.get(i + 1).isBowed();
      if (!leads) {
        units.add(new Unit(from, i));
        from = -1;
      }
    }
  }

  private Tie tie(int u) {
    Unit unit = units.get(u);
    BowRules.Joint rule = rule(unit);
    if (rule != null) {
      return rule == BowRules.Joint.SLUR ? Tie.MUST : Tie.BREAK;
    }
    boolean apart = units.get(u - 1).to() + 1 != unit.from();
    boolean slurred = moments.get(unit.from()).slice().slurredInto();
    if (apart || moments.get(unit.from() - 1).restMs() > 1 || tremolo(unit) || tremolo(u - 1)) {
      return Tie.BREAK;
    }
    return switch (task.rules().slurs()) {
      case BOWING -> slurred ? Tie.MUST : Tie.BREAK;
      case PHRASING -> slurred ? Tie.MAY : Tie.BREAK;
      case OPEN -> Tie.MAY;
    };
  }

  private BowRules.Joint rule(Unit unit) {
    for (int i = unit.from(); i <= unit.to(); i++) {
      if (task.rules().joints().containsKey(i)) {
        return task.rules().joints().get(i);
      }
    }
    return null;
  }

  private boolean tremolo(int u) {
    return tremolo(units.get(u));
  }

  private boolean tremolo(Unit unit) {
    return StrokeKinds.of(moments.subList(unit.from(), unit.to() + 1)) == StrokeKind.TREMOLO;
  }

  private BowJoins joins(int u) {
    Unit unit = units.get(u);
    Unit before = units.get(u - 1);
    BowMoment last = moments.get(before.to());
    BowMoment first = moments.get(unit.from());
    double has = Math.max(0, first.startMs() - last.endMs());
    boolean plucked = before.to() + 1 != unit.from();
    double ratio = last.wholes() / Math.max(1e-9, moments.get(unit.to()).wholes());
    boolean leaps = last.stringsTo(first) >= 2;
    boolean dotted =
        ratio >= DOTTED_LEAST && ratio <= DOTTED_MOST && first.beat() == BowMoment.Beat.OFF;
    return new BowJoins(
        has,
        last.timeMs(),
        dotted ? BowEffort.HOOK_DOTTED : leaps ? BowEffort.HOOK_LEAP : BowEffort.HOOK,
        last.isChord() && first.isChord(),
        plucked || tremolo(before),
        !plucked && has <= 1 && !first.slice().held().isEmpty(),
        Optional.ofNullable(rule(unit))
            .filter(r -> r != BowRules.Joint.SLUR)
            .or(() -> plucked ? Optional.empty() : asPrinted(u, has)));
  }

  /**
   * What the page's own marks on two notes in a row mean: two down-bows a retake, or a hook where
   * there is no time for one or a slur stands over them; two up-bows stay on the string.
   */
  private Optional<BowRules.Joint> asPrinted(int u, double has) {
    int first = units.get(u - 1).from();
    int second = units.get(u).from();
    Signs.Bow bow = moments.get(second).printed();
    boolean both = bow != Signs.Bow.NONE && bow == moments.get(first).printed();
    boolean own = task.rules().bows().containsKey(first) || task.rules().bows().containsKey(second);
    if (!both || own || ties.get(u) == Tie.MUST) {
      return Optional.empty();
    }
    boolean lifts =
        bow == Signs.Bow.DOWN
            && !moments.get(second).slice().slurredInto()
            && BowJoins.isTimeFor(has, moments.get(units.get(u - 1).to()).timeMs());
    return Optional.of(lifts ? BowRules.Joint.RETAKE : BowRules.Joint.HOOK);
  }

  private List<BowSpan> spansFrom(int u) {
    List<BowSpan> all = new ArrayList<>();
    if (ties.get(u) == Tie.MUST) {
      return all;
    }
    int open = 0;
    int joined = 0;
    for (int v = u; v < units.size(); v++) {
      if (v > u) {
        if (ties.get(v) == Tie.BREAK) {
          break;
        }
        open += ties.get(v) == Tie.MAY ? 1 : 0;
        joined += moments.get(units.get(v).from()).slice().slurredInto() ? 0 : 1;
      }
      boolean ends = v + 1 == units.size() || ties.get(v + 1) != Tie.MUST;
      boolean whole = v + 1 == units.size() || ties.get(v + 1) == Tie.BREAK;
      if (ends && (open < MOST_OPEN || whole)) {
        all.add(span(u, v, joined));
      }
    }
    return all;
  }

  private BowSpan span(int u, int v, int joined) {
    int from = units.get(u).from();
    int to = units.get(v).to();
    List<BowMoment> here = moments.subList(from, to + 1);
    StrokeKind kind = kind(from, to, here);
    double[] natural = new double[here.size()];
    for (int i = 0; i < natural.length; i++) {
      boolean ends = i > 0 && i + 1 == natural.length;
      double more = task.habits().onLastOfBow(ends);
      natural[i] = whole[from + i] * more * sounds(here.get(i), kind, ends);
    }
    double within = 0;
    for (int m = from + 1; m <= to; m++) {
      within += turns[m];
    }
    boolean joinedBefore = from > 0 && moments.get(from - 1).isBowed();
    boolean breaks = ties.get(u) != Tie.BREAK || rule(units.get(u)) != null;
    return new BowSpan(
        terms,
        v + 1,
        here,
        kind,
        natural,
        joinedBefore ? turns[from] : 0,
        within,
        to + 1 < moments.size() ? Optional.of(moments.get(to + 1)) : Optional.empty(),
        breaks && u > 0 && here.get(0).slice().slurredInto(),
        joined,
        startCm(from, to),
        spot(from, to),
        !joinedBefore || moments.get(from - 1).restMs() > 1);
  }

  private StrokeKind kind(int from, int to, List<BowMoment> here) {
    for (int i = from; i <= to; i++) {
      if (task.rules().kinds().containsKey(i)) {
        return task.rules().kinds().get(i);
      }
    }
    boolean bounced = isDottedUp(from) && (isDottedUp(from - 1) || isDottedUp(to + 1));
    return bounced && from == to ? StrokeKind.DOUBLE_UP : StrokeKinds.of(here);
  }

  /** Two up-bows with dots and no slur are bounced one after the other (common practice). */
  private boolean isDottedUp(int moment) {
    if (moment < 0 || moment >= moments.size()) {
      return false;
    }
    BowMoment m = moments.get(moment);
    boolean page = !task.rules().bows().containsKey(moment);
    boolean slurred =
        m.slice().slurredInto()
            || moment + 1 < moments.size() && moments.get(moment + 1).slice().slurredInto();
    return page && m.printed() == Signs.Bow.UP && m.isDotted() && !slurred;
  }

  private Optional<Double> spot(int from, int to) {
    return IntStream.rangeClosed(from, to)
        .filter(task.rules().spots()::containsKey)
        .mapToObj(task.rules().spots()::get)
        .findFirst();
  }

  private double startCm(int from, int to) {
    for (int i = from; i <= to; i++) {
      if (task.rules().starts().containsKey(i)) {
        return task.rules().starts().get(i) * task.bow().hairCm();
      }
    }
    return moments.get(to).place().or(() -> moments.get(from).place()).orElse(-1.0)
        * task.bow().hairCm();
  }

  /** Natural speed times time, times what the player saves or spends there. */
  private double wholeCm(BowMoment m) {
    double speed = SoundWish.speed(task, m, moments);
    int i = m.slice().index();
    BowMoment before = m.slice().slurredInto() && i > 0 ? moments.get(i - 1) : null;
    double start = LateSpeaking.is(m, before) ? LateSpeaking.START : 1;
    double own = task.rules().amounts().getOrDefault(i, 1.0);
    double factor = LateSpeaking.isRefused(task, i) ? own : own * start;
    return speed
        * (m.isAccented() ? task.habits().onAccent() : besideAccent(i))
        * m.timeMs()
        / 1000
        * factor
        * task.habits().share(m.strings());
  }

  private double besideAccent(int i) {
    return task.habits()
        .besideAccent(
            moments.get(i),
            i == 0 ? null : moments.get(i - 1),
            i + 1 == moments.size() ? null : moments.get(i + 1));
  }

  /**
   * Share of the written length that sounds.
   *
   * @param ends whether it is the last of two notes or more in a bow
   */
  double sounds(BowMoment m, StrokeKind kind, boolean ends) {
    Double own = task.rules().sounds().get(m.slice().index());
    if (own == null && ends && task.habits().has(BowHabit.Way.EACH_BOW)) {
      return 1;
    }
    return own != null ? own : task.habits().sounds(m, isBeforeShift(m), usualSounds(m, kind));
  }

  /** Whether the hand shifts into the next moment in the same slur. */
  boolean isBeforeShift(BowMoment m) {
    int next = m.slice().index() + 1;
    return next < moments.size()
        && moments.get(next).shiftInto()
        && moments.get(next).slice().slurredInto();
  }

  private static double usualSounds(BowMoment m, StrokeKind kind) {
    if (kind == StrokeKind.DETACHE && m.isDotted()) {
      return StrokeKind.SPICCATO.sounds();
    }
    boolean lastOfLegato = kind == StrokeKind.LEGATO && m.isDotted();
    return lastOfLegato ? StrokeKind.SPICCATO.sounds() : kind.sounds();
  }

  // ---- the ruler -------------------------------------------------------------------------------

  @Override
  public int layers() {
    return units.size() + 1;
  }

  @Override
  public double length() {
    return task.bow().hairCm();
  }

  @Override
  public List<BowSpan> spans(int layer) {
    return spans.get(layer);
  }

  private double effort(int layer, Join join, double cm) {
    boolean inner = layer > 0 && layer < units.size();
    return inner ? joins.get(layer).effort(join, cm, terms) : 0;
  }

  @Override
  public double turn(int layer) {
    return effort(layer, Join.TURN, 0);
  }

  @Override
  public double again(int layer) {
    return effort(layer, Join.AGAIN, 0);
  }

  @Override
  public double lift(int layer, double distance) {
    return effort(layer, Join.LIFT, distance);
  }

  /** Only the silence, the note before it and what is decided there tell one from another. */
  @Override
  public Optional<Object> liftKey(int layer) {
    return layer > 0 && layer < units.size() ? Optional.of(joins.get(layer)) : Optional.empty();
  }

  @Override
  public boolean isFree(int layer) {
    return layer > 0 && layer < units.size() && joins.get(layer).isFree();
  }
}
